import { signedIn } from '@/server/http'
import { exportCatalogue } from '@/server/shelf'

export const GET = signedIn(
  async (member) =>
    new Response(await exportCatalogue(member), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="catalogue.csv"',
      },
    }),
)
