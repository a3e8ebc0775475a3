import { SalonDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { changeSalon } from '@/server/team'

export const PUT = signedIn(async (member, request) => changeSalon(member, await readEntry(request, SalonDto)))
