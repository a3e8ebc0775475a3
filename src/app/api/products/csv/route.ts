import { signedIn, tableFile } from '@/server/http'
import { exportCatalogue } from '@/server/shelf'

export const GET = signedIn(async (member) => tableFile(await exportCatalogue(member), 'catalogue.csv'))
