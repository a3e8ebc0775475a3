import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import type { FaltoPlan } from '@/core/model'
import { clockFigures, planFigures } from '@/core/plan/planner'
import { ALONE, clockFor } from '@/core/time/schedule'
import { SERVICES } from '@/core/plan/serviceKinds'
import { GOLDEN_HEADS, goldenPlan, OWN_HEAD } from '../support/samples'
import { computePlan } from '../support/planner'

/**
 * Every kind of service on four heads, to the digit, so that nothing moves unnoticed. No outside fact: what stands in
 * `golden.json` is what Falto said. A figure changes only with a reason in the commit that changes it;
 * `FALTO_GOLDEN=write ./falto test reference` then writes the file anew.
 */
const FILE = 'tests/reference/golden.json'

/** What is read at a glance when something moved; `all` stands for every figure there is. */
interface Golden {
  foils: number
  grams: Record<string, number>
  handsMinutes: number
  visitMinutes: number
  lightPercent: number
  cautions: number
  advice: number
  all: string
}

function golden(head: string, plan: FaltoPlan): Golden {
  const computed = computePlan(plan)
  // Under which version of the constants is said by their own test.
  const { constantsVersion: _version, ...figures } = planFigures(plan, computed)
  const crew = ALONE
  // What would make a clock fit is searched for on one head only: it takes longer than everything else together.
  const clock =
    head === OWN_HEAD ? clockFigures(plan, computed, { crew }) : clockInShort(clockFor(plan, computed, { crew }))
  return {
    foils: figures.foils,
    grams: Object.fromEntries(Object.entries(figures.grams).map(([id, { expected }]) => [id, expected])),
    handsMinutes: figures.minutes.expected,
    visitMinutes: clock.minutes.expected,
    lightPercent: figures.look.lightPercent,
    cautions: figures.cautions.length,
    advice: figures.advice.length,
    all: createHash('sha256').update(JSON.stringify({ figures, clock })).digest('hex').slice(0, 16),
  }
}

/** A clock rounded as it leaves the core, without what it would take to make it fit. */
function clockInShort({ fits, finish, tasks, zones, conflicts }: ReturnType<typeof clockFor>) {
  return {
    fits,
    minutes: { low: tenth(finish.low), expected: tenth(finish.expected), high: tenth(finish.high) },
    tasks: tasks.map(({ id, from, to }) => [id, tenth(from), tenth(to)]),
    zones: zones.map(({ zoneId, level, strain, short }) => [
      zoneId,
      tenth(level.low),
      tenth(level.high),
      Math.round(100 * strain),
      short,
    ]),
    conflicts: conflicts.map(({ about, over }) => [about, tenth(over)]),
  }
}

const tenth = (value: number): number => Math.round(10 * value) / 10

const CASES = SERVICES.flatMap(({ id }) => Object.keys(GOLDEN_HEADS).map((head) => [id, head] as const))

if (process.env['FALTO_GOLDEN'] === 'write')
  it('writes the golden figures anew', () => {
    const lines = CASES.map(
      ([id, head]) => `  ${JSON.stringify(`${id} on ${head}`)}: ${JSON.stringify(golden(head, goldenPlan(id, head)))}`,
    )
    writeFileSync(FILE, `{\n${lines.join(',\n')}\n}\n`)
  })
else {
  const known = JSON.parse(readFileSync(FILE, 'utf8')) as Record<string, Golden>
  it('there is a figure for every kind on every head', () =>
    expect(Object.keys(known)).toEqual(CASES.map(([id, head]) => `${id} on ${head}`)))
  it.each(CASES)('%s on %s', (id, head) =>
    expect(golden(head, goldenPlan(id, head))).toEqual(known[`${id} on ${head}`]),
  )
}
