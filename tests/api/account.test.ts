import { createHmac } from 'node:crypto'
import { eq } from 'drizzle-orm'
import { v7 as newId } from 'uuid'
import { database, session, user } from '@/db'
import { SKILLS, type TeamMember } from '@/core/model'
import { BASE_URL, call, cookieOf, type Device } from '../support/server'
import { closeDatabase, newSalon, SALON_PASSWORD, signInAs, type TestSalon } from '../support/salon'

/** What concerns only oneself: sessions, password, second factor; and what an owner does to somebody else's. */
jest.setTimeout(120_000)

let salon: TestSalon
beforeAll(async () => {
  salon = await newSalon()
})
afterAll(closeDatabase)

interface Listed {
  sessions: { id: string; current: boolean }[]
}

const isIn = async (device: Device) => (await device.call('GET', '/api/me')).status === 200

it('one sees one’s sessions without their tokens, ends one of them, and all the others', async () => {
  const email = salon.emails.colourist
  const [here, there, elsewhere] = await Promise.all([signInAs(email), signInAs(email), signInAs(email)])
  const { sessions } = (await here.call('GET', '/api/account/sessions')).body as unknown as Listed
  expect(sessions.filter(({ current }) => current)).toHaveLength(1)
  const tokens = (await database().select({ token: session.token }).from(session)).map(({ token }) => token)
  expect(tokens.filter((token) => JSON.stringify(sessions).includes(token))).toEqual([])
  const theirs = (await there.call('GET', '/api/account/sessions')).body as unknown as Listed
  const { id } = theirs.sessions.find(({ current }) => current)!
  // Somebody else's session is not there for her.
  expect((await salon.devices.owner.call('DELETE', `/api/account/sessions/${id}`)).status).toBe(404)
  expect(await isIn(there)).toBe(true)
  expect((await here.call('DELETE', `/api/account/sessions/${id}`)).status).toBe(200)
  expect([await isIn(here), await isIn(there), await isIn(elsewhere)]).toEqual([true, false, true])
  expect((await here.call('DELETE', '/api/account/sessions')).status).toBe(200)
  expect([await isIn(here), await isIn(elsewhere)]).toEqual([true, false])
})

/** Half of how long a session is remembered: by itself it would not be forgotten so soon, ms. */
const TOLD_MS = 5000

it('a session that is ended in the database, by whomever, is over everywhere as soon as the database has told', async () => {
  const device = await signInAs(salon.emails.assistant)
  expect(await isIn(device)).toBe(true)
  const [row] = await database().select({ id: user.id }).from(user).where(eq(user.email, salon.emails.assistant))
  const endedAt = performance.now()
  await database().delete(session).where(eq(session.userId, row!.id))
  while (await isIn(device)) expect(performance.now() - endedAt).toBeLessThan(TOLD_MS)
})

it('whoever works here no more is out at once and cannot come back; the last owner stays', async () => {
  const { members } = (await salon.devices.owner.call('GET', '/api/team')).body as {
    members: { id: string; role: string; name: string }[]
  }
  const of = (role: string) => members.find((one) => one.role === role)!
  const apprentice = of('apprentice')
  const out = { name: apprentice.name, role: 'apprentice', active: false }
  expect((await salon.devices.owner.call('PUT', `/api/team/${apprentice.id}`, out)).status).toBe(200)
  expect(await isIn(salon.devices.apprentice)).toBe(false)
  const again = await signInAs(salon.emails.apprentice)
  expect(await isIn(again)).toBe(false)
  const owner = of('owner')
  const less = await salon.devices.owner.call('PUT', `/api/team/${owner.id}`, {
    name: owner.name,
    role: 'colourist',
    active: true,
  })
  expect([less.status, less.body['error']]).toEqual([409, 'last-owner'])
})

it('a role that was changed holds with the next request, on every device', async () => {
  const { members } = (await salon.devices.owner.call('GET', '/api/team')).body as {
    members: { id: string; role: string; name: string }[]
  }
  const assistant = members.find(({ role }) => role === 'assistant')!
  const device = await signInAs(salon.emails.assistant)
  expect((await device.call('POST', '/api/layouts', {})).status).toBe(403)
  const changed = await salon.devices.owner.call('PUT', `/api/team/${assistant.id}`, {
    name: assistant.name,
    role: 'colourist',
    active: true,
  })
  expect(changed.status).toBe(200)
  expect((await device.call('POST', '/api/layouts', {})).status).toBe(422)
})

it('what she is trusted with and when she works is said of a person, and asked on a day', async () => {
  const { owner } = salon.devices
  const members = async () =>
    ((await owner.call('GET', '/api/team')).body as { members: (TeamMember & { id: string })[] }).members
  const { id, name, role, skills, week } = (await members()).find((one) => one.role === 'colourist')!
  expect([skills, week]).toEqual([[...SKILLS], null])
  const put = (changes: object) => owner.call('PUT', `/api/team/${id}`, { name, role, active: true, ...changes })
  const day = { weekday: 2, from: 540, to: 1080 }
  for (const wrong of [
    { week: [day, day] },
    { week: [{ ...day, to: 540 }] },
    { week: [{ ...day, weekday: 8 }] },
    { skills: ['cut'] },
  ])
    expect([wrong, (await put(wrong)).status]).toEqual([wrong, 422])
  expect((await put({ week: [{ ...day, weekday: 5 }, day], skills: ['mix'] })).status).toBe(200)
  // What is left out stays.
  expect((await put({})).status).toBe(200)
  const kept = (await members()).find((one) => one.id === id)!
  expect(kept).toMatchObject({ skills: ['mix'], week: [day, { ...day, weekday: 5 }] })
})

it('an invitation works once, not when taken back, and not for who signs in already', async () => {
  const { owner } = salon.devices
  const email = `${newId()}@joins.invalid`
  const asked = await owner.call('POST', '/api/team/invitations', { name: 'Joins', email, role: 'assistant' })
  expect(asked.status).toBe(200)
  const token = new URL(asked.body['link'] as string).searchParams.get('token')!
  expect((await call('GET', `/api/invitations?token=${token}`)).body).toMatchObject({ email, role: 'assistant' })
  const easy = await call('POST', '/api/invitations', { token, name: 'Joins', password: email })
  expect(easy.body['problems']).toMatchObject([{ path: 'password' }])
  const entry = { token, name: 'Joins', password: SALON_PASSWORD }
  const both = await Promise.all([call('POST', '/api/invitations', entry), call('POST', '/api/invitations', entry)])
  expect(both.map(({ status }) => status).sort()).toEqual([200, 404])
  expect(await isIn(await signInAs(email))).toBe(true)
  const twice = await owner.call('POST', '/api/team/invitations', { name: 'Joins', email, role: 'owner' })
  expect([twice.status, twice.body['problems']]).toEqual([422, [expect.objectContaining({ path: 'email' })]])

  const other = await owner.call('POST', '/api/team/invitations', {
    name: 'Not after all',
    email: `${newId()}@joins.invalid`,
    role: 'assistant',
  })
  await owner.call('DELETE', `/api/team/invitations/${other.body['id'] as string}`)
  const late = new URL(other.body['link'] as string).searchParams.get('token')!
  expect((await call('POST', '/api/invitations', { ...entry, token: late })).status).toBe(404)
})

it('with a second factor a password alone lets nobody in; an owner who needs one sees nothing before', async () => {
  const own = await newSalon()
  const { owner } = own.devices
  expect((await owner.call('PUT', '/api/salon', { ownersNeedSecondFactor: true })).status).toBe(200)
  const refused = await owner.call('GET', '/api/clients')
  expect([refused.status, refused.body['error']]).toEqual([403, 'second-factor'])
  expect((await own.devices.colourist.call('GET', '/api/clients')).status).toBe(200)

  const begun = await owner.call('POST', '/api/auth/two-factor/enable', { password: SALON_PASSWORD })
  const secret = new URL(begun.body['totpURI'] as string).searchParams.get('secret')!
  const confirmed = await owner.call('POST', '/api/auth/two-factor/verify-totp', { code: totp(secret) })
  expect(confirmed.status).toBe(200)

  const answer = await call('POST', '/api/auth/sign-in/email', { email: own.emails.owner, password: SALON_PASSWORD })
  expect(answer.body).toMatchObject({ twoFactorRedirect: true })
  const cookie = cookieOf(answer)
  expect((await call('GET', '/api/clients', undefined, cookie)).status).toBe(401)
  expect((await call('POST', '/api/auth/two-factor/verify-totp', { code: '000000' }, cookie)).status).not.toBe(200)
  const second = await call('POST', '/api/auth/two-factor/verify-totp', { code: totp(secret) }, cookie)
  expect(second.status).toBe(200)
  expect((await call('GET', '/api/clients', undefined, cookieOf(second))).status).toBe(200)
  const spare = (begun.body['backupCodes'] as string[])[0]!
  const third = await call('POST', '/api/auth/sign-in/email', { email: own.emails.owner, password: SALON_PASSWORD })
  const bySpare = await call('POST', '/api/auth/two-factor/verify-backup-code', { code: spare }, cookieOf(third))
  expect(bySpare.status).toBe(200)
})

it('only what is offered of signing in answers, and pages say what may run on them', async () => {
  for (const path of ['list-sessions', 'update-user', 'delete-user', 'sign-up/email', 'get-session'])
    for (const method of ['GET', 'POST']) {
      const { status } = await salon.devices.owner.call(method, `/api/auth/${path}`, method === 'POST' ? {} : undefined)
      expect([path, [404, 405].includes(status)]).toEqual([path, true])
    }
  const { headers } = await fetch(`${BASE_URL}/sign-in`)
  const rules = headers.get('content-security-policy')!
  expect(rules).toMatch(/script-src 'self' 'nonce-[^']+' 'strict-dynamic';/)
  expect(rules.replace(/style-src-attr [^;]+/, '')).not.toContain('unsafe')
  expect(rules).toContain("frame-ancestors 'none'")
  expect(headers.get('x-content-type-options')).toBe('nosniff')
  expect((await fetch(`${BASE_URL}/sign-in`)).headers.get('content-security-policy')).not.toBe(rules)
})

it('a session that a wrong clock began does not count', async () => {
  const device = await signInAs(salon.emails.owner)
  const token = decodeURIComponent(device.cookie).split('=')[1]!.split('.')[0]!
  const begun = (createdAt: Date) => database().update(session).set({ createdAt }).where(eq(session.token, token))
  await begun(new Date(Date.now() + 86_400_000))
  expect((await device.call('GET', '/api/me')).status).toBe(401)
  await begun(new Date())
  expect((await device.call('GET', '/api/me')).status).toBe(200)
})

it('data comes from nowhere else, is kept by nobody, and is held against the same rules as pages', async () => {
  const { owner } = salon.devices
  for (const path of ['/api/me', '/api/nothing', '/api/clients/%ff', '/api/shelf']) {
    const { headers } = await owner.call('GET', path)
    expect([path, headers.get('x-content-type-options'), headers.get('cache-control')]).toEqual([
      path,
      'nosniff',
      'no-store',
    ])
    expect(headers.get('content-security-policy')).toMatch(/^default-src '(none|self)'/)
    expect(headers.get('x-request-id')).toMatch(/^[0-9a-f-]{36}$/)
  }
  expect((await owner.call('GET', '/api/clients/%ff')).status).toBe(400)
  expect((await owner.call('GET', '/api/nothing')).status).toBe(404)
})

it('what has run out is taken away, and what has not stays', async () => {
  const { tidy } = await import('@/server/tidy')
  const { rateLimit, verification } = await import('@/db')
  const device = await signInAs(salon.emails.owner)
  const [key, name] = [`spent ${newId()}`, `spent ${newId()}`]
  await database().insert(rateLimit).values({ id: newId(), key, count: 1, lastRequest: 0 })
  const past = new Date(0)
  await database().insert(verification).values({ id: newId(), identifier: name, value: 'x', expiresAt: past })
  const [{ userId }] = (await database().select({ userId: session.userId }).from(session).limit(1)) as [
    { userId: string },
  ]
  await database().insert(session).values({ id: name, userId, token: name, expiresAt: past })
  await tidy()
  expect(await database().select().from(rateLimit).where(eq(rateLimit.key, key))).toEqual([])
  expect(await database().select().from(verification).where(eq(verification.identifier, name))).toEqual([])
  expect(await database().select().from(session).where(eq(session.id, name))).toEqual([])
  expect(await isIn(device)).toBe(true)
})

/** What an authenticator shows now: RFC 6238 over a secret in base 32 (RFC 4648), SHA-1, 30 s, six digits. */
function totp(secret: string): string {
  const bits = [...secret.replace(/=+$/, '')]
    .map((letter) => 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567'.indexOf(letter).toString(2).padStart(5, '0'))
    .join('')
  const key = Buffer.from((bits.match(/.{8}/g) ?? []).map((byte) => parseInt(byte, 2)))
  const counter = Buffer.alloc(8)
  counter.writeBigUInt64BE(BigInt(Math.floor(Date.now() / 30_000)))
  const hash = createHmac('sha1', key).update(counter).digest()
  const at = hash[19]! & 15
  return String((hash.readUInt32BE(at) & 0x7fffffff) % 1_000_000).padStart(6, '0')
}

it('an easy password is refused where it is typed, and the one of before goes on working', async () => {
  const email = salon.emails.colourist
  const device = await signInAs(email)
  const change = (newPassword: string) =>
    device.call('POST', '/api/auth/change-password', { currentPassword: SALON_PASSWORD, newPassword })
  for (const newPassword of ['passwordpassword', email]) {
    const { status, body } = await change(newPassword)
    expect(status).toBe(422)
    expect(body).toMatchObject({
      message: expect.stringContaining('guessed first'),
      problems: [{ path: 'newPassword', message: expect.stringContaining('guessed first') }],
    })
  }
  expect((await change('seventeen loose copper rings')).status).toBe(200)
  await signInAs(email, 'seventeen loose copper rings')
})
