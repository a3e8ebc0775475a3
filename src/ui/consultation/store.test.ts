import type { ConsultationEntry, OpenConsultation } from '@/core/model'
import { fakeBrowser } from '../../../tests/support/browser'
import { band, canvasWith, GOAL } from '../../../tests/support/canvas'
import { MEDIUM_HAIR } from '../../../tests/support/plan'
import { createConsultationStore, opening, seenCorrections } from './store'

const TODAY = '2026-10-27'
const open = (rest: Partial<OpenConsultation> = {}): OpenConsultation =>
  ({
    client: { id: 'client', name: 'Client', note: '' },
    head: { circumferenceCm: 54 },
    hair: MEDIUM_HAIR,
    today: TODAY,
    latest: null,
    before: null,
    lastVisit: null,
    history: [],
    ...rest,
  }) as OpenConsultation
const record = (recordedOn: string, level = 6) => ({
  number: 3,
  revision: 2,
  kind: 'seen' as const,
  recordedOn,
  hair: MEDIUM_HAIR,
  canvas: canvasWith([band(0, 35, { level, treatments: [{ kind: 'lightened' }] })], recordedOn),
  goal: GOAL,
  trimmedCm: 0,
  corrections: [],
  by: 'Oriel',
  at: `${recordedOn}T10:00:00Z`,
})

describe('what a consultation opens with', () => {
  it('is virgin hair at the level that was entered, where nothing was recorded', () => {
    const { entry, predicted, save } = opening(open())
    expect(predicted).toBeUndefined()
    expect(save).toEqual({ kind: 'unsaved' })
    expect(entry.canvas.strands[0]!.bands.every(({ level }) => level === MEDIUM_HAIR.naturalLevel)).toBe(true)
  })

  it('is today’s record as it was left, or a prediction from an earlier one', () => {
    const today = opening(open({ latest: record(TODAY) }))
    expect(today.save).toEqual({ kind: 'saved' })
    expect(today.entry.canvas).toEqual(record(TODAY).canvas)
    const earlier = opening(open({ latest: record('2026-08-27') }))
    expect(earlier.save).toEqual({ kind: 'unsaved' })
    expect(earlier.entry).toMatchObject({ recordedOn: TODAY, canvas: earlier.predicted })
    // Two months of roots have grown in before what was lightened.
    expect(earlier.entry.canvas.strands[0]!.bands.length).toBeGreaterThan(1)
  })
})

describe('the consultation store', () => {
  let browser: ReturnType<typeof fakeBrowser>
  beforeEach(() => {
    jest.useFakeTimers()
    browser = fakeBrowser()
    browser.network.answer = () => Response.json({ number: 1, revision: browser.asked.length })
  })
  afterEach(() => jest.useRealTimers())

  const share = (percent: number) => (entry: ConsultationEntry) => ({
    ...entry,
    goal: { ...entry.goal, lightPercent: percent },
  })
  const light = (store: ReturnType<typeof createConsultationStore>) => store.getState().entry.goal.lightPercent
  const rested = () => jest.advanceTimersByTimeAsync(500)

  it('saves by itself after a rest, once for several edits, on top of what it was made from', async () => {
    const store = createConsultationStore(open({ latest: record(TODAY) }))
    for (const percent of [10, 20, 30]) store.edit(`${percent} %`, 'light', share(percent))
    expect(store.getState().save).toEqual({ kind: 'waiting' })
    await rested()
    expect(browser.asked).toHaveLength(1)
    expect(browser.asked[0]).toMatchObject({ method: 'PUT', body: { base: { number: 3, revision: 2 } } })
    expect(store.getState().save).toEqual({ kind: 'saved' })
    store.edit('40 %', 'light', share(40))
    await rested()
    expect(browser.asked[1]!.body).toMatchObject({ base: { number: 1, revision: 1 }, goal: { lightPercent: 40 } })
  })

  it('makes one step of a finger on a stepper, goes back and forth, and takes nothing for an edit that is none', () => {
    const store = createConsultationStore(open())
    const before = light(store)
    store.edit('nothing', 'light', (entry) => entry)
    expect(store.getState().undo).toHaveLength(0)
    for (const percent of [10, 20, 30]) store.edit(`${percent} %`, 'light', share(percent))
    jest.advanceTimersByTime(1000)
    store.edit('50 %', 'light', share(50))
    expect(store.getState().undo.map(({ label }) => label)).toEqual(['30 %', '50 %'])
    store.undo()
    expect(light(store)).toBe(30)
    store.undo()
    expect(light(store)).toBe(before)
    store.redo()
    expect(light(store)).toBe(30)
    store.edit('5 %', 'light', share(5))
    expect(store.getState().redo).toEqual([])
  })

  it('keeps a draft without a network, tries again, and lets go of it once it is saved', async () => {
    browser.network.online = false
    const store = createConsultationStore(open())
    store.edit('10 %', 'light', share(10))
    await rested()
    expect(store.getState().save).toEqual({ kind: 'offline' })
    expect(browser.kept.has('falto-consultation-client@')).toBe(true)
    browser.network.online = true
    await jest.advanceTimersByTimeAsync(4000)
    expect(store.getState().save).toEqual({ kind: 'saved' })
    expect(browser.kept.has('falto-consultation-client@')).toBe(false)
  })

  it('takes up a draft of the same day, and no older one', () => {
    browser.network.online = false
    createConsultationStore(open()).edit('10 %', 'light', share(10))
    const again = createConsultationStore(open())
    again.resume()
    expect(light(again)).toBe(10)
    expect(again.getState().undo.at(-1)!.label).toBe('What this device had kept')
    const tomorrow = createConsultationStore(open({ today: '2026-10-28' }))
    tomorrow.resume()
    expect(tomorrow.getState().undo).toEqual([])
    expect(browser.kept.size).toBe(0)
  })

  it.each([
    [401, 'signedOut'],
    [409, 'stale'],
    [422, 'refused'],
    [500, 'offline'],
  ])('an answer of %i leaves it %s, with nothing lost', async (status, kind) => {
    browser.network.answer = () => Response.json({ error: 'x', message: 'No.' }, { status })
    const store = createConsultationStore(open())
    store.edit('10 %', 'light', share(10))
    await rested()
    expect(store.getState().save.kind).toBe(kind)
    expect(light(store)).toBe(10)
    expect(browser.kept.has('falto-consultation-client@')).toBe(true)
  })

  it('ends a conflict either way: mine over what is there now, or theirs', async () => {
    const theirs = open({ latest: { ...record(TODAY), revision: 7, goal: { ...GOAL, lightPercent: 77 } } })
    const clash = async () => {
      browser.network.answer = () => Response.json({ error: 'stale', message: 'Changed.' }, { status: 409 })
      const store = createConsultationStore(open())
      store.edit('10 %', 'light', share(10))
      await rested()
      browser.network.answer = (_url, body) => Response.json(body ? { number: 3, revision: 8 } : theirs)
      return store
    }
    const one = await clash()
    await one.resolve('mine')
    expect(browser.asked.at(-1)!.body).toMatchObject({ base: { number: 3, revision: 7 }, goal: { lightPercent: 10 } })
    expect(one.getState().save).toEqual({ kind: 'saved' })
    const other = await clash()
    await other.resolve('theirs')
    expect(light(other)).toBe(77)
    expect(other.getState()).toMatchObject({ undo: [], redo: [], save: { kind: 'saved' } })
  })

  it('counts as corrections what the eye changed of the prediction, and nothing without one', () => {
    expect(seenCorrections(createConsultationStore(open()).getState())).toEqual([])
    const store = createConsultationStore(open({ latest: record('2026-08-27') }))
    expect(seenCorrections(store.getState())).toEqual([])
    store.edit('Level 9', 'level', (entry) => ({
      ...entry,
      canvas: {
        ...entry.canvas,
        strands: entry.canvas.strands.map((strand) => ({
          ...strand,
          bands: strand.bands.map((one, i) => (i === 0 ? { ...one, level: 9 } : one)),
        })),
      },
    }))
    expect(seenCorrections(store.getState()).length).toBeGreaterThan(0)
  })
})
