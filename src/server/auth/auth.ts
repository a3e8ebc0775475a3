import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { account, database, session, user, verification } from '@/db'
import { forgetSession } from './remembered'

const SESSION_HOURS = 14 // a long salon day
export const COOKIE_PREFIX = 'falto'

function createAuth() {
  const url = process.env['BETTER_AUTH_URL'] ?? 'http://127.0.0.1:4310'
  const { protocol, port } = new URL(url)
  return betterAuth({
    baseURL: url,
    secret: process.env['BETTER_AUTH_SECRET'] ?? '',
    database: drizzleAdapter(database(), { provider: 'pg', schema: { user, session, account, verification } }),
    emailAndPassword: { enabled: true, disableSignUp: true },
    session: { expiresIn: SESSION_HOURS * 3600 },
    trustedOrigins: [
      ...['127.0.0.1', 'localhost'].map((host) => `${protocol}//${host}:${port}`),
      ...(process.env['FALTO_LAN_ORIGINS']?.split(/\s+/) ?? []),
    ],
    databaseHooks: { session: { delete: { after: async ({ token }) => forgetSession(token) } } },
    advanced: { cookiePrefix: COOKIE_PREFIX },
    telemetry: { enabled: false },
  })
}

/** Made on first use, because building the application has no database. */
let made: ReturnType<typeof createAuth> | undefined
export const auth = () => (made ??= createAuth())
