import type { BetterAuthPlugin } from 'better-auth'
import { createAuthEndpoint } from 'better-auth/api'
import { setSessionCookie } from 'better-auth/cookies'

/**
 * Begins a session for somebody who was recognised otherwise than by a password: by her PIN, on a tablet that the salon
 * shares. Asked by our own code only; it has no address.
 */
export const takeOver = {
  id: 'take-over',
  endpoints: {
    beginSession: createAuthEndpoint.serverOnly(
      { method: 'POST', metadata: { $Infer: { body: {} as { userId: string } } } },
      async (context) => {
        const { userId } = context.body
        const { internalAdapter } = context.context
        const user = await internalAdapter.findUserById(userId)
        if (!user) throw context.error('NOT_FOUND')
        await setSessionCookie(context, { session: await internalAdapter.createSession(userId), user })
        return context.json({})
      },
    ),
  },
} satisfies BetterAuthPlugin
