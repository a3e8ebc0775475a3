import { ReadingUnitsDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { saveUnits } from '@/server/units'

export const GET = signedIn(async ({ units }) => units)
export const PUT = signedIn(async (member, request) => saveUnits(member, await readEntry(request, ReadingUnitsDto)))
