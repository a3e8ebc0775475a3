import { eq } from 'drizzle-orm'
import { database, session, sharedTablet } from '@/db'
import { tidy } from '@/server/tidy'
import type { StaffRole } from '@/core/model'
import { call, cookieOf, type Answer, type Device } from '../support/server'
import { closeDatabase, newSalon, SALON_PASSWORD, signInAs, type TestSalon } from '../support/salon'

/** Tablets that are shared: who gets in by a PIN, where, and for how long. */
jest.setTimeout(120_000)

let salon: TestSalon
let ids: Record<StaffRole, string>
beforeAll(async () => {
  salon = await newSalon()
  const { members } = (await salon.devices.owner.call('GET', '/api/team')).body as {
    members: { id: string; role: StaffRole }[]
  }
  ids = Object.fromEntries(members.map(({ id, role }) => [role, id])) as typeof ids
})
afterAll(closeDatabase)

const PINS = { owner: '48151', colourist: '6237' } as const

/** A device that the owner has shared, as its cookies say it. */
async function tablet(): Promise<{ id: string; word: string; device: Device }> {
  const device = await signInAs(salon.emails.owner)
  const shared = await device.call('POST', '/api/tablets', { name: 'Basin', lockAfterMin: 2 })
  expect(shared.status).toBe(200)
  expect(shared.headers.get('set-cookie')).toMatch(/HttpOnly; SameSite=Lax/)
  return { id: String(shared.body['id']), word: cookieOf(shared), device }
}

const takesOver = (word: string, staffId: string, pin: string): Promise<Answer> =>
  call('POST', '/api/tablet', { staffId, pin }, word)
/** Half of how long a session is remembered: by itself it would not be forgotten so soon, ms. */
const TOLD_MS = 5000
/** Waits until the database has told that a session is over. */
async function isOut({ cookie }: Device): Promise<void> {
  const since = performance.now()
  while (await who(cookie)) expect(performance.now() - since).toBeLessThan(TOLD_MS)
}
const who = async (cookie: string): Promise<unknown> => (await call('GET', '/api/me', undefined, cookie)).body['name']

describe('a PIN', () => {
  it('is chosen by who knows her password, and none of those that are tried first', async () => {
    const { owner, colourist } = salon.devices
    const chosen = async (device: Device, password: string, pin: string) => {
      const { status, body } = await device.call('PUT', '/api/account/pin', { password, pin })
      return [status, (body['problems'] as { path: string }[] | undefined)?.map(({ path }) => path)]
    }
    expect(await chosen(owner, 'not her password', PINS.owner)).toEqual([422, ['password']])
    for (const easy of ['1111', '1234', '87654', '7890', '12', '123456789', 'abcd'])
      expect([easy, ...(await chosen(owner, SALON_PASSWORD, easy))]).toEqual([easy, 422, ['pin']])
    expect(await chosen(owner, SALON_PASSWORD, PINS.owner)).toEqual([200, undefined])
    expect(await chosen(colourist, SALON_PASSWORD, PINS.colourist)).toEqual([200, undefined])
  })

  it('lets its owner take a shared tablet over, and whoever was there is out', async () => {
    const { word, device } = await tablet()
    const { body } = await call('GET', '/api/tablet', undefined, word)
    expect(body['people']).toEqual([
      { id: ids.colourist, name: 'The colourist', role: 'colourist' },
      { id: ids.owner, name: 'The owner', role: 'owner' },
    ])
    const taken = await takesOver(`${device.cookie}; ${word}`, ids.colourist, PINS.colourist)
    expect(taken.status).toBe(200)
    expect(await who(cookieOf(taken))).toBe('The colourist')
    expect(await who(device.cookie)).toBeUndefined()
  })

  it('is nothing without the tablet, for somebody else, or for who has none', async () => {
    const { word } = await tablet()
    expect((await takesOver('', ids.colourist, PINS.colourist)).status).toBe(404)
    expect((await takesOver('falto.tablet=made-up', ids.colourist, PINS.colourist)).status).toBe(404)
    expect((await call('GET', '/api/tablet')).body).toEqual({ tablet: null, people: [] })
    for (const [staffId, pin] of [
      [ids.owner, PINS.colourist],
      [ids.assistant, PINS.colourist],
      ['0190b1c4-0000-7000-8000-000000000000', PINS.colourist],
    ] as const)
      expect((await takesOver(word, staffId, pin)).status).toBe(422)
    const other = await newSalon()
    const elsewhere = await signInAs(other.emails.owner)
    const theirs = cookieOf(await elsewhere.call('POST', '/api/tablets', { name: 'Theirs', lockAfterMin: 2 }))
    expect((await takesOver(theirs, ids.colourist, PINS.colourist)).status).toBe(422)
    expect((await elsewhere.call('DELETE', `/api/tablets/${(await tablet()).id}`)).status).toBe(404)
  })

  it('cannot be guessed: after five wrong ones the right one waits too', async () => {
    const { word } = await tablet()
    const tries = await Promise.all(
      ['0007', '0013', '0024', '0035', '0046', '0057', '0068'].map((pin) => takesOver(word, ids.owner, pin)),
    )
    expect(new Set(tries.map(({ status }) => status))).toEqual(new Set([422, 429]))
    const right = await takesOver(word, ids.owner, PINS.owner)
    expect([right.status, right.body['message']]).toEqual([429, expect.stringContaining('Too many wrong PINs')])
    // Another's PIN is hers still.
    expect((await takesOver(word, ids.colourist, PINS.colourist)).status).toBe(200)
  })

  it('is taken away', async () => {
    const { word } = await tablet()
    expect((await salon.devices.colourist.call('DELETE', '/api/account/pin')).status).toBe(200)
    expect((await takesOver(word, ids.colourist, PINS.colourist)).status).toBe(422)
  })
})

describe('a shared tablet', () => {
  it('locks itself under whoever signs in on it, by a password too', async () => {
    const { id, word } = await tablet()
    const entry = { email: salon.emails.assistant, password: SALON_PASSWORD }
    const signedIn = cookieOf(await call('POST', '/api/auth/sign-in/email', entry, word))
    const { body } = await call('GET', '/api/me', undefined, signedIn)
    expect(body['tablet']).toEqual({ id, lockAfterMin: 2 })
    expect((await salon.devices.assistant.call('GET', '/api/me')).body['tablet']).toBeNull()
  })

  it('is shared no more: everybody on it is out, and no PIN opens it', async () => {
    const { id, word, device } = await tablet()
    expect(await who(device.cookie)).toBe('The owner')
    expect((await salon.devices.owner.call('DELETE', `/api/tablets/${id}`)).status).toBe(200)
    await isOut(device)
    expect((await takesOver(word, ids.owner, PINS.owner)).status).toBe(404)
  })

  it('goes quiet by itself after half a year', async () => {
    const { id, word, device } = await tablet()
    await database()
      .update(sharedTablet)
      .set({ expiresAt: new Date(Date.now() - 1000) })
      .where(eq(sharedTablet.id, id))
    expect((await takesOver(word, ids.owner, PINS.owner)).status).toBe(404)
    await tidy()
    expect(await database().select().from(sharedTablet).where(eq(sharedTablet.id, id))).toEqual([])
    expect(await database().select().from(session).where(eq(session.tabletId, id))).toEqual([])
    await isOut(device)
  })

  it('is shared by owners only', async () => {
    const refused = await salon.devices.colourist.call('POST', '/api/tablets', { name: 'Mine', lockAfterMin: 5 })
    expect(refused.status).toBe(403)
    const wrong = await salon.devices.owner.call('POST', '/api/tablets', { name: '', lockAfterMin: 0.5 })
    expect((wrong.body['problems'] as { path: string }[]).map(({ path }) => path).sort()).toEqual([
      'lockAfterMin',
      'name',
    ])
  })
})
