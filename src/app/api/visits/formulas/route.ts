import { signedIn } from '@/server/http'
import { csvOfFormulas } from '@/server/visits'

/** Every formula that was mixed for a visit, as a table. */
export const GET = signedIn(
  async (member) =>
    new Response(await csvOfFormulas(member), {
      headers: {
        'content-type': 'text/csv; charset=utf-8',
        'content-disposition': 'attachment; filename="formulas.csv"',
      },
    }),
)
