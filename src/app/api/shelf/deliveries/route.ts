import { DeliveryDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { receive } from '@/server/shelf'

export const POST = signedIn(async (member, request) => receive(member, await readEntry(request, DeliveryDto)))
