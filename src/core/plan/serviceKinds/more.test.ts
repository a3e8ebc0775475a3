import { counting, servicePlan } from '../../../../tests/support/samples'
import { checkPlan } from '../planner'
import { activeVariant, COUNTS, lighteningLetters, placementLetters, type FaltoPlan, type More } from '../../model'
import { CannotAddError, stageFor } from './more'

const plan = () => servicePlan('fullBabylights')
const gloss = (one: FaltoPlan) => one.formulas.find(({ id }) => !lighteningLetters(one).has(id))!
const light = (one: FaltoPlan) => [...lighteningLetters(one)][0]!
const add = (one: FaltoPlan, more: Partial<More> = {}, begun: readonly string[] = []) =>
  stageFor(one, { place: 'everything', like: gloss(one).id, ...more }, new Set(begun), counting())
const withAdded = (one: FaltoPlan, { stage, at, formula }: ReturnType<typeof stageFor>) => {
  const after = structuredClone(one)
  after.formulas.push(formula)
  after.variants[0]!.stages.splice(at, 0, stage)
  return after
}

describe('something more on the hair', () => {
  it('is a stage under a letter of its own that keeps every law of a plan', () => {
    for (const place of ['everything', 'root', 'lightened'] as const) {
      const one = plan()
      const begun = activeVariant(one).stages.map(({ id }) => id)
      const added = add(one, { place }, begun)
      expect(one.formulas.map(({ id }) => id)).not.toContain(added.formula.id)
      expect(new Set(added.stage.zones.flatMap(({ placement }) => placementLetters(placement)))).toEqual(
        new Set([added.formula.id]),
      )
      expect(checkPlan(withAdded(one, added))).toEqual([])
    }
  })

  it('is mixed like the other, with a level, a tone and minutes of its own', () => {
    const one = plan()
    gloss(one).shades = [{ shadeId: 'x', share: 1 }] as never
    const same = add(one)
    expect(same.formula).toMatchObject({ level: gloss(one).level, tone: gloss(one).tone, shades: gloss(one).shades })
    expect(add(one, { level: gloss(one).level, tone: gloss(one).tone }).formula.shades).toEqual(gloss(one).shades)
    const other = add(one, { level: 4, minutes: 15 })
    expect(other.formula.level).toBe(4)
    expect(other.formula.shades).toBeUndefined()
    expect(other.stage.lasts).toEqual({ minutes: 15 })
    const tone = gloss(one).tone === 'warm' ? 'cool' : 'warm'
    const toned = add(one, { tone })
    expect(toned.formula.tone).toBe(tone)
    expect(toned.formula.level).toBe(gloss(one).level)
    expect(toned.formula.shades).toBeUndefined()
    gloss(one).bowls = { count: 2 } as never
    expect(add(one).formula.bowls).toBeUndefined()
  })

  it('on the root goes as far as it is said, on what was lightened on that alone', () => {
    const one = plan()
    const root = add(one, { place: 'root', bandCm: 3 })
    expect(root.stage.zones.every(({ placement }) => placement.take.bandCm === 3)).toBe(true)
    const lightened = add(one, { place: 'lightened' })
    expect(lightened.stage.worksOn).toMatchObject({ kind: 'took', stageId: activeVariant(one).stages[0]!.id })
    expect(add(one).stage.worksOn?.kind ?? 'everything').toBe('everything')
  })

  it('comes after all that comes off with what is begun', () => {
    const one = plan()
    const { stages } = activeVariant(one)
    expect(add(one).at).toBe(0)
    expect(add(one, {}, [stages[0]!.id]).at).toBeGreaterThanOrEqual(1)
    expect(
      add(
        one,
        {},
        stages.map(({ id }) => id),
      ).at,
    ).toBe(stages.length)
  })

  it('is refused in words where it cannot be', () => {
    const one = plan()
    const refusal = (more: Partial<More>, of = one) => {
      expect(() => add(of, more)).toThrow(CannotAddError)
      return expect(() => add(of, more))
    }
    refusal({ like: 'Z' }).toThrow('This visit has no formula Z.')
    refusal({ like: light(one) }).toThrow(/Lightener is planned on the Map page/)
    const dark = plan()
    for (const { zones } of activeVariant(dark).stages)
      for (const { placement } of zones) placement.sequence = [gloss(dark).id]
    refusal({ place: 'lightened' }, dark).toThrow('Nothing is lightened in this visit.')
    const lettered = plan()
    for (const letter of 'ABCDEFGHIJKLMNOPQRSTUVWXYZ')
      if (!lettered.formulas.some(({ id }) => id === letter)) lettered.formulas.push({ ...gloss(lettered), id: letter })
    refusal({}, lettered).toThrow(/no letter left/)
    const full = plan()
    const [first] = full.variants[0]!.stages
    while (full.variants[0]!.stages.length < COUNTS.stages)
      full.variants[0]!.stages.push({ ...first!, id: `more-${full.variants[0]!.stages.length}` })
    refusal({}, full).toThrow(/as many stages as a plan can hold/)
  })
})
