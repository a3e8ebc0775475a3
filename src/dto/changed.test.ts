import { applyPatches, enablePatches, type Patch } from 'immer'
import { chance } from '@/core/numeric'
import { PLAN_FORMAT, type FaltoPlan } from '@/core/model'
import { SERVICES } from '@/core/plan/serviceKinds'
import { servicePlan } from '../../tests/support/samples'
import { checkChanged, checkEntry } from './validate'
import { FaltoPlanDto } from './plan'

enablePatches()

/** What a hand, or somebody of bad will, may put anywhere. */
const VALUES: readonly unknown[] = [
  null,
  true,
  -1,
  1e9,
  0.5,
  '',
  'x',
  'x'.repeat(5000),
  [],
  [[]],
  [null],
  {},
  { a: 1 },
  { constructor: {} },
  '\u0000',
  '2026-02-31',
]

/** Every place of a document. */
function places(value: unknown, at: (string | number)[] = []): (string | number)[][] {
  if (typeof value !== 'object' || value === null) return [at]
  const own: [string | number, unknown][] = Array.isArray(value) ? [...value.entries()] : Object.entries(value)
  return [at, ...own.flatMap(([key, inner]) => places(inner, [...at, key]))]
}

const plans = SERVICES.slice(0, 6).map(({ id }) => servicePlan(id))
const everyPlace = new Map(plans.map((plan) => [plan, places(plan)]))

describe('a document that came out of one that passed', () => {
  it('is found wrong where the whole of it is, and nowhere else', () => {
    const { even } = chance(20_261_130)
    const draw = <T>(list: readonly T[]): T => list[Math.floor(even() * list.length)]!
    const found = new Map([
      [true, 0],
      [false, 0],
    ])
    for (let i = 0; i < 400; i++) {
      const before = draw(plans)
      const all = everyPlace.get(before)!
      const patches: Patch[] = Array.from({ length: 1 + Math.floor(3 * even()) }, () => {
        const path = draw(all)
        const kind = even()
        if (kind < 0.15 && path.length > 0) return { op: 'remove', path }
        if (kind < 0.3) return { op: 'add', path: [...path, 'extra'], value: draw(VALUES) }
        // A part of another place, whole as it is: what fits there need not fit here.
        if (kind < 0.4) return { op: 'replace', path, value: draw(all).reduce<unknown>(inside, before) }
        const alike = all.filter((other) => other.at(-1) === path.at(-1))
        if (kind < 0.75) return { op: 'replace', path, value: draw(alike).reduce<unknown>(inside, before) }
        return { op: 'replace', path, value: draw(VALUES) }
      })
      let after: FaltoPlan
      try {
        after = applyPatches(before, patches) as FaltoPlan
      } catch {
        continue // Such patches are refused before anybody looks at the document.
      }
      const whole = checkEntry<FaltoPlan>(FaltoPlanDto, after)
      const changed = checkChanged(after, before)
      found.set(whole.ok, found.get(whole.ok)! + 1)
      expect({ patches, ...changed }).toEqual({ patches, ...whole })
    }
    expect(found.get(true)).toBeGreaterThan(40)
    expect(found.get(false)).toBeGreaterThan(100)
  })

  it('is held against its class where there was nothing before', () => {
    const [plan] = plans as [FaltoPlan]
    expect(checkChanged({ ...plan, note: 5 }, plan)).toMatchObject({ ok: false, problems: [{ path: 'note' }] })
    expect(checkChanged({ ...plan, foils: { widthMm: 'x' } }, plan).ok).toBe(false)
    expect(checkChanged({ format: PLAN_FORMAT }, plan).ok).toBe(false)
    expect(checkChanged(5, plan).ok).toBe(false)
    expect(checkChanged(plan, plan)).toEqual({ ok: true, value: plan })
  })
})

const inside = (value: unknown, key: string | number): unknown => (value as Record<string | number, unknown>)[key]
