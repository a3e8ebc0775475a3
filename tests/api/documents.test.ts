import Ajv2020 from 'ajv/dist/2020'
import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEMO_CLIENTS } from '@/demo'
import { checkPlanDocument, checkEntry, FaltoPlanDto } from '@/dto'
import type { FaltoPlan } from '@/core/model'
import { planWith } from '../support/plan'

const schemaIn = (name: string) => JSON.parse(readFileSync(`docs/schema/${name}.schema.json`, 'utf8')) as object
const published = schemaIn('falto-plan-2')
const matches = new Ajv2020({
  allErrors: true,
  strictTypes: false,
  formats: { date: /^\d{4}-\d{2}-\d{2}$/, 'date-time': /^\d{4}-\d{2}-\d{2}T/ },
}).compile(published)

type Harm = (plan: Record<string, never> & FaltoPlan) => unknown
const zone = (plan: FaltoPlan) => plan.variants[0]!.stages[0]!.zones[0]!
const set = (target: object, key: string, value: unknown) => Object.assign(target, { [key]: value })

/** Documents that the schema alone refuses, with the field that the message must name. */
const REFUSED: [string, Harm, string][] = [
  ['an unknown field', (plan) => set(plan, 'colour', 'blue'), 'colour'],
  [
    'an unknown field deep inside',
    (plan) => set(zone(plan).placement.take, 'speed', 1),
    'variants[0].stages[0].zones[0].placement.take.speed',
  ],
  ['a word for a number', (plan) => set(plan.head, 'circumferenceCm', 'large'), 'head.circumferenceCm'],
  ['a number as a word', (plan) => set(plan.head, 'circumferenceCm', '54'), 'head.circumferenceCm'],
  ['null for a number', (plan) => set(plan.head, 'earToEarCm', null), 'head.earToEarCm'],
  ['a 5 cm head', (plan) => set(plan.head, 'circumferenceCm', 5), 'head.circumferenceCm'],
  [
    'a 0.1 mm stitch',
    (plan) => set(zone(plan).placement.take, 'stitchMm', 0.1),
    'variants[0].stages[0].zones[0].placement.take.stitchMm',
  ],
  ['60 vol developer', (plan) => set(plan.formulas[0]!, 'developerVol', 60), 'formulas[0].developerVol'],
  [
    'an unknown direction',
    (plan) => set(zone(plan).placement, 'direction', 'sideways'),
    'variants[0].stages[0].zones[0].placement.direction',
  ],
  ['a list for an object', (plan) => set(plan, 'hair', []), 'hair'],
  ['an object for a list', (plan) => set(plan, 'variants', {}), 'variants'],
  ['no variants', (plan) => set(plan, 'variants', []), 'variants'],
  ['a missing field', (plan) => delete (plan as Partial<FaltoPlan>).hair, 'hair'],
  [
    'a missing take',
    (plan) => delete (zone(plan).placement as Partial<object> & { take?: object }).take,
    'variants[0].stages[0].zones[0].placement.take',
  ],
  ['another format', (plan) => set(plan, 'format', 'something-else'), 'format'],
  ['a newer version', (plan) => set(plan, 'schemaVersion', 3), 'schemaVersion'],
  ['a formula of two letters', (plan) => set(plan.formulas[0]!, 'id', 'AB'), 'formulas[0].id'],
  [
    'a sequence of anything',
    (plan) => set(zone(plan).placement, 'sequence', ['everything']),
    'variants[0].stages[0].zones[0].placement.sequence',
  ],
  [
    'a place beyond the hairline',
    (plan) => set(plan.variants[0]!.stages[0]!.layout.vertices[0]!, 's', 1.5),
    'variants[0].stages[0].layout.vertices[0].s',
  ],
  [
    'a number among the zones',
    (plan) => set(plan.variants[0]!.stages[0]!, 'zones', [7]),
    'variants[0].stages[0].zones[0]',
  ],
  ['an empty name', (plan) => set(plan, 'name', ''), 'name'],
]

describe('the published schema and the checks at the entry', () => {
  it('is what the code makes today', () => {
    const made = mkdtempSync(join(tmpdir(), 'falto-published-'))
    execFileSync('node', ['scripts/run.mjs', 'scripts/examples.ts', made])
    const files = readdirSync(made, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.json'))
    expect(files.length).toBe(readdirSync('docs/schema').length + readdirSync('docs/examples').length)
    for (const name of files)
      expect([name, readFileSync(join('docs', name), 'utf8')]).toEqual([name, readFileSync(join(made, name), 'utf8')])
    rmSync(made, { recursive: true })
  })

  it.each(DEMO_CLIENTS.map(({ key }) => [key] as const))(
    'agree that the example %s is good, and it is what the demo makes',
    (key) => {
      const example = JSON.parse(readFileSync(`docs/examples/${key}.json`, 'utf8')) as FaltoPlan
      expect(matches(example)).toBe(true)
      expect(checkPlanDocument(example)).toEqual({ ok: true, value: example })
      const made = DEMO_CLIENTS.find((demo) => demo.key === key)!.plan(() => 'id')
      const withoutIds = (plan: FaltoPlan) =>
        JSON.parse(JSON.stringify(plan).replace(/[0-9a-f]{8}-[0-9a-f-]{27}/g, 'id')) as FaltoPlan
      expect(withoutIds(example)).toEqual(withoutIds(made))
    },
  )

  it('there is one example per demo client', () => {
    expect(readdirSync('docs/examples').sort()).toEqual(DEMO_CLIENTS.map(({ key }) => `${key}.json`).sort())
  })

  it.each(REFUSED)('agree in refusing %s, and name the field', (_what, harm, field) => {
    const plan = planWith()
    harm(plan as Parameters<Harm>[0])
    expect(matches(plan)).toBe(false)
    const checked = checkPlanDocument(plan)
    expect(checked.ok).toBe(false)
    if (!checked.ok) expect(checked.problems.map(({ path }) => path)).toContain(field)
  })

  it('agree on optional measures left out', () => {
    const plan = planWith({ head: { circumferenceCm: 54 } })
    expect(matches(plan)).toBe(true)
    expect(checkEntry(FaltoPlanDto, plan).ok).toBe(true)
  })

  it.each([
    ['a word that is no letter', ['A', 'red']],
    ['a number', ['A', 3]],
    ['an entry with a field of its own invention', [{ stretches: [], speed: 1 }]],
    ['a stretch beyond any hair', [{ stretches: [{ formulaId: 'A', toCm: 900 }] }]],
    ['an entry without stretches', [{ startCm: 2 }]],
  ])('agree in refusing a rhythm with %s', (_what, sequence) => {
    const plan = planWith()
    set(zone(plan).placement, 'sequence', sequence)
    expect(matches(plan)).toBe(false)
    const checked = checkPlanDocument(plan)
    expect(checked.ok ? [] : checked.problems.map(({ path }) => path)).toEqual([
      'variants[0].stages[0].zones[0].placement.sequence',
    ])
  })

  it('agree on entries of their own, relations and notes', () => {
    const plan = planWith()
    const stage = plan.variants[0]!.stages[0]!
    Object.assign(plan, { note: 'Sits by the window', foils: { widthCm: 10, lengthsCm: [20, 30] } })
    Object.assign(stage, { lasts: { minutes: 30, from: 'eachPiece' }, comesOff: { kind: 'ownRinse' }, method: 'foil' })
    set(zone(plan).placement, 'sequence', [
      'A',
      { stretches: [{ formulaId: 'A', toCm: 5 }, { formulaId: 'B' }], startCm: 1 },
    ])
    expect(matches(plan)).toBe(true)
    expect(checkPlanDocument(plan)).toEqual({ ok: true, value: plan })
  })

  it('say the allowed range', () => {
    const checked = checkPlanDocument(planWith({ head: { circumferenceCm: 5 } }))
    expect(checked).toEqual({
      ok: false,
      problems: [{ path: 'head.circumferenceCm', message: 'must be a number from 45 to 68 cm' }],
    })
  })

  it('refuse NaN and infinity, which JSON cannot say but a caller can', () => {
    for (const circumferenceCm of [NaN, Infinity])
      expect(checkPlanDocument(planWith({ head: { circumferenceCm } })).ok).toBe(false)
  })

  it.each([[null], [7], ['text'], [[]]])('refuse %j', (entry) => {
    expect(checkPlanDocument(entry).ok).toBe(false)
  })
})
