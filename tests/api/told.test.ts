import Ajv from 'ajv'
import { readFileSync } from 'node:fs'
import sharp from 'sharp'
import { v7 as newId } from 'uuid'
import type { Formula } from '@/core/model'
import type { LoggedVisit, OpenVisit, Outbox } from '@/core/record/visit'
import { BASE_URL, deviceOf, newClient, ONE_CALL, type Device } from '../support/server'
import { planMixing, productOf } from '../support/shelf'

jest.setTimeout(60_000)

let oriel: Device
let tove: Device
beforeAll(async () => {
  ;[oriel, tove] = (await Promise.all(['oriel', 'tove'].map(deviceOf))) as [Device, Device]
})

const TODAY = new Date().toISOString().slice(0, 10)
const openOf = async (id: string) => (await oriel.call('GET', `/api/visits/${id}/export`)).body as unknown as OpenVisit
const logged = async (words: string) =>
  (await oriel.call('GET', `/api/visits?words=${encodeURIComponent(words)}`)).body['visits'] as LoggedVisit[]

/** What somebody would tell of a visit: as drafted, with grams to the first formula. */
async function toldOf(clientId: string, changes: object = {}) {
  const { body } = await oriel.call('GET', `/api/clients/${clientId}/visits?service=shadowAndMelt`)
  const drafted = (body['formulas'] as Formula[]).map(({ productId, developerVol, level, tone }) => ({
    ...{ productId, developerVol, level, tone },
  }))
  const formulas = drafted.map((formula, i) => (i === 0 ? { ...formula, level: 6, grams: 41, left: 3.5 } : formula))
  return { on: TODAY, service: 'shadowAndMelt', name: 'From the card', minutes: 155, formulas, change: '', ...changes }
}
const enter = (clientId: string, told: object, device = oriel) =>
  device.call('POST', `/api/clients/${clientId}/visits`, told)

describe('a visit that is told afterwards', () => {
  it('is a page with what was mixed and how long it took, and teaches nothing', async () => {
    const clientId = await newClient(oriel, 'Told')
    const { status, body } = await enter(clientId, await toldOf(clientId, { change: 'Start at the sides' }))
    expect(status).toBe(200)
    const visit = await openOf(String(body['visitId']))
    expect(visit).toMatchObject({ wasTold: true, withdrawn: null, client: { name: 'Told' }, runId: null })
    expect(visit.summary).toMatchObject({ name: 'From the card', jobs: [] })
    expect(visit.summary.minutes.took).toBe(155)
    expect(visit.summary.minutes.planned).toBeGreaterThan(30)
    expect(visit.summary.formulas[0]).toMatchObject({ level: 6, weighed: 41, left: 3.5 })
    expect(visit.reviews).toMatchObject([{ change: 'Start at the sides', own: true }])
    expect(visit.lots).toEqual([])
    expect(visit.hair).not.toBeNull()
  })

  it('is entered whatever else is entered of her at the same moment', async () => {
    const clientId = await newClient(oriel, 'Told at once')
    const told = await toldOf(clientId)
    const entered = await Promise.all(
      Array.from({ length: 8 }, (_, i) => enter(clientId, { ...told, change: i % 2 ? 'Again' : '' })),
    )
    expect(entered.map(({ status }) => status)).toEqual(entered.map(() => 200))
    expect(await logged('Told at once')).toHaveLength(8)
  })

  it('may lie before the newest record, which stays', async () => {
    const clientId = await newClient(oriel, 'Told late')
    await enter(clientId, await toldOf(clientId))
    const before = (await oriel.call('GET', `/api/clients/${clientId}/consultation`)).body
    const { status, body } = await enter(clientId, await toldOf(clientId, { on: '2025-03-01' }))
    expect(status).toBe(200)
    expect((await openOf(String(body['visitId']))).on).toBe('2025-03-01')
    const after = (await oriel.call('GET', `/api/clients/${clientId}/consultation`)).body
    expect([after['latest'], after['history']]).toEqual([before['latest'], before['history']])
  })

  it('is refused at the field, and leaves nothing', async () => {
    const clientId = await newClient(oriel, 'Told wrongly')
    const told = await toldOf(clientId)
    const first = told.formulas[0]!
    const wrong: [object, string][] = [
      [{ ...told, on: '2999-01-01' }, 'on'],
      [{ ...told, service: 'magic' }, 'service'],
      [{ ...told, minutes: 0 }, 'minutes'],
      [{ ...told, formulas: [{ ...first, productId: 'nothing' }] }, 'formulas[0].productId'],
      [{ ...told, formulas: [{ ...first, grams: 2, left: 3 }] }, 'formulas[0].left'],
      [{ ...told, change: 'x'.repeat(50_000) }, 'change'],
    ]
    for (const [entry, path] of wrong)
      expect(await enter(clientId, entry)).toMatchObject({ status: 422, body: { problems: [{ path }] } })
    expect((await enter(clientId, told, tove)).status).toBe(403)
    const { body } = await oriel.call('GET', `/api/clients/${clientId}`)
    expect([body['visits'], body['plans']]).toEqual([[], []])
  })

  it('matches the published schema, and has a sheet and a day for the calendar', async () => {
    const clientId = await newClient(oriel, 'Told and saved')
    const id = String((await enter(clientId, await toldOf(clientId))).body['visitId'])
    const schema = JSON.parse(readFileSync('docs/schema/falto-visit-1.schema.json', 'utf8')) as object
    const matches = new Ajv({ allErrors: true, strict: false }).compile(schema)
    const visit = await openOf(id)
    matches(visit)
    expect(matches.errors).toBeNull()
    expect(matches({ ...visit, on: 7 })).toBe(false)
    const sheet = await oriel.call('GET', `/api/visits/${id}/document`)
    expect(String(sheet.body['text']).startsWith('%PDF')).toBe(true)
    const { text } = (await oriel.call('GET', `/api/visits/${id}/calendar`)).body as { text: string }
    expect(text).toContain(`DTSTART;VALUE=DATE:${visit.summary.upkeep.next.from.replaceAll('-', '')}`)
  })

  it('tells what was left of its bowls later', async () => {
    const clientId = await newClient(oriel, 'Told again')
    const id = String((await enter(clientId, await toldOf(clientId))).body['visitId'])
    const [bowl] = (await openOf(id)).bowls
    expect((await oriel.call('POST', `/api/visits/${id}/bowls/${bowl!.id}`, { grams: 9 })).status).toBe(200)
    expect((await openOf(id)).summary.formulas[0]!.left).toBe(9)
    expect((await oriel.call('POST', `/api/visits/${id}/bowls/${newId()}`, { grams: 9 })).status).toBe(404)
  })
})

describe('a visit that is taken back', () => {
  const stockOf = async (productId: string) => {
    const { items } = (await oriel.call('GET', '/api/shelf')).body as unknown as {
      items: { item: { id: string }; grams: number }[]
    }
    return items.find(({ item }) => item.id === productId)!.grams
  }

  it('counts no more, gives back what it took, and can count again', async () => {
    const name = `Back ${newId().slice(-6)}`
    const clientId = await newClient(oriel, name)
    const productId = `back-${newId().slice(-6)}`
    await oriel.call('PUT', '/api/products', { item: productOf(productId) })
    await oriel.call('POST', '/api/shelf/deliveries', { productId, grams: 100, lot: 'only' })
    const planId = await planMixing(oriel, clientId, productId)
    const before = await stockOf(productId)
    const mixId = newId()
    const planned = [{ name: 'Lightener', productId, role: 'product', grams: 20 }]
    await oriel.call('POST', `/api/plans/${planId}/mixes`, { id: mixId, formulaId: 'A', bowl: 1, planned })
    const pour = { id: newId(), kind: 'poured', line: 0, grams: 20, source: 'typed' }
    await oriel.call('POST', `/api/mixes/${mixId}/pours`, { events: [pour], end: 'done' })
    const id = String((await oriel.call('POST', `/api/plans/${planId}/done`, { on: TODAY })).body['visitId'])
    expect(await stockOf(productId)).toBeCloseTo(before - 20, 6)
    expect(await logged(name)).toHaveLength(1)

    expect((await tove.call('POST', `/api/visits/${id}/withdraw`)).status).toBe(403)
    for (let twice = 0; twice < 2; twice++)
      expect((await oriel.call('POST', `/api/visits/${id}/withdraw`)).status).toBe(200)
    expect(await stockOf(productId)).toBeCloseTo(before, 6)
    expect(await logged(name)).toEqual([])
    expect((await openOf(id)).withdrawn).toMatchObject({ by: 'Oriel Castellane' })
    expect((await oriel.call('GET', `/api/clients/${clientId}`)).body['visits']).toEqual([])

    await oriel.call('DELETE', `/api/visits/${id}/withdraw`)
    expect(await stockOf(productId)).toBeCloseTo(before - 20, 6)
    expect(await logged(name)).toHaveLength(1)
  })
})

describe('pictures of a visit', () => {
  it('stand with their visit, their moment and their side, and with no other client’s', async () => {
    const clientId = await newClient(oriel, 'Pictured')
    const id = String((await enter(clientId, await toldOf(clientId))).body['visitId'])
    const bytes = await sharp({ create: { width: 30, height: 40, channels: 3, background: '#777' } })
      .png()
      .toBuffer()
    const send = async (owner: string, of: Record<string, string>) => {
      const query = new URLSearchParams({ name: 'After.png', ...of }).toString()
      const response = await fetch(`${BASE_URL}/api/clients/${owner}/pictures?${query}`, {
        method: 'POST',
        headers: { cookie: oriel.cookie, origin: BASE_URL, ...ONE_CALL },
        body: new Uint8Array(bytes),
      })
      return response.status
    }
    const of = { visitId: id, moment: 'after', side: 'left' }
    expect(await send(clientId, of)).toBe(200)
    expect((await openOf(id)).pictures).toMatchObject([{ name: 'After.png', of }])
    expect(await send(await newClient(oriel, 'Another'), of)).toBe(422)
    expect(await send(clientId, { ...of, side: 'under' })).toBe(422)
  })
})

describe('the outbox', () => {
  const outbox = async () => (await oriel.call('GET', '/api/messages')).body as unknown as Outbox

  it('keeps what is written, says what went out, and sends nothing', async () => {
    const clientId = await newClient(oriel, 'Written to')
    const message = { id: newId(), clientId, kind: 'due', text: 'Come again?' }
    for (let twice = 0; twice < 2; twice++) await oriel.call('POST', '/api/messages', message)
    const own = async () => (await outbox()).messages.filter(({ client }) => client.id === clientId)
    expect(await own()).toMatchObject([{ kind: 'due', text: 'Come again?', sentAt: null }])
    await oriel.call('PATCH', `/api/messages/${message.id}`, { sent: true })
    expect((await own())[0]!.sentAt).not.toBeNull()
    await oriel.call('DELETE', `/api/messages/${message.id}`)
    expect(await own()).toEqual([])
    expect((await oriel.call('DELETE', `/api/messages/${message.id}`)).status).toBe(404)
  })

  it('refuses empty words, unknown clients and braces that name nothing', async () => {
    const clientId = await newClient(oriel, 'Not written to')
    const write = (changes: object) =>
      oriel.call('POST', '/api/messages', { id: newId(), clientId, kind: 'due', text: 'x', ...changes })
    expect(await write({ text: ' ' })).toMatchObject({ status: 422, body: { problems: [{ path: 'text' }] } })
    expect((await write({ clientId: newId() })).status).toBe(404)
    expect((await write({ kind: 'advert' })).status).toBe(422)
    const words = (text: string, device = oriel) =>
      device.call('PUT', '/api/messages/templates', { kind: 'gloss', text })
    expect(await words('Dear {nobody}')).toMatchObject({ status: 422, body: { problems: [{ path: 'text' }] } })
    expect((await words('Hello {name}', tove)).status).toBe(403)
    expect((await words('Hello {name}, {from}')).status).toBe(200)
    expect((await outbox()).templates.gloss).toBe('Hello {name}, {from}')
  })
})
