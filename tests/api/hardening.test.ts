import { request } from 'node:http'
import { v7 as newId } from 'uuid'
import type { ClientSummary, FaltoPlan } from '@/core/model'
import { database, inTransaction } from '@/db'
import { BASE_URL, beginRun, deviceOf, newClient, newPlan, servicePlanOf, type Device } from '../support/server'
import { day } from '../support/days'
import { servicePlan } from '../support/samples'

/** What was found under load and in the hands of the careless, and is to stay mended. */
jest.setTimeout(120_000)

let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})
afterAll(() => database().$client.end())

interface Sent {
  method?: string
  headers?: Record<string, string>
  body?: string
}

/** An answer to a request with headers that fetch would not send. */
function ask(
  path: string,
  { method = 'GET', headers = {}, body }: Sent = {},
): Promise<{ status: number; text: string }> {
  return new Promise((resolve, reject) => {
    const sent = request(BASE_URL + path, { method, headers, agent: false }, (response) => {
      let text = ''
      response.on('data', (part) => (text += String(part)))
      response.on('end', () => resolve({ status: response.statusCode!, text }))
    })
    sent.on('error', reject)
    sent.end(body)
  })
}
const json = { 'content-type': 'application/json' }
const demo = (headers: Record<string, string>) =>
  ask('/api/demo/sign-in', { method: 'POST', headers: { ...json, ...headers }, body: '{"staff":"oriel"}' })

describe('People', () => {
  const counted = async (id: string) => {
    const { body } = await oriel.call('GET', '/api/clients?search=Counted')
    const { plans, lastVisitOn } = (body['clients'] as ClientSummary[]).find((client) => client.id === id)!
    return { plans, lastVisitOn }
  }

  it('counts the plans of each client, and takes those of a removed one off the day', async () => {
    const client = await newClient(oriel, `Counted ${newId()}`)
    expect(await counted(client)).toEqual({ plans: 0, lastVisitOn: null })
    const plan = await newPlan(oriel, client)
    await newPlan(oriel, client)
    expect((await counted(client)).plans).toBe(2)
    await oriel.call('DELETE', `/api/plans/${plan}`)
    expect((await counted(client)).plans).toBe(1)
  })

  it('counts no plan that was carried out long ago, as her page lists none, until that visit is withdrawn', async () => {
    const client = await newClient(oriel, `Counted ${newId()}`)
    const plan = await newPlan(oriel, client, { service: 'topAndSides' })
    const plansOnPage = async () =>
      (await oriel.call('GET', `/api/clients/${client}`)).body['plans'] as { id: string }[]
    const { body } = await oriel.call('POST', `/api/plans/${plan}/done`, { on: day(40) })
    expect(await counted(client)).toEqual({ plans: 0, lastVisitOn: day(40) })
    expect(await plansOnPage()).toEqual([])
    await oriel.call('POST', `/api/visits/${String(body['visitId'])}/withdraw`)
    expect(await counted(client)).toEqual({ plans: 1, lastVisitOn: null })
    expect((await plansOnPage()).map(({ id }) => id)).toEqual([plan])
  })

  it('does not remove a client whose visit is going on', async () => {
    const client = await newClient(oriel, 'Going on')
    const plan = await newPlan(oriel, client, { service: 'topAndSides' })
    await beginRun(oriel, plan)
    const refused = await oriel.call('DELETE', `/api/clients/${client}`)
    expect([refused.status, refused.body['error']]).toEqual([409, 'going-on'])
  })
})

describe('connections', () => {
  it('forty visits carried out at once all end, and the server goes on', async () => {
    const plans = await Promise.all(
      Array.from({ length: 40 }, (_, i) => servicePlanOf(oriel, `At once ${i}`, 'topAndSides')),
    )
    const on = day()
    const answers = await Promise.all(plans.map((id) => oriel.call('POST', `/api/plans/${id}/done`, { on })))
    expect(answers.map(({ status }) => status)).toEqual(plans.map(() => 200))
    expect((await oriel.call('GET', '/api/me')).status).toBe(200)
  })

  it('work inside a transaction is not let to ask for a second connection', async () => {
    await expect(inTransaction(async () => database())).rejects.toThrow('Inside a transaction')
  })
})

describe('a visit', () => {
  it('does not begin before its cautions have been looked at by name', async () => {
    const plan = await servicePlanOf(oriel, 'Unlooked', 'onScalpRetouch')
    const entry = { id: newId(), helping: [] }
    const refused = await oriel.call('POST', `/api/plans/${plan}/runs`, entry)
    expect([refused.status, refused.body['error']]).toEqual([422, 'unacknowledged'])
    const cautions = refused.body['cautions'] as { id: string; text: string }[]
    expect(cautions.map(({ id }) => id)).toContain('care-allergyAlert-missing')
    const some = cautions.slice(1).map(({ id }) => ({ cautionId: id, reason: '' }))
    expect((await oriel.call('POST', `/api/plans/${plan}/runs`, { ...entry, acknowledged: some })).status).toBe(422)
    const all = cautions.map(({ id }) => ({ cautionId: id, reason: 'Tested at home' }))
    expect((await oriel.call('POST', `/api/plans/${plan}/runs`, { ...entry, acknowledged: all })).status).toBe(200)
    const { acknowledgements } = (await oriel.call('GET', `/api/plans/${plan}`)).body as {
      acknowledgements: { cautionId: string; by: string; reason: string }[]
    }
    expect(acknowledgements.map(({ cautionId }) => cautionId).sort()).toEqual(cautions.map(({ id }) => id).sort())
    expect(new Set(acknowledgements.map(({ by, reason }) => `${by}: ${reason}`))).toEqual(
      new Set(['Oriel Castellane: Tested at home']),
    )
  })

  it('that passes a label’s time begins only by who may, with a reason, which is kept', async () => {
    const plan = servicePlan('baseUnderFoils')
    plan.hair.lengthCm = 60
    const client = await newClient(oriel, 'Past a label')
    const { body } = await oriel.call('POST', `/api/clients/${client}/imports`, plan)
    const path = `/api/plans/${body['id'] as string}/runs`
    const entry = { id: newId(), helping: [] }
    const refused = await oriel.call('POST', path, entry)
    expect([refused.status, refused.body['error']]).toEqual([422, 'unacknowledged'])
    const cautions = refused.body['cautions'] as { id: string; text: string; needsReason: boolean }[]
    const past = cautions.filter(({ needsReason }) => needsReason)
    expect(past.length).toBeGreaterThan(0)
    expect(past[0]!.text).toMatch(/stays on \d+ min longer at .* than the \d+ min of its label/)
    const with_ = (reason: string) => cautions.map(({ id }) => ({ cautionId: id, reason }))
    const without = await oriel.call('POST', path, { ...entry, acknowledged: with_(' ') })
    expect([without.status, without.body['error']]).toEqual([422, 'unacknowledged'])
    expect(
      (await oriel.call('POST', path, { ...entry, acknowledged: with_('A second pair of hands comes') })).status,
    ).toBe(200)
    const kept = (await oriel.call('GET', `/api/plans/${body['id'] as string}`)).body as {
      acknowledgements: { cautionId: string; reason: string }[]
    }
    expect(kept.acknowledgements.find(({ cautionId }) => cautionId === past[0]!.id)!.reason).toBe(
      'A second pair of hands comes',
    )
  })

  it('its log can only be added to, whoever asks the database', async () => {
    const plan = await servicePlanOf(oriel, 'Only added to', 'topAndSides')
    const run = await beginRun(oriel, plan)
    const event = { id: newId(), kind: 'delayed', deviceId: newId(), deviceSeq: 0, deviceTime: Date.now(), offsetMs: 0 }
    const sent = { events: [{ ...event, value: 5, note: 'Tea' }], after: 0 }
    expect((await oriel.call('POST', `/api/runs/${run}/events`, sent)).status).toBe(200)
    const query = (words: string) => database().$client.query(words, [run])
    await expect(query('delete from run_event where run_id = $1')).rejects.toThrow('only ever added')
    await expect(query("update run_event set kind = 'done' where run_id = $1")).rejects.toThrow('only ever added')
  })
})

describe('a plan', () => {
  it('takes many edits, undos and redos in one go, and keeps what can still be undone', async () => {
    const plan = await newPlan(oriel, await newClient(oriel, 'Many edits'))
    const edit = (name: string) => ({
      id: newId(),
      kind: 'edit',
      label: name,
      patches: [{ op: 'replace', path: ['name'], value: name }],
    })
    const back = (kind: 'undo' | 'redo', { id: target }: { id: string }) => ({
      id: newId(),
      kind,
      label: kind,
      target,
      patches: [],
    })
    const [a, b, c, d] = [edit('A'), edit('B'), edit('C'), edit('D')]
    const send = (baseRevision: number, operations: object[]) =>
      oriel.call('POST', `/api/plans/${plan}/operations`, { baseRevision, operations })
    const history = async () => {
      const { document, history: kept } = (await oriel.call('GET', `/api/plans/${plan}`)).body as unknown as {
        document: FaltoPlan
        history: { undo: { label: string }[]; redo: { label: string }[] }
      }
      const labels = (edits: { label: string }[]) => edits.map(({ label }) => label)
      return [document.name, labels(kept.undo), labels(kept.redo)]
    }
    expect((await send(0, [a, b, c])).status).toBe(200)
    expect(await history()).toEqual(['C', ['A', 'B', 'C'], []])
    // Back twice, forward once, back once: B and C can be done again.
    expect((await send(3, [back('undo', c), back('undo', b), back('redo', b), back('undo', b)])).status).toBe(200)
    expect(await history()).toEqual(['A', ['A'], ['B', 'C']])
    // What is undone and followed by something new is gone.
    expect((await send(7, [back('redo', b), d, back('undo', d)])).status).toBe(200)
    expect(await history()).toEqual(['B', ['A', 'B'], ['D']])
    const refused = await send(10, [back('redo', c)])
    expect([refused.status, refused.body['error']]).toEqual([422, 'nothing-to-undo'])
  })
})

describe('a care check', () => {
  it('sent twice counts once; something else under its id is refused and not taken for kept', async () => {
    const client = await newClient(oriel, 'Sent twice')
    const path = `/api/clients/${client}/care/checks`
    const check = { id: newId(), kind: 'allergyAlert', on: '2026-01-10', result: 'clear', product: '', note: '' }
    expect((await oriel.call('POST', path, check)).status).toBe(200)
    expect((await oriel.call('POST', path, check)).status).toBe(200)
    const refused = await oriel.call('POST', path, { ...check, result: 'concern' })
    expect([refused.status, refused.body['error']]).toEqual([409, 'id-taken'])
    const { checks } = (await oriel.call('GET', `/api/clients/${client}/care`)).body as {
      checks: { result: string }[]
    }
    expect(checks.map(({ result }) => result)).toEqual(['clear'])
  })
})

describe('strangers', () => {
  it('an entry of 160,000 fields is refused before anything works on it', async () => {
    const fields = Object.fromEntries(Array.from({ length: 160_000 }, (_, i) => [`k${i}`, 1]))
    const refused = await ask('/api/demo/sign-in', { method: 'POST', headers: json, body: JSON.stringify(fields) })
    expect(refused.status).toBe(422)
    expect(refused.text).toContain('160000 fields')
    const large = await ask('/api/auth/sign-in/email', { method: 'POST', headers: json, body: JSON.stringify(fields) })
    expect(large.status).toBe(413)
  })

  it.each([
    ['nested too deep', `{"staff":${'['.repeat(3000)}${']'.repeat(3000)}}`],
    ['a NUL', '{"staff":"or\\u0000iel"}'],
    ['a reserved name', '{"staff":"oriel","constructor":{"prototype":{}}}'],
    ['a list', '[[]]'],
  ])('%s is refused with words', async (_what, body) => {
    expect((await ask('/api/demo/sign-in', { method: 'POST', headers: json, body })).status).toBe(422)
  })

  it('Falto answers to its own names only', async () => {
    const rebound = await ask('/sign-in', { headers: { host: 'salon.example:4310' } })
    expect([rebound.status, JSON.parse(rebound.text).error]).toEqual([421, 'wrong-host'])
    expect((await ask('/sign-in', { headers: { host: 'localhost:4310' } })).status).toBe(200)
  })

  it('another site cannot have anything done', async () => {
    expect((await demo({ origin: 'http://salon.example' })).status).toBe(403)
    expect((await demo({ origin: 'null' })).status).toBe(403)
    expect((await demo({ origin: BASE_URL })).status).toBe(200)
  })

  it('nobody comes into the demo with one tap from the network', async () => {
    expect((await demo({ 'x-forwarded-for': '192.0.2.7' })).status).toBe(404)
    const page = await ask('/sign-in', { headers: { 'x-forwarded-for': '192.0.2.7' } })
    expect(page.text).not.toContain('Oriel Castellane')
    expect((await ask('/sign-in')).text).toContain('Oriel Castellane')
  })
})
