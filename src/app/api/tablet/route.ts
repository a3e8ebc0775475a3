import { TakeOverDto } from '@/dto'
import { answered, readEntry } from '@/server/http'
import { peopleOf, takeOver } from '@/server/tablets'

/** Who can take over the shared tablet that asks. */
export const GET = answered(async (request) => peopleOf(request.headers))
export const POST = answered(async (request) => takeOver(request.headers, await readEntry(request, TakeOverDto)))
