import { commandScale, streamScale } from '@/server/devices'
import { ScaleCommandDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'

export const dynamic = 'force-dynamic'

export const GET = signedIn(async (member, request) => streamScale(member, request.signal))
export const POST = signedIn(async (member, request) => {
  const { command, grams } = await readEntry(request, ScaleCommandDto)
  return commandScale(member, command, grams)
})
