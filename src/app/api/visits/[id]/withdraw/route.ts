import { signedIn } from '@/server/http'
import { setVisitWithdrawn } from '@/server/visits'

type Parameters = { id: string }

/** Takes a visit back: it counts no more. */
export const POST = signedIn<Parameters>((member, _request, { id }) => setVisitWithdrawn(member, id, 'withdrawn'))

/** Lets it count again. */
export const DELETE = signedIn<Parameters>((member, _request, { id }) => setVisitWithdrawn(member, id, 'counted'))
