import { signedIn, tableFile } from '@/server/http'
import { csvOfFormulas } from '@/server/visits'

/** Every formula that was mixed for a visit, as a table. */
export const GET = signedIn(async (member) => tableFile(await csvOfFormulas(member), 'formulas.csv'))
