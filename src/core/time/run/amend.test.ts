import { activeVariant, COUNTS, type FaltoPlan, type More, type Stage } from '../../model'
import { stageFor } from '../../plan/serviceKinds'
import { foldPlan } from '../fold'
import { ALONE } from '../schedule'
import { computeStages } from '../../../../tests/support/planner'
import { event, minutes } from '../../../../tests/support/runEvents'
import { servicePlan } from '../../../../tests/support/samples'
import { amendedPlan, amendedRun, amendmentsIn, scriptFor, type Amendment } from '.'

const plan = servicePlan('topAndSides')
const [lighten, gloss] = activeVariant(plan).stages as [Stage, Stage]
const pinned = scriptFor(plan, computeStages(plan), { crew: ALONE })
const counted = () => {
  let n = 0
  return () => `added-${n++}`
}

function amended(more: Partial<More>, begun: string[] = [lighten.id]): { plan: FaltoPlan; amendment: Amendment } {
  const added = stageFor(plan, { place: 'root', like: 'B', ...more }, new Set(begun), counted())
  const own = amendedPlan(plan, [added])
  const script = scriptFor(own, computeStages(own), { crew: ALONE })
  const shown = {
    formula: { id: added.formula.id, product: '', workingLifeMinutes: null, developerVol: 0, swatch: '' },
    zones: [],
  }
  return { plan: own, amendment: { ...added, script, shown } }
}

describe('something more, decided at the chair', () => {
  it('comes after what is rinsed with the stages that are begun, under a letter of its own', () => {
    const names = (begun: string[]) => activeVariant(amended({}, begun).plan).stages.map(({ name }) => name)
    expect(names([lighten.id])).toEqual([lighten.name, 'Shadow root', gloss.name])
    expect(names([lighten.id, gloss.id])).toEqual([lighten.name, gloss.name, 'Shadow root'])
    expect(names([])[0]).toBe('Shadow root')
    expect(amended({}).amendment.formula.id).toBe(String.fromCharCode(65 + plan.formulas.length))
  })

  it('changes nothing of what is before it: the same steps at the same times', () => {
    const { script } = amended({}).amendment
    const timesOf = ({ steps }: typeof script) =>
      steps.filter(({ id }) => id.includes(lighten.id)).map(({ id, start, seconds }) => [id, start, seconds])
    expect(timesOf(script)).toEqual(timesOf(pinned))
    expect(script.steps.map(({ id }) => id)).toEqual(expect.arrayContaining(pinned.steps.map(({ id }) => id)))
    expect(script.steps.length).toBeGreaterThan(pinned.steps.length + 2)
  })

  it('is in the record: the root is as deep as what was put there, the rest as it would have been', () => {
    const own = amended({ level: 4, bandCm: 3 }).plan
    const mean = (of: FaltoPlan, cm: number) => {
      const { strands, cells } = foldPlan(of, computeStages(of)).canvas()
      const levels = new Map(strands.map(({ id, bands }) => [id, bands.find((band) => band.toCm > cm)?.level ?? 0]))
      const all = cells.flatMap(({ populations }) => populations)
      return all.reduce((sum, one) => sum + one.share * levels.get(one.strandId)!, 0) / cells.length
    }
    expect(mean(own, 1)).toBeLessThan(mean(plan, 1))
    expect(mean(own, 12)).toBeCloseTo(mean(plan, 12), 1)
    const { sources } = foldPlan(own, computeStages(own)).canvas().cells[0]!.populations[0]!
    expect(sources.some((source) => source.endsWith(`/${own.formulas.at(-1)!.id}`))).toBe(true)
  })

  it('goes only on what was lightened where that is asked, and nowhere where nothing was', () => {
    expect(amended({ place: 'lightened' }).amendment.stage.worksOn).toEqual({ kind: 'took', stageId: lighten.id })
    const colour = servicePlan('rootColour')
    const asked: More = { place: 'lightened', like: colour.formulas[0]!.id }
    expect(() => stageFor(colour, asked, new Set(), counted())).toThrow('Nothing is lightened')
  })

  it('is no lightener, which has cautions of its own, and no letter that is not there', () => {
    expect(() => amended({ like: 'A' })).toThrow('Lightener is planned on the Map page')
    expect(() => amended({ like: 'Q' })).toThrow('no formula Q')
  })

  it('makes no document that a plan may not be: letters and stages have an end', () => {
    const letters = [...'ABCDEFGHIJKL'].map((id) => ({ ...plan.formulas[1]!, id }))
    const full = { ...plan, formulas: [plan.formulas[0]!, ...letters.slice(1)] }
    expect(() => stageFor(full, { place: 'root', like: 'B' }, new Set(), counted())).toThrow('no letter left')
    const long = structuredClone(plan)
    activeVariant(long).stages = Array.from({ length: COUNTS.stages }, (_, i) => ({ ...gloss, id: `s${i}` }))
    expect(() => stageFor(long, { place: 'root', like: 'B' }, new Set(), counted())).toThrow('as many stages')
  })

  it('keeps its time, and its shades only while they give what is asked', () => {
    expect(amended({ minutes: 8 }).amendment.stage.lasts).toEqual({ minutes: 8 })
    const shades = [{ productId: plan.formulas[1]!.productId, amount: 1, unit: 'parts' as const }]
    const shaded = { ...plan, formulas: plan.formulas.map((one) => (one.id === 'B' ? { ...one, shades } : one)) }
    const madeOf = (more: Partial<More>) =>
      stageFor(shaded, { place: 'root', like: 'B', ...more }, new Set(), counted()).formula.shades
    expect(madeOf({})).toEqual(shades)
    expect(madeOf({ level: 3 })).toBeUndefined()
    expect(madeOf({ tone: plan.formulas[1]!.tone === 'warm' ? 'cool' : 'warm' })).toBeUndefined()
  })

  it('holds until it is taken back', () => {
    const { amendment } = amended({})
    const told = event('amended', minutes(3), { amends: amendment })
    expect(amendmentsIn([told])).toEqual([amendment])
    expect(amendmentsIn([told, event('undone', minutes(4), { undoes: told.id })])).toEqual([])
    const open = { script: pinned, formulas: [], map: { zones: ['there'] } } as unknown as Parameters<
      typeof amendedRun
    >[0]
    expect(amendedRun(open, [])).toBe(open)
    const outlined = { ...amendment, shown: { ...amendment.shown, zones: ['added'] } } as unknown as Amendment
    expect(amendedRun(open, [outlined])).toMatchObject({
      script: amendment.script,
      formulas: [amendment.shown.formula],
      map: { zones: ['there', 'added'] },
    })
  })
})
