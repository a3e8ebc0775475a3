import { v7 as newId } from 'uuid'
import type { FaltoPlan } from '@/core/model'

/** The Falto that ./falto test has started for the api and e2e tests. */
export const BASE_URL = process.env['FALTO_TEST_URL'] ?? ''
if (!BASE_URL) throw new Error('These tests need a running Falto. Run them with: ./falto test api e2e')

/**
 * A connection is not used twice: while a test file loads, the server ends idle ones, and the next call would meet a
 * closed one.
 */
export const ONE_CALL = { connection: 'close' }
/** From here on, characters, an answer may come before everything was sent, and a connection closed then loses it. */
const LARGE = 1_000_000

export interface Answer {
  status: number
  body: { [key: string]: unknown }
  headers: Headers
}

/** A signed-in device of one member of staff. */
export interface Device {
  cookie: string
  call: (method: string, path: string, body?: unknown) => Promise<Answer>
}

export async function call(method: string, path: string, body?: unknown, cookie = ''): Promise<Answer> {
  const sent = typeof body === 'string' || body === undefined ? body : JSON.stringify(body)
  const response = await fetch(`${BASE_URL}${path}`, {
    method,
    redirect: 'manual',
    headers: {
      cookie,
      origin: BASE_URL,
      ...((sent?.length ?? 0) < LARGE && ONE_CALL),
      ...(body !== undefined && { 'content-type': 'application/json' }),
    },
    ...(body !== undefined && { body: sent }),
  })
  const text = await response.text()
  const isJson = response.headers.get('content-type')?.startsWith('application/json')
  return { status: response.status, body: isJson ? JSON.parse(text) : { text }, headers: response.headers }
}

/** Signs in as one of the demo staff: oriel (owner), bram (colourist), tove (assistant), juno (apprentice). */
export async function deviceOf(staff: string): Promise<Device> {
  const answer = await call('POST', '/api/demo/sign-in', { staff })
  if (answer.status !== 200) throw new Error(`Demo sign-in failed: ${JSON.stringify(answer.body)}`)
  return deviceWith(answer)
}

/** Cookies that an answer sets, as the next request sends them. */
export const cookieOf = ({ headers }: Pick<Answer, 'headers'>): string =>
  headers
    .getSetCookie()
    .map((line) => line.split(';')[0])
    .join('; ')

/** Whoever was signed in by an answer. */
export function deviceWith(answer: Pick<Answer, 'headers'>): Device {
  const cookie = cookieOf(answer)
  return { cookie, call: (method, path, body) => call(method, path, body, cookie) }
}

/** A client of its own for a test, so that tests do not meet. */
export async function newClient(device: Device, name: string): Promise<string> {
  const { MEDIUM_HAIR } = await import('./plan')
  const answer = await device.call('POST', '/api/clients', {
    name,
    note: '',
    head: { circumferenceCm: 54 },
    hair: MEDIUM_HAIR,
  })
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body))
  return String(answer.body['id'])
}

export async function newPlan(device: Device, clientId: string, wanted: object = {}): Promise<string> {
  const entry = { name: 'Test plan', template: 'fourQuadrants', ...wanted }
  const answer = await device.call('POST', `/api/clients/${clientId}/plans`, entry)
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body))
  return String(answer.body['id'])
}

/** A plan of a kind of service, of a client of its own. */
export async function servicePlanOf(device: Device, name: string, service: string): Promise<string> {
  return newPlan(device, await newClient(device, name), { name, service })
}

/** A plan as the server holds it. */
export const exported = async (device: Device, planId: string): Promise<FaltoPlan> =>
  (await device.call('GET', `/api/plans/${planId}/export`)).body as unknown as FaltoPlan

/** Begins a visit as somebody does who looks at every caution first. @returns its id */
export async function beginRun(device: Device, planId: string, wanted: object = {}): Promise<string> {
  const entry = { id: newId(), helping: ['assistant'], ...wanted }
  const path = `/api/plans/${planId}/runs`
  const asked = await device.call('POST', path, entry)
  if (asked.status === 200) return entry.id
  const cautions = (asked.body['cautions'] ?? []) as { id: string }[]
  const acknowledged = cautions.map(({ id }) => ({ cautionId: id, reason: 'looked at in a test' }))
  const answer = await device.call('POST', path, { ...entry, acknowledged })
  if (answer.status !== 200) throw new Error(JSON.stringify(answer.body))
  return entry.id
}
