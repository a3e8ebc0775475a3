import { SalonRatesDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { ratesOf, saveRates } from '@/server/money'

export const GET = signedIn(async (member) => ratesOf(member))
export const PUT = signedIn(async (member, request) => saveRates(member, await readEntry(request, SalonRatesDto)))
