import fc from 'fast-check'
import { applyPatches, enablePatches, type Patch } from 'immer'
import { byId, type FaltoPlan, type OpenPlan, type Operation } from '@/core/model'
import { fakeBrowser } from '../../../tests/support/browser'
import { planWith, stageOf } from '../../../tests/support/plan'
import { clash, differences } from '../differences'
import { copyZones, pasteZones } from './clipboard'
import { chosenZones, editChosen } from './context'
import { createPlanStore, type PlanStore } from './store'

enablePatches()

const json = fc.letrec((tie) => ({
  value: fc.oneof(
    { depthSize: 'small' },
    fc.integer(),
    fc.string(),
    fc.boolean(),
    fc.array(tie('value'), { maxLength: 3 }),
    fc.dictionary(fc.constantFrom('a', 'b', 'c'), tie('value')),
  ),
})).value

describe('differences', () => {
  it('lead from any document to any other, and back', () => {
    fc.assert(
      fc.property(
        fc.dictionary(fc.constantFrom('x', 'y', 'z'), json),
        fc.dictionary(fc.constantFrom('x', 'y', 'z'), json),
        (before, after) => {
          expect(applyPatches(before, differences(before, after) as Patch[])).toEqual(after)
          expect(applyPatches(after, differences(after, before) as Patch[])).toEqual(before)
        },
      ),
    )
  })

  it('are none between equal documents, and as deep as can be', () => {
    const plan = planWith()
    expect(differences(plan, structuredClone(plan))).toEqual([])
    const other = structuredClone(plan)
    stageOf(other).zones[1]!.placement.rowGapMm = 3
    expect(differences(plan, other)).toEqual([
      { op: 'replace', path: ['variants', 0, 'stages', 0, 'zones', 1, 'placement', 'rowGapMm'], value: 3 },
    ])
  })

  it('clash where one path begins with the other', () => {
    const at = (...path: (string | number)[]) => ({ op: 'replace' as const, path, value: 1 })
    expect(clash(at('zones', 1, 'gap'), at('zones', 1, 'gap'))).toBe(true)
    expect(clash(at('zones'), at('zones', 1, 'gap'))).toBe(true)
    expect(clash(at('zones', 1, 'gap'), at('zones', 1))).toBe(true)
    expect(clash(at('zones', 1, 'gap'), at('zones', 2, 'gap'))).toBe(false)
    expect(clash(at('zones', 1, 'gap'), at('zones', 1, 'take'))).toBe(false)
  })
})

describe('the plan store', () => {
  /** A pretend server: keeps what it was sent, answers as told. */
  const server = { received: [] as { baseRevision: number; operations: Operation[] }[], answer: () => new Response() }
  let kept: Map<string, string>

  beforeEach(() => {
    jest.useFakeTimers()
    server.received = []
    server.answer = () =>
      Response.json({ revision: server.received.reduce((sum, { operations }) => sum + operations.length, 0) })
    const browser = fakeBrowser()
    kept = browser.kept
    browser.network.answer = (_url, body) => {
      server.received.push(body as (typeof server.received)[0])
      return server.answer()
    }
  })
  afterEach(() => jest.useRealTimers())

  const open = (document: FaltoPlan = planWith()): OpenPlan => ({
    id: 'plan',
    client: { id: 'client', name: 'Client', recordChanged: 'same' },
    document,
    revision: 0,
    history: { undo: [], redo: [] },
    acknowledgements: [],
    careCautions: [],
    canvas: null,
    goal: null,
    lastVisit: null,
    nextTime: [],
    seen: null,
  })
  const setGap = (store: PlanStore, mm: number, key = 'gap') =>
    store.edit(`Row gap ${mm}`, key, (draft) => void (stageOf(draft).zones[0]!.placement.rowGapMm = mm))
  const gap = (store: PlanStore) => stageOf(store.getState().document).zones[0]!.placement.rowGapMm
  const later = () => jest.advanceTimersByTime(5000)

  it('comes back to where it was when everything is undone, and forth again', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 40 }), fc.constantFrom('a', 'b', 'c'), fc.boolean()), {
          minLength: 1,
          maxLength: 8,
        }),
        (edits) => {
          const store = createPlanStore(open())
          const before = store.getState().document
          for (const [mm, key, pause] of edits) {
            setGap(store, mm, key)
            if (pause) later()
          }
          const after = store.getState().document
          while (store.getState().undo.length > 0) store.undo()
          expect(store.getState().document).toEqual(before)
          while (store.getState().redo.length > 0) store.redo()
          expect(store.getState().document).toEqual(after)
        },
      ),
      { numRuns: 40 },
    )
  })

  it('makes one step of undo of a finger on a stepper, named by where it ended', () => {
    const store = createPlanStore(open())
    for (const mm of [8, 9, 10, 11]) setGap(store, mm)
    expect(store.getState().undo.map(({ label }) => label)).toEqual(['Row gap 11'])
    expect(store.getState().unsent).toHaveLength(1)
    store.undo()
    expect(gap(store)).toBe(7)
  })

  it('leaves no trace of a step that ends where it began', async () => {
    const store = createPlanStore(open())
    for (const mm of [8, 7]) setGap(store, mm)
    expect(store.getState()).toMatchObject({ undo: [], unsent: [] })
    await store.flush()
    expect(store.getState().save.kind).toBe('saved')
    expect(server.received).toEqual([])
  })

  it('names a merged step by what it changed from first to last', () => {
    const store = createPlanStore(open())
    for (const mm of [8, 9, 12])
      store.edit(
        (before) => `Row gap ${stageOf(before).zones[0]!.placement.rowGapMm} → ${mm} mm`,
        'gap',
        (draft) => void (stageOf(draft).zones[0]!.placement.rowGapMm = mm),
      )
    expect(store.getState().undo.map(({ label }) => label)).toEqual(['Row gap 7 → 12 mm'])
  })

  it('keeps apart steps with a rest between them', () => {
    const store = createPlanStore(open())
    setGap(store, 8)
    later()
    setGap(store, 9)
    expect(store.getState().undo).toHaveLength(2)
  })

  it('saves on its own, in order, from the revision it has', async () => {
    const store = createPlanStore(open())
    setGap(store, 8, 'a')
    setGap(store, 9, 'b')
    store.undo()
    await store.flush()
    expect(server.received.flatMap(({ operations }) => operations.map(({ kind }) => kind))).toEqual([
      'edit',
      'edit',
      'undo',
    ])
    expect(store.getState()).toMatchObject({ save: { kind: 'saved' }, unsent: [], revision: 3 })
    expect(kept.size).toBe(0)
  })

  it('keeps what it cannot send, on the device too, and sends it later', async () => {
    const store = createPlanStore(open())
    const answer = server.answer
    server.answer = () => {
      throw new TypeError('no network')
    }
    setGap(store, 12)
    await store.flush()
    expect(store.getState().save.kind).toBe('offline')
    expect(JSON.parse(kept.get('falto-unsent-plan@')!)).toMatchObject({
      revision: 0,
      unsent: [{ label: 'Row gap 12' }],
    })
    server.answer = answer
    const again = createPlanStore(open())
    await again.resume()
    expect(gap(again)).toBe(12)
    await again.flush()
    expect(again.getState().save.kind).toBe('saved')
    expect(kept.size).toBe(0)
  })

  it('offers a merge when it is late, and puts its own on top of theirs', async () => {
    const store = createPlanStore(open())
    const theirs = planWith()
    stageOf(theirs).zones[1]!.placement.rowGapMm = 2
    const answer = server.answer
    server.answer = () =>
      Response.json(
        {
          error: 'stale',
          message: 'late',
          revision: 1,
          document: theirs,
          known: [],
          since: [],
          history: { undo: [], redo: [] },
        },
        { status: 409 },
      )
    setGap(store, 12)
    await store.flush()
    expect(store.getState().save.kind).toBe('stale')
    expect(gap(store)).toBe(12)
    server.answer = answer
    store.resolve('merge')
    await store.flush()
    expect(gap(store)).toBe(12)
    expect(stageOf(store.getState().document).zones[1]!.placement.rowGapMm).toBe(2)
    expect(server.received.at(-1)).toMatchObject({ baseRevision: 1, operations: [{ label: 'Row gap 12' }] })
  })

  it('says why a change is refused, and goes back to what the server holds', async () => {
    const store = createPlanStore(open())
    server.answer = () =>
      Response.json({ error: 'invalid', message: 'name must have 1 to 120 characters' }, { status: 422 })
    store.edit('Renamed', 'name', (draft) => void (draft.name = ''))
    await store.flush()
    expect(store.getState().save).toEqual({ kind: 'refused', message: 'name must have 1 to 120 characters' })
    Object.assign(globalThis, { fetch: async () => Response.json(open()) })
    await store.reload()
    expect(store.getState()).toMatchObject({ save: { kind: 'saved' }, unsent: [] })
    expect(store.getState().document.name).toBe('Test')
  })

  it('selects one zone, or several of which the first stays first, and takes one out again', () => {
    const store = createPlanStore(open())
    const chosen = () => chosenZones(store.getState()).map(({ id }) => id)
    store.select('backLeft')
    store.select('frontLeft', 'also')
    store.select('backRight', 'also')
    expect(chosen()).toEqual(['backLeft', 'frontLeft', 'backRight'])
    store.select('backLeft', 'also')
    expect(chosen()).toEqual(['frontLeft', 'backRight'])
    store.select('backLeft')
    expect(chosen()).toEqual(['backLeft'])
    store.show(undefined)
    expect(chosen()).toEqual([])
  })

  it('changes all selected zones in one step, and names it by the first', () => {
    const store = createPlanStore(open())
    const gaps = () =>
      Object.fromEntries(stageOf(store.getState().document).zones.map(({ id, placement }) => [id, placement.rowGapMm]))
    const before = gaps()
    store.select('backLeft')
    store.select('backRight', 'also')
    editChosen(
      store,
      (placement) => `Row gap ${placement.rowGapMm} → 3 mm`,
      'gap',
      (placement) => void (placement.rowGapMm = 3),
    )
    expect(gaps()).toEqual({ ...before, backLeft: 3, backRight: 3 })
    expect(store.getState().undo.at(-1)!.label).toBe('Row gap 7 → 3 mm, Back left and 1 more')
    store.undo()
    expect(gaps()).toEqual(before)
  })

  it('pastes a zone into others, and a whole stage by the names of its zones, also on another head with other letters', () => {
    const store = createPlanStore(
      open(
        planWith({
          placement: { rowGapMm: 1, sequence: ['B', 'leave', 'A'], dropout: { kind: 'base', formulaId: 'B' } },
        }),
      ),
    )
    store.select('backLeft')
    expect(copyZones(store, 'chosen')).toContain('Back left copied')
    const other = planWith({
      template: 'fourQuadrants',
      parameters: { separateNape: true },
      head: { circumferenceCm: 58 },
    })
    other.formulas = other.formulas.slice(0, 1)
    const elsewhere = createPlanStore(open(other))
    const placementOf = (id: string) => byId(stageOf(elsewhere.getState().document).zones, id).placement
    expect(pasteZones(elsewhere)).toBe('Choose the zones to paste into first.')
    elsewhere.select('nape')
    pasteZones(elsewhere)
    expect(placementOf('nape')).toMatchObject({
      rowGapMm: 1,
      sequence: ['A', 'leave', 'A'],
      dropout: { kind: 'base', formulaId: 'A' },
    })
    copyZones(store, 'all')
    expect(pasteZones(elsewhere)).toBe('All of Lighten pasted into 4 of 5 zones.')
    expect(placementOf('frontRight').rowGapMm).toBe(1)
    elsewhere.undo()
    elsewhere.undo()
    expect(elsewhere.getState().document).toEqual(other)
  })
})
