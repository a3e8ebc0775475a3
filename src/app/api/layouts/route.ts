import { OwnLayoutDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { listLayouts, saveLayout } from '@/server/layouts'

export const GET = signedIn(async (member) => ({ layouts: await listLayouts(member) }))
export const POST = signedIn(async (member, request) => saveLayout(member, await readEntry(request, OwnLayoutDto)))
