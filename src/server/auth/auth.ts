import { betterAuth } from 'better-auth'
import { drizzleAdapter } from 'better-auth/adapters/drizzle'
import { APIError, createAuthMiddleware, getSessionFromCtx } from 'better-auth/api'
import { twoFactor as secondFactor } from 'better-auth/plugins/two-factor'
import { account, database, rateLimit, session, twoFactor, user, verification } from '@/db'
import { PASSWORD } from '@/dto'
import { sendMail } from '../mail'
import { setting } from '../settings'
import { easyPassword, isEasyPassword } from './easyPassword'
import { forget } from './remembered'
import { tabletOf } from './tablet'
import { takeOver } from './takeOver'

const SESSION_HOURS = 14 // a long salon day
export const COOKIE_PREFIX = 'falto'

/** A link to a new password is good for so long, min. Common practice. */
const RESET_MINUTES = 60

/** Tries of one address within a minute: a salon's tablets share one. Our estimate. */
const TRIES_A_MINUTE = 60

function createAuth() {
  const url = setting('BETTER_AUTH_URL')!
  const { protocol, port } = new URL(url)
  return betterAuth({
    appName: 'Falto',
    baseURL: url,
    secret: setting('BETTER_AUTH_SECRET') ?? '',
    database: drizzleAdapter(database(), {
      provider: 'pg',
      schema: { user, session, account, verification, twoFactor, rateLimit },
    }),
    emailAndPassword: {
      enabled: true,
      disableSignUp: true,
      minPasswordLength: PASSWORD.shortest,
      maxPasswordLength: PASSWORD.longest,
      resetPasswordTokenExpiresIn: RESET_MINUTES * 60,
      revokeSessionsOnPasswordReset: true,
      sendResetPassword: async ({ user: { name, email }, token }) =>
        sendMail({
          to: email,
          subject: 'A new password for Falto',
          text: [
            `Dear ${name},`,
            `somebody, perhaps you, asked for a new password. Choose it here within ${RESET_MINUTES} minutes:`,
            `${new URL(`/new-password?token=${encodeURIComponent(token)}`, url)}`,
            'If it was not you, leave this letter alone: the old password goes on working.',
          ],
        }),
    },
    user: { additionalFields: { salonId: { type: 'string', required: false, input: false } } },
    session: {
      expiresIn: SESSION_HOURS * 3600,
      additionalFields: { tabletId: { type: 'string', required: false, input: false } },
    },
    rateLimit: {
      enabled: true,
      storage: 'database',
      window: 60,
      max: TRIES_A_MINUTE,
      customRules: { '/sign-in/email': { window: 60, max: TRIES_A_MINUTE } },
    },
    plugins: [secondFactor({ issuer: 'Falto' }), takeOver],
    trustedOrigins: [
      ...['127.0.0.1', 'localhost'].map((host) => `${protocol}//${host}:${port}`),
      ...(setting('FALTO_LAN_ORIGINS')?.split(/\s+/) ?? []),
    ],
    hooks: { before: refuseEasyPasswords },
    databaseHooks: {
      session: {
        create: {
          before: async (begun, context) => ({ data: { ...begun, tabletId: await tabletIdOf(context?.headers) } }),
        },
        delete: { after: async ({ id }) => forget('session', id) },
      },
    },
    advanced: { cookiePrefix: COOKIE_PREFIX },
    telemetry: { enabled: false },
  })
}

/** Paths of the library by which somebody chooses a password. */
const CHOOSING = ['/change-password', '/reset-password']

const refuseEasyPasswords = createAuthMiddleware(async (context) => {
  if (!CHOOSING.includes(context.path)) return
  const { newPassword } = (context.body ?? {}) as { newPassword?: unknown }
  if (typeof newPassword !== 'string') return
  const { user: person } = (await getSessionFromCtx(context)) ?? {}
  if (!(await isEasyPassword(newPassword, person ? [person.name, person.email] : []))) return
  throw new APIError('UNPROCESSABLE_ENTITY', easyPassword('newPassword'))
})

/** However somebody signs in on a shared tablet, it locks itself under her too. */
const tabletIdOf = async (headers: Headers | undefined): Promise<string | null> =>
  (headers && (await tabletOf(headers))?.id) ?? null

/** Made on first use, because building the application has no database. */
let made: ReturnType<typeof createAuth> | undefined
export const auth = () => (made ??= createAuth())
