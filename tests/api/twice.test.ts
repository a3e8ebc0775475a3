import { v7 as newId } from 'uuid'
import type { ShelfItem } from '@/core/model'
import { deviceOf, newClient, type Device } from '../support/server'
import { MEDIUM_HAIR } from '../support/plan'
import { productOf } from '../support/shelf'

/** What a device sends again because the answer was lost, also while the first is still being worked on. */
let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})

const sent = (path: string, entry: object, times: number) =>
  Promise.all(Array.from({ length: times }, () => oriel.call('POST', path, entry)))
const statuses = (answers: { status: number }[]) => [...new Set(answers.map(({ status }) => status))]

it('a delivery counts once, and is refused as another one under its id', async () => {
  const productId = `twice-${newId().slice(-6)}`
  await oriel.call('PUT', '/api/products', { item: productOf(productId) })
  const delivery = { id: newId(), productId, grams: 120, lot: 'one' }
  expect(statuses(await sent('/api/shelf/deliveries', delivery, 8))).toEqual([200])
  for (const change of [{ grams: 90 }, { lot: 'two' }])
    expect((await oriel.call('POST', '/api/shelf/deliveries', { ...delivery, ...change })).status).toBe(409)
  expect((await oriel.call('POST', '/api/shelf/deliveries', { ...delivery, id: 'x' })).status).toBe(422)
  await sent('/api/shelf/deliveries', { ...delivery, id: newId() }, 1)
  const { items } = (await oriel.call('GET', '/api/shelf')).body as unknown as { items: ShelfItem[] }
  expect(items.find(({ item }) => item.id === productId)).toMatchObject({ grams: 240, lots: [{ lot: 'one' }] })
})

it('a client is added once', async () => {
  const id = newId()
  const name = `Twice ${id.slice(-6)}`
  const entry = { id, name, note: '', head: { circumferenceCm: 54 }, hair: MEDIUM_HAIR }
  const answers = await sent('/api/clients', entry, 4)
  expect(answers.map(({ status, body }) => [status, body['id']])).toEqual(Array.from({ length: 4 }, () => [200, id]))
  expect((await oriel.call('POST', '/api/clients', { ...entry, name: 'Another' })).status).toBe(409)
  expect((await oriel.call('GET', `/api/clients?search=${name}`)).body['clients']).toHaveLength(1)
})

it('a plan is made once, and keeps what was done to it meanwhile', async () => {
  const clientId = await newClient(oriel, 'Planned twice')
  const path = `/api/clients/${clientId}/plans`
  const entry = { id: newId(), name: 'Once', template: 'fourQuadrants' }
  expect(statuses(await sent(path, entry, 4))).toEqual([200])
  const patches = [{ op: 'replace', path: ['name'], value: 'Renamed' }]
  const operations = [{ id: newId(), kind: 'edit', label: 'Renamed', patches }]
  await oriel.call('POST', `/api/plans/${entry.id}/operations`, { baseRevision: 0, operations })
  expect(statuses(await sent(path, entry, 1))).toEqual([200])
  const { plans } = (await oriel.call('GET', `/api/clients/${clientId}`)).body as { plans: { name: string }[] }
  expect(plans.map(({ name }) => name)).toEqual(['Renamed'])
  const other = await newClient(oriel, 'Somebody else')
  expect((await oriel.call('POST', `/api/clients/${other}/plans`, entry)).status).toBe(409)
})
