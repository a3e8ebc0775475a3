import { v7 as newId } from 'uuid'
import { amendmentsIn, foldRun, type RunScript } from '@/core/time/run'
import type { Consultation, FaltoPlan, KeptRunEvent, OpenRun, RunEvent } from '@/core/model'
import { database } from '@/db'
import { BASE_URL, beginRun, deviceOf, ONE_CALL, servicePlanOf, type Device } from '../support/server'
import { computePlan } from '../support/planner'
import { day } from '../support/days'

jest.setTimeout(60_000)

let oriel: Device
let tove: Device
let juno: Device
beforeAll(async () => {
  ;[oriel, tove, juno] = (await Promise.all(['oriel', 'tove', 'juno'].map(deviceOf))) as [Device, Device, Device]
})
afterAll(() => database().$client.end())

async function newRun(device = oriel): Promise<OpenRun<RunScript>> {
  const plan = await servicePlanOf(oriel, 'At the chair', 'topAndSides')
  const id = await beginRun(device, plan)
  return (await device.call('GET', `/api/runs/${id}`)).body as unknown as OpenRun<RunScript>
}

/** A device with its own clock, which tells events. @param wrongBy ms by which its clock is wrong */
function deviceWith(device: Device, run: string, wrongBy = 0) {
  const deviceId = newId()
  let seq = 0
  const event = (kind: RunEvent['kind'], rest: Partial<RunEvent> = {}): RunEvent => ({
    id: newId(),
    kind,
    deviceId,
    deviceSeq: seq++,
    deviceTime: Date.now() + wrongBy,
    offsetMs: -wrongBy,
    ...rest,
  })
  const send = async (events: RunEvent[], after = 0) => {
    const { status, body } = await device.call('POST', `/api/runs/${run}/events`, { events, after })
    expect(status).toBe(200)
    return body['events'] as KeptRunEvent[]
  }
  return { event, send }
}

describe('a run', () => {
  it('pins the plan’s clock: steps in order with their people, lags with longest times, zones', async () => {
    const { script, events, client, planName } = await newRun()
    expect([client.name, planName, events]).toEqual(['At the chair', 'At the chair', []])
    expect(script.steps.map(({ start }) => start)).toEqual(script.steps.map(({ start }) => start).sort((a, b) => a - b))
    expect(script.people.map(({ id }) => id)).toEqual(['colourist', 'assistant'])
    expect(script.lags.some(({ most, formulaId }) => most !== null && formulaId === 'A')).toBe(true)
    expect(script.zones.length).toBeGreaterThan(0)
  })

  it('keeps events in one order, counts one sent twice once, and answers what is new', async () => {
    const { id, script } = await newRun()
    const { event, send } = deviceWith(oriel, id)
    const [begun, done] = [
      event('begun', { stepId: script.steps[0]!.id }),
      event('done', { stepId: script.steps[0]!.id }),
    ]
    expect((await send([begun])).map(({ runSeq, by }) => [runSeq, by])).toEqual([[1, 'Oriel Castellane']])
    expect((await send([begun, done], 1)).map(({ id: one, runSeq }) => [one, runSeq])).toEqual([[done.id, 2]])
    expect(await send([begun, done], 2)).toEqual([])
  })

  it('does a step once that two devices finish, and again after it was taken back', async () => {
    const { id, script } = await newRun()
    const [one, other] = [deviceWith(oriel, id), deviceWith(tove, id)]
    const stepId = script.steps[0]!.id
    const first = one.event('done', { stepId })
    await Promise.all([one.send([first]), other.send([other.event('done', { stepId })])])
    const kept = await one.send([])
    expect(kept).toHaveLength(1)
    await other.send([other.event('undone', { undoes: kept[0]!.id }), other.event('done', { stepId })])
    const log = await one.send([])
    expect(log.map(({ kind }) => kind)).toEqual(['done', 'undone', 'done'])
    expect(foldRun(log).steps.get(stepId)!.status).toBe('done')
  })

  it('comes to the same from two hundred events sent at once by two devices, one of whose clocks is seven minutes wrong', async () => {
    const { id, script } = await newRun()
    const devices = [deviceWith(oriel, id), deviceWith(tove, id, 7 * 60_000)] as const
    const events = script.steps.flatMap(({ id: stepId }) =>
      ['begun', 'done'].map((kind) => ({ kind: kind as RunEvent['kind'], stepId })),
    )
    const counts = Array.from({ length: 80 }, (_, i) => ({
      kind: 'counted' as const,
      stepId: script.steps[0]!.id,
      value: i + 1,
    }))
    await Promise.all(
      devices.flatMap((device) =>
        [...events, ...counts].map(({ kind, ...rest }) => device.send([device.event(kind, rest)])),
      ),
    )
    const log = await devices[0].send([])
    expect(log.map(({ runSeq }) => runSeq)).toEqual(log.map((_, i) => i + 1))
    expect(log).toHaveLength(events.length + counts.length)
    const { steps, startedAt } = foldRun(log)
    expect([...steps.values()].every(({ status }) => status === 'done')).toBe(true)
    expect(steps.get(script.steps[0]!.id)!.counted).toBe(80)
    // The clock that is wrong tells by how much.
    expect(Math.abs(startedAt! - Date.now())).toBeLessThan(60_000)
  })

  it('tells those who listen, from where they got to', async () => {
    const { id, script } = await newRun()
    const { event, send } = deviceWith(oriel, id)
    await send([event('begun', { stepId: script.steps[0]!.id })])
    const response = await fetch(`${BASE_URL}/api/runs/${id}/stream?after=1`, {
      headers: { cookie: tove.cookie, ...ONE_CALL },
    })
    const reader = response.body!.getReader()
    let text = ''
    await send([event('done', { stepId: script.steps[0]!.id })], 1)
    while (!text.includes('"kind":"done"')) text += new TextDecoder().decode((await reader.read()).value)
    await reader.cancel()
    expect(text).toContain('id: 2\n')
    expect(text).not.toContain('"kind":"begun"')
  })

  it('tells who knows more than it keeps how far the log goes, and goes on from there', async () => {
    const { id, script } = await newRun()
    const { event, send } = deviceWith(oriel, id)
    await send([event('begun', { stepId: script.steps[0]!.id })])
    const response = await fetch(`${BASE_URL}/api/runs/${id}/stream?after=7`, {
      headers: { cookie: tove.cookie, ...ONE_CALL },
    })
    const reader = response.body!.getReader()
    const until = async (words: string) => {
      let text = ''
      while (!text.includes(words)) text += new TextDecoder().decode((await reader.read()).value)
      return text
    }
    expect(await until('event: behind')).toContain('data: 1\n')
    await send([event('done', { stepId: script.steps[0]!.id })], 1)
    expect(await until('"kind":"done"')).toContain('id: 2\n')
    await reader.cancel()
  })

  it('is open to one person so many times and no more, and again once she has left some', async () => {
    const { id } = await newRun()
    const { cookie } = await deviceOf('bram')
    const left = new AbortController()
    const listen = () =>
      fetch(`${BASE_URL}/api/runs/${id}/stream?after=0`, { headers: { cookie, ...ONE_CALL }, signal: left.signal })
    // An answer that nobody holds any more is left by fetch of its own accord.
    const held: Response[] = []
    for (let i = 0; i < 10; i++) held.push(...(await Promise.all(Array.from({ length: 21 }, listen))))
    const withStatus = (wanted: number) => held.filter(({ status }) => status === wanted)
    expect([withStatus(200).length, withStatus(429).length]).toEqual([200, 10])
    left.abort()
    const again = () => fetch(`${BASE_URL}/api/runs/${id}/stream?after=0`, { headers: { cookie, ...ONE_CALL } })
    let response = await again()
    while (response.status === 429) response = await again()
    expect(response.status).toBe(200)
    await response.body!.cancel()
  })

  it('refuses steps that are not in it, apprentices, strangers and plans with nothing in them, by name', async () => {
    const { id, script, planId } = await newRun()
    const { event } = deviceWith(oriel, id)
    const post = (device: Device, events: unknown[]) =>
      device.call('POST', `/api/runs/${id}/events`, { events, after: 0 })
    const lost = await post(oriel, [
      event('done', { stepId: script.steps[0]!.id }),
      event('done', { stepId: 'nowhere' }),
    ])
    expect([lost.status, JSON.stringify(lost.body)]).toEqual([422, expect.stringContaining('events[1].stepId')])
    expect((await oriel.call('GET', `/api/runs/${id}`)).body['events']).toEqual([])
    expect((await post(juno, [event('ended')])).status).toBe(403)
    expect((await post(oriel, [{ ...event('ended'), kind: 'exploded' }])).status).toBe(422)
    expect((await oriel.call('GET', `/api/runs/${newId()}`)).status).toBe(404)
    expect((await oriel.call('GET', `/api/plans/${planId}/runs`)).body['runs']).toEqual([
      expect.objectContaining({ id, ended: false }),
    ])
  })

  it('takes another order of what is left only of its own steps, and by name of who comes', async () => {
    const { id, script } = await newRun()
    const { event, send } = deviceWith(oriel, id)
    const steps = script.steps.map(({ id: stepId, personId }) => ({ stepId, personId })).reverse()
    const [kept] = await send([event('replanned', { steps, joins: { id: 'second', name: 'Second colourist' } })])
    expect(kept).toMatchObject({ kind: 'replanned', steps, joins: { id: 'second', name: 'Second colourist' } })
    const foreign = event('replanned', { steps: [...steps, { stepId: 'nowhere', personId: 'colourist' }] })
    expect((await oriel.call('POST', `/api/runs/${id}/events`, { events: [foreign], after: 0 })).status).toBe(422)
  })

  it('puts the hair it left into the record: the confirmed level where it was done, nothing where it was skipped, once, and by a colourist', async () => {
    const { id, script, client } = await newRun()
    const { event, send } = deviceWith(oriel, id)
    const on = day()
    const zones = [
      ...new Map(
        script.zones
          .filter(({ formulaId }) => formulaId === 'A')
          .map(({ zoneId, formulaId }) => [zoneId, { zoneId, formulaId, level: 9.5 }]),
      ).values(),
    ]
    const record = (device = oriel) => device.call('POST', `/api/runs/${id}/hair`, { on, levels: zones })
    expect((await record()).status).toBe(422)
    const skipped = zones[0]!.zoneId
    await send(
      script.steps.map(({ id: stepId }) =>
        event(stepId.startsWith('apply/') && stepId.includes(`/${skipped}/`) ? 'skipped' : 'done', { stepId }),
      ),
    )
    await send([event('ended')])
    expect((await record(tove)).status).toBe(403)
    expect((await record()).status).toBe(200)
    expect((await record()).status).toBe(409)
    const { latest } = (await oriel.call('GET', `/api/clients/${client.id}/consultation`)).body as unknown as {
      latest: Consultation
    }
    const lightened = latest.canvas.strands
      // Toned afterwards: what was seen lies beneath the gloss.
      .filter(({ bands }) => bands.some(({ beneathLevel }) => beneathLevel === 9.5))
      .map((strand) => strand.id)
    expect([latest.kind, latest.recordedOn, lightened.length > 0]).toEqual(['done', on, true])
    // As much of the head as the zones that were done take, so less than the whole plan would have.
    const share =
      latest.canvas.cells.reduce(
        (sum, { populations }) =>
          sum +
          populations.filter(({ strandId }) => lightened.includes(strandId)).reduce((part, one) => part + one.share, 0),
        0,
      ) / latest.canvas.cells.length
    const document = (
      await oriel.call(
        'GET',
        `/api/plans/${(await oriel.call('GET', `/api/runs/${id}`)).body['planId'] as string}/export`,
      )
    ).body as unknown as FaltoPlan
    const whole = computePlan(document).shareByFormula['A']!
    expect(share).toBeGreaterThan(0.2 * whole)
    expect(share).toBeLessThan(0.95 * whole)
  })
})

it('keeps what is trusted to the assistant with the visit, and no skill that there is not', async () => {
  const plan = await servicePlanOf(oriel, 'At the chair', 'rootAndLengths')
  const strange = { id: newId(), helping: ['assistant'], assistantMay: ['cut'] }
  expect(await oriel.call('POST', `/api/plans/${plan}/runs`, strange)).toMatchObject({
    status: 422,
    body: { problems: [{ path: 'assistantMay' }] },
  })
  const id = await beginRun(oriel, plan, { assistantMay: ['mix', 'colour'] })
  const { script } = (await oriel.call('GET', `/api/runs/${id}`)).body as unknown as OpenRun<RunScript>
  expect(script.people[1]).toEqual({ id: 'assistant', name: 'Assistant', skills: ['mix', 'colour'] })
  expect(script.steps.filter(({ personId }) => personId === 'assistant').map(({ kind }) => kind)).not.toContain('rinse')
})

describe('something more, decided at the chair', () => {
  const more = { place: 'root', like: 'B', level: 4, tone: 'warm', bandCm: 3 }
  const ask = (id: string, rest: object = {}, device = oriel) =>
    device.call('POST', `/api/runs/${id}/more`, { id: newId(), deviceId: newId(), ...more, ...rest })

  it('is in the log for everybody, once, with its steps, which can then be told of', async () => {
    const { id, script } = await newRun()
    const { send, event } = deviceWith(oriel, id)
    const [first] = script.steps
    await send([event('begun', { stepId: first!.id }), event('done', { stepId: first!.id })])
    const once = { id: newId() }
    const answers = await Promise.all([ask(id, once), ask(id, once, tove)])
    expect(answers.map(({ status }) => status)).toEqual([200, 200])
    const { events } = (await tove.call('GET', `/api/runs/${id}`)).body as unknown as OpenRun<RunScript>
    const [amendment, ...others] = amendmentsIn(events)
    expect(others).toEqual([])
    const added = amendment!.script.steps.filter((step) => !script.steps.some((own) => own.id === step.id))
    expect(added.some(({ kind }) => kind === 'apply')).toBe(true)
    await deviceWith(tove, id).send([event('begun', { stepId: added[0]!.id })])
    const strange = await oriel.call('POST', `/api/runs/${id}/events`, {
      events: [event('begun', { stepId: 'apply/nowhere/1' })],
      after: 0,
    })
    expect(strange.status).toBe(422)
  })

  it('is worked out on what others added before: two at once are two, or one is asked to look again', async () => {
    const { id } = await newRun()
    const statuses = (await Promise.all([ask(id), ask(id, {}, tove)])).map(({ status }) => status).sort()
    expect([
      [200, 200],
      [200, 409],
    ]).toContainEqual(statuses)
    const { events } = (await oriel.call('GET', `/api/runs/${id}`)).body as unknown as OpenRun<RunScript>
    const amendments = amendmentsIn(events)
    expect(amendments).toHaveLength(statuses.filter((status) => status === 200).length)
    const last = new Set(amendments.at(-1)!.script.zones.map(({ stageId }) => stageId))
    for (const { stage } of amendments) expect(last).toContain(stage.id)
  })

  it('is refused in words for lightener, for a visit that is over, from a device itself, and to an apprentice', async () => {
    const { id } = await newRun()
    const { event } = deviceWith(oriel, id)
    expect(await ask(id, { like: 'A' })).toMatchObject({
      status: 422,
      body: { message: expect.stringContaining('Lightener is planned on the Map page') as string },
    })
    expect((await ask(id, {}, juno)).status).toBe(403)
    expect((await ask(id, { place: 'ears' })).status).toBe(422)
    const own = { events: [event('amended', { amends: {} })], after: 0 }
    expect((await oriel.call('POST', `/api/runs/${id}/events`, own)).status).toBe(422)
    await deviceWith(oriel, id).send([event('ended')])
    expect(await ask(id)).toMatchObject({
      status: 422,
      body: { message: expect.stringContaining('This visit is over') as string },
    })
    const { events } = (await oriel.call('GET', `/api/runs/${id}`)).body as unknown as OpenRun<RunScript>
    expect(events.some(({ kind }) => kind === 'amended')).toBe(false)
  })
})
