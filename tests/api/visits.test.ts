import { v7 as newId } from 'uuid'
import type { FaltoPlan, OpenRun, RunEvent } from '@/core/model'
import type { OpenVisit } from '@/core/record/visit'
import type { RunScript } from '@/core/time/run'
import { beginRun, deviceOf, exported, servicePlanOf, type Device } from '../support/server'

jest.setTimeout(60_000)

let oriel: Device
let tove: Device
let juno: Device
beforeAll(async () => {
  ;[oriel, tove, juno] = (await Promise.all(['oriel', 'tove', 'juno'].map(deviceOf))) as [Device, Device, Device]
})

const openOf = async (device: Device, id: string) =>
  (await device.call('GET', `/api/visits/${id}/export`)).body as unknown as OpenVisit

/** A visit that was mixed, carried out, ended and put into the record. */
async function recorded(name: string): Promise<{ visitId: string; planId: string; mixId: string }> {
  const planId = await servicePlanOf(oriel, name, 'hairlineAndPart')
  const plan = await exported(oriel, planId)
  const mixId = newId()
  const productId = plan.formulas[0]!.productId
  const planned = [{ name: 'Lightener', productId, role: 'product', grams: 30 }]
  await oriel.call('POST', `/api/plans/${planId}/mixes`, { id: mixId, formulaId: 'A', bowl: 1, planned })
  const pour = { id: newId(), kind: 'poured', line: 0, grams: 33, source: 'typed' }
  await oriel.call('POST', `/api/mixes/${mixId}/pours`, { events: [pour], end: 'done' })
  const runId = await beginRun(oriel, planId)
  const { script } = (await oriel.call('GET', `/api/runs/${runId}`)).body as unknown as OpenRun<RunScript>
  const begun = Date.now()
  const told = (kind: RunEvent['kind'], seconds: number, rest: Partial<RunEvent> = {}) => ({
    id: newId(),
    kind,
    deviceId: newId(),
    deviceSeq: 0,
    deviceTime: begun + 1000 * seconds,
    offsetMs: 0,
    ...rest,
  })
  const events = [
    ...script.steps.flatMap(({ id, start, seconds }) => [
      told('begun', start, { stepId: id }),
      told('done', start + seconds, { stepId: id }),
    ]),
    told('incident', 600, { stepId: script.steps.find(({ kind }) => kind === 'apply')!.id, incident: 'slipped' }),
    told('ended', 20_000),
  ]
  expect((await oriel.call('POST', `/api/runs/${runId}/events`, { events, after: 0 })).status).toBe(200)
  const on = new Date().toISOString().slice(0, 10)
  const { status, body } = await oriel.call('POST', `/api/runs/${runId}/hair`, { on, levels: [] })
  expect(status).toBe(200)
  return { visitId: String(body['visitId']), planId, mixId }
}

describe('a visit in the record', () => {
  it('has what was planned beside what was done', async () => {
    const { visitId, planId } = await recorded('Remembered')
    const visit = await openOf(oriel, visitId)
    expect(visit).toMatchObject({
      format: 'falto-visit',
      planId,
      by: 'Oriel Castellane',
      client: { name: 'Remembered' },
    })
    const { summary } = visit
    expect(summary.minutes.took).toBe(summary.minutes.planned)
    expect(summary.formulas.find(({ id }) => id === 'A')).toMatchObject({ weighed: 33, left: null })
    expect(summary.incidents).toMatchObject([{ incident: 'slipped', minute: 10 }])
    expect(visit.lots.reduce((sum, { grams }) => sum + grams, 0)).toBeCloseTo(33, 6)
    expect(visit.hair).not.toBeNull()
  })

  it('is put into the record once', async () => {
    const { visitId } = await recorded('Only once')
    const { runId } = await openOf(oriel, visitId)
    const on = new Date().toISOString().slice(0, 10)
    expect((await oriel.call('POST', `/api/runs/${runId}/hair`, { on, levels: [] })).status).toBe(409)
  })

  it('learns what was used as soon as it is told what was left', async () => {
    const { visitId, mixId } = await recorded('Left over')
    const loads = async () => (await openOf(oriel, visitId)).summary.jobs.filter(({ of }) => of === 'load')
    expect(await loads()).toEqual([])
    expect((await tove.call('POST', `/api/visits/${visitId}/bowls/${mixId}`, { grams: 5 })).status).toBe(200)
    expect((await openOf(oriel, visitId)).summary.formulas.find(({ id }) => id === 'A')!.left).toBe(5)
    expect(await loads()).toHaveLength(1)
  })

  it('refuses what cannot have been left, and bowls of another plan', async () => {
    const { visitId } = await recorded('Refused')
    const other = await recorded('Refused, other')
    const tell = (mixId: string, grams: unknown) =>
      oriel.call('POST', `/api/visits/${visitId}/bowls/${mixId}`, { grams })
    expect(await tell(other.mixId, 5)).toMatchObject({ status: 404 })
    expect(await tell(other.mixId, -1)).toMatchObject({ status: 422, body: { problems: [{ path: 'grams' }] } })
    expect((await juno.call('POST', `/api/visits/${visitId}/bowls/${other.mixId}`, { grams: 1 })).status).toBe(403)
  })

  it('is not there for somebody without a session, nor under an id that is none', async () => {
    expect((await oriel.call('GET', '/api/visits/nothing/export')).status).toBe(404)
    expect((await oriel.call('GET', `/api/visits/${newId()}/export`)).status).toBe(404)
    const { visitId } = await recorded('Private')
    expect((await (await import('../support/server')).call('GET', `/api/visits/${visitId}/export`)).status).toBe(401)
  })
})

describe('looking back', () => {
  const words = { worked: 'Fine stitches', change: 'Begin at the nape', why: 'It sat longest', shared: false }

  it('keeps one’s own words, and shows others only what is shared', async () => {
    const { visitId } = await recorded('Looked back on')
    const save = (device: Device, review: object) => device.call('POST', `/api/visits/${visitId}/review`, review)
    expect((await save(oriel, words)).status).toBe(200)
    expect((await openOf(oriel, visitId)).reviews).toMatchObject([{ ...words, own: true }])
    expect((await openOf(tove, visitId)).reviews).toEqual([])
    await save(oriel, { ...words, shared: true, change: 'Begin at the nape, later' })
    expect((await openOf(tove, visitId)).reviews).toMatchObject([{ change: 'Begin at the nape, later', own: false }])
    const { visits } = (await oriel.call('GET', `/api/clients/${(await openOf(oriel, visitId)).client.id}`))
      .body as unknown as { visits: { change: string }[] }
    expect(visits).toMatchObject([{ change: 'Begin at the nape, later' }])
  })

  it('refuses a book', async () => {
    const { visitId } = await recorded('Too long')
    const answer = await oriel.call('POST', `/api/visits/${visitId}/review`, { ...words, worked: 'x'.repeat(50_000) })
    expect(answer).toMatchObject({ status: 422, body: { problems: [{ path: 'worked' }] } })
    expect((await openOf(oriel, visitId)).reviews).toEqual([])
  })
})

it('does a visit again as a plan for today, and only for who may plan', async () => {
  const { visitId, planId } = await recorded('Again')
  expect((await tove.call('POST', `/api/visits/${visitId}/repeat`)).status).toBe(403)
  const { body } = await oriel.call('POST', `/api/visits/${visitId}/repeat`)
  const [before, again] = await Promise.all([exported(oriel, planId), exported(oriel, String(body['id']))])
  expect(again.name).toBe(`${before.name}, again`)
  const zones = (plan: FaltoPlan) => plan.variants[0]!.stages.map((stage) => stage.zones.map(({ id }) => id))
  expect(zones(again)).toEqual(zones(before))
})

describe('the log', () => {
  const search = async (query: string) => {
    const { status, body } = await oriel.call('GET', `/api/visits?${query}`)
    return {
      status,
      names: ((body['visits'] ?? []) as { client: { name: string } }[]).map(({ client }) => client.name),
    }
  }

  it('finds visits by client, by what was mixed, by what happened and by day', async () => {
    const name = `Sought ${newId().slice(-6)}`
    await recorded(name)
    const today = new Date().toISOString().slice(0, 10)
    const words = `words=${encodeURIComponent(name)}`
    expect((await search(words)).names).toEqual([name])
    expect((await search(`${words}&incident=slipped&from=${today}&to=${today}`)).names).toEqual([name])
    expect((await search(`${words}&incident=burning`)).names).toEqual([])
    expect((await search(`${words}&to=2020-01-01`)).names).toEqual([])
    expect((await search('words=powder lightener marl nothing')).names).toEqual([])
    expect((await search('words=%25')).names).toEqual([])
  })

  it('refuses a search that is none', async () => {
    expect((await search('from=yesterday')).status).toBe(422)
    expect((await search('incident=alien')).status).toBe(422)
  })

  it('goes on where a page ended, newest first, without doubling one', async () => {
    const first = (await oriel.call('GET', '/api/visits?')).body as unknown as {
      visits: OpenVisit[]
      next: string | null
    }
    const days = first.visits.map(({ on }) => on)
    expect(days).toEqual([...days].sort().reverse())
    const last = first.visits[4]!
    const rest = (await oriel.call('GET', `/api/visits?after=${encodeURIComponent(`${last.on}/${last.id}`)}`))
      .body as unknown as { visits: OpenVisit[] }
    expect(rest.visits[0]!.id).toBe(first.visits[5]!.id)
  })

  it('goes out as a table in which nothing is a formula', async () => {
    await recorded('=SUM(A1)')
    const { text } = (await oriel.call('GET', '/api/visits/csv?words=SUM')).body as { text: string }
    const [head, line] = text.split('\n')
    expect(head).toMatch(/^on,client,colourist,plan,planned_min,took_min/)
    expect(line).toContain("'=SUM(A1)")
  })
})
