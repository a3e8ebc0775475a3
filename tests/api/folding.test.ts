import { v7 as newId } from 'uuid'
import type { History, KeptRunEvent } from '@/core/model'
import { database } from '@/db'
import { foldQuiet } from '@/server/folding'
import { beginRun, deviceOf, newClient, newPlan, servicePlanOf, type Device } from '../support/server'

jest.setTimeout(60_000)

let oriel: Device
beforeAll(async () => {
  oriel = await deviceOf('oriel')
})
afterAll(() => database().$client.end())

const query = async (words: string, id: string) =>
  (await database().$client.query<Record<string, number>>(words, [id])).rows[0]!
const countIn = async (table: string, id: string) =>
  (
    await query(
      `select count(*)::int as n from ${table} where ${table.startsWith('run') ? 'run_id' : 'plan_id'} = $1`,
      id,
    )
  )['n']!

/** As if it had been left alone for as long as it takes, and then folded. */
async function foldedAfterMonths(table: 'run' | 'plan', id: string): Promise<void> {
  const since = table === 'run' ? 'ended_at' : 'updated_at'
  await database().$client.query(`update ${table} set ${since} = now() - interval '31 days' where id = $1`, [id])
  await foldQuiet()
}

describe('the log of a visit that is long over', () => {
  let run: string
  let told: KeptRunEvent[]
  let seq = 0
  const event = (kind: string, rest: object = {}) => ({
    id: newId(),
    kind,
    deviceId: '0192f0c0-0000-7000-8000-0000000000aa',
    deviceSeq: seq++,
    deviceTime: Date.now(),
    offsetMs: 0,
    ...rest,
  })
  const send = async (events: object[], after = 0) => {
    const { status, body } = await oriel.call('POST', `/api/runs/${run}/events`, { events, after })
    expect(status).toBe(200)
    return body['events'] as KeptRunEvent[]
  }
  const logOf = async () => (await oriel.call('GET', `/api/runs/${run}`)).body['events'] as KeptRunEvent[]

  beforeEach(async () => {
    run = await beginRun(oriel, await servicePlanOf(oriel, 'Long over', 'topAndSides'))
    const steps = ((await oriel.call('GET', `/api/runs/${run}`)).body['script'] as { steps: { id: string }[] }).steps
    const some = steps.slice(0, 12).flatMap(({ id: stepId }) => [event('begun', { stepId }), event('done', { stepId })])
    await send([...some, event('ended')])
    told = await logOf()
    await foldedAfterMonths('run', run)
  })

  it('becomes one document, smaller, and reads as before', async () => {
    expect([await countIn('run_event', run), await countIn('run_log', run)]).toEqual([0, 1])
    expect(told).toHaveLength(25)
    expect(await logOf()).toEqual(told)
    const { folded } = await query('select pg_column_size(rows) as folded from run_log where run_id = $1', run)
    const { loose } = await query(
      'select sum(pg_column_size(t))::int as loose from run_event_told t where run_id = $1',
      run,
    )
    expect(folded! * 2).toBeLessThan(loose!)
  })

  it('knows what was told before, and stays folded', async () => {
    const { runSeq: _place, by: _by, ...again } = told[3]!
    expect(await send([again])).toEqual(told)
    expect(await send([event('done', { stepId: told[1]!.stepId })])).toEqual(told)
    expect([await countIn('run_event', run), await countIn('run_log', run)]).toEqual([0, 1])
  })

  it('goes on where it ended when something is told of it, and is folded again', async () => {
    const more = event('undone', { undoes: told[1]!.id })
    const after = await send([more])
    expect(after.slice(0, -1)).toEqual(told)
    expect([after.at(-1)!.id, after.at(-1)!.runSeq]).toEqual([more.id, told.length + 1])
    expect([await countIn('run_event', run), await countIn('run_log', run)]).toEqual([told.length + 1, 0])
    await foldQuiet()
    expect(await countIn('run_event', run)).toBe(0)
    expect(await logOf()).toEqual(after)
  })

  it('can be changed by nobody, whoever asks the database', async () => {
    for (const words of ['delete from run_log where run_id = $1', "update run_log set rows = '[]' where run_id = $1"])
      await expect(query(words, run)).rejects.toThrow('only ever added')
  })

  it('is left alone while its visit goes on, or has only just ended', async () => {
    const going = await beginRun(oriel, await servicePlanOf(oriel, 'Goes on', 'topAndSides'))
    run = going
    await send([event('delayed', { value: 5, note: 'Tea' })])
    await foldQuiet()
    expect(await countIn('run_event', going)).toBe(1)
    await send([event('ended')])
    await foldQuiet()
    expect(await countIn('run_event', going)).toBe(2)
  })
})

describe('the edits of a plan that was left alone', () => {
  let client: string
  let plan: string
  let revision = 0
  const edit = (name: string) => ({
    id: newId(),
    kind: 'edit',
    label: `Name ${name}`,
    patches: [{ op: 'replace', path: ['name'], value: name }],
  })
  const back = (kind: 'undo' | 'redo', target: string) => ({ id: newId(), kind, label: '', patches: [], target })
  const send = async (baseRevision: number, ...operations: object[]) =>
    oriel.call('POST', `/api/plans/${plan}/operations`, { baseRevision, operations })
  const opened = async () =>
    (await oriel.call('GET', `/api/plans/${plan}`)).body as { history: History; document: { name: string } }

  let edits: ReturnType<typeof edit>[]
  let before: Awaited<ReturnType<typeof opened>>
  beforeEach(async () => {
    client = await newClient(oriel, 'Left alone')
    plan = await newPlan(oriel, client)
    edits = ['One', 'Two', 'Three'].map(edit)
    const sent = await send(0, ...edits, back('undo', edits[2]!.id))
    expect(sent.status).toBe(200)
    revision = sent.body['revision'] as number
    before = await opened()
    await foldedAfterMonths('plan', plan)
  })

  it('become one document, and can be read', async () => {
    expect([await countIn('plan_edit', plan), await countIn('plan_edit_log', plan)]).toEqual([0, 1])
    expect(before.history.redo.map(({ id }) => id)).toEqual([edits[2]!.id])
    expect(await opened()).toEqual(before)
    const stale = await send(1, edit('Four'))
    expect(stale.status).toBe(409)
    expect((stale.body['since'] as unknown[]).length).toBe(revision - 1)
  })

  it('count once when they are sent again, and stay folded', async () => {
    expect((await send(0, ...edits.slice(0, 2))).body).toMatchObject({
      error: 'stale',
      known: edits.slice(0, 2).map(({ id }) => id),
    })
    expect(await countIn('plan_edit_log', plan)).toBe(1)
  })

  it('can still be redone and undone, and go on', async () => {
    expect((await send(revision, back('redo', edits[2]!.id), edit('Four'))).body).toEqual({ revision: revision + 2 })
    expect([await countIn('plan_edit', plan), await countIn('plan_edit_log', plan)]).toEqual([revision + 2, 0])
    const { history, document } = await opened()
    expect([document.name, history.undo.length, history.redo.length]).toEqual(['Four', 4, 0])
  })

  it('go with their client, folded or not', async () => {
    const erased = await oriel.call('POST', `/api/clients/${client}/erasure`, { name: 'Left alone' })
    expect([erased.status, await countIn('plan_edit_log', plan)]).toEqual([200, 0])
  })
})
