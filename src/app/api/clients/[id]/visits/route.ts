import { ToldVisitDto } from '@/dto'
import { readEntry, signedIn } from '@/server/http'
import { draftToldVisit, enterToldVisit } from '@/server/workspace'

type Parameters = { id: string }

/** What a kind of service would be mixed from. */
export const GET = signedIn<Parameters>((member, request, { id }) =>
  draftToldVisit(member, id, new URL(request.url).searchParams.get('service') ?? ''),
)

/** Enters a visit that was done without Falto. */
export const POST = signedIn<Parameters>(async (member, request, { id }) =>
  enterToldVisit(member, id, await readEntry(request, ToldVisitDto)),
)
