import { CountDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { countLot } from '@/server/shelf'

export const POST = signedIn(async (member, request) => countLot(member, await readEntry(request, CountDto)))
