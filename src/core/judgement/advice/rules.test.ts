import { byId, type FaltoPlan, type HairState, type Placement } from '../../model'
import { planWith, type Wanted } from '../../../../tests/support/plan'
import type { RuleId } from '.'
import { computePlan } from '../../../../tests/support/planner'

type Tweak = (plan: FaltoPlan) => void
const make = (wanted: Wanted, tweak: Tweak = () => {}): FaltoPlan => {
  const plan = structuredClone(planWith(wanted))
  plan.products.push({ id: 'gloss', name: 'Gloss', kind: 'gloss', maximumMinutes: 20 })
  plan.formulas.push({
    id: 'D',
    name: 'Gloss',
    productId: 'gloss',
    developerVol: 7,
    ratio: 1.5,
    level: 8,
    tone: 'neutral',
  })
  tweak(plan)
  return plan
}
const says = (plan: FaltoPlan): string[] => computePlan(plan).advice.map(({ id }) => id)
const zones = (plan: FaltoPlan, change: (placement: Placement, role: string) => void): void =>
  plan.variants[0]!.stages[0]!.zones.forEach(({ placement, role }) => change(placement, role))
const only =
  (...roles: string[]): Tweak =>
  (plan) =>
    zones(plan, (placement, role) => void (roles.includes(role) || (placement.sequence = [])))
const hair = (change: Partial<HairState>): Pick<Wanted, 'hair'> => ({ hair: change })
const formula =
  (id: string, change: object): Tweak =>
  (plan) =>
    void Object.assign(byId(plan.formulas, id), change)
const stage =
  (kind: FaltoPlan['variants'][number]['stages'][number]['kind'], placement: Partial<Placement> = {}): Tweak =>
  (plan) => {
    const [first] = plan.variants[0]!.stages
    const copied = first!.zones.map((zone) => ({
      ...structuredClone(zone),
      id: `${zone.id}-2`,
      placement: { ...structuredClone(zone.placement), ...placement },
    }))
    plan.variants[0]!.stages.push({
      ...structuredClone(first!),
      id: 'second',
      kind,
      name: 'Second',
      zones: copied,
      order: copied.map(({ id }) => id),
    })
  }

const paint = { take: { kind: 'painted' as const, faceLiftCm: 6 }, subsectionMm: 18, startCm: 8 }
const scalp = { take: { kind: 'onScalp' as const }, subsectionMm: 3, rowGapMm: 0, sequence: ['C'] }
const STRIP = { template: 'topStrip' } as const
const NAPE = { template: 'fourQuadrants', parameters: { separateNape: true } } as const
/** Half of the hair was treated before. */
const lit: Tweak = (plan) =>
  void (plan.hairMap = { whitePercent: Array<number>(192).fill(0), earlierPercent: Array<number>(192).fill(50) })
const light9 = formula('A', { level: 9 })

/** Every rule both ways: a plan about which it speaks up, and one about which it must be silent. */
const CASES: Record<RuleId, [yes: FaltoPlan, no: FaltoPlan]> = {
  'part-line-dark': [
    make({ ...STRIP, placement: { rowGapMm: 4 } }, (plan) =>
      zones(plan, (placement, role) => void (role === 'top' && (placement.rowGapMm = 40))),
    ),
    make({ ...STRIP, placement: { rowGapMm: 4 } }),
  ],
  'uneven-sides': [make({}, only('frontLeft')), make({})],
  'shelf-at-the-back': [
    make({ placement: { rowGapMm: 2 } }, (plan) =>
      zones(plan, (placement, role) => void (role.startsWith('back') && (placement.rowGapMm = 40))),
    ),
    make({}),
  ],
  'no-light-behind': [
    make({ ...STRIP, placement: { rowGapMm: 0 } }, only('leftSide', 'rightSide', 'top')),
    make({ ...STRIP }),
  ],
  'face-not-brighter': [
    make({ placement: { rowGapMm: 3 } }, (plan) =>
      zones(plan, (placement, role) => void (role.startsWith('front') && (placement.rowGapMm = 20))),
    ),
    make({}),
  ],
  'one-flat-colour': [
    make({
      ...hair({ naturalLevel: 7 }),
      placement: { take: { kind: 'weave', stitchMm: 8, stitchGapMm: 2 }, rowGapMm: 0 },
    }),
    make({
      ...hair({ naturalLevel: 5 }),
      placement: { take: { kind: 'weave', stitchMm: 8, stitchGapMm: 2 }, rowGapMm: 0 },
    }),
  ],
  'barely-visible': [make(hair({ naturalLevel: 8 }), light9), make({}, light9)],
  stripes: [
    make(
      { ...STRIP, placement: { take: { kind: 'weave', stitchMm: 8, stitchGapMm: 5 } } },
      formula('A', { level: 10 }),
    ),
    make({ ...STRIP, placement: { take: { kind: 'weave', stitchMm: 3, stitchGapMm: 3 } } }),
  ],
  'bold-above-fine': [
    make({ ...STRIP }, (plan) =>
      zones(
        plan,
        (placement, role) =>
          void (role === 'top' ? (placement.take.stitchMm = 6) : role === 'nape' && (placement.take.stitchMm = 2)),
      ),
    ),
    make({ ...STRIP }),
  ],
  'horizontal-on-top': [
    make({ ...STRIP, placement: { direction: 'vertical', bricklay: false } }),
    make({ ...STRIP, placement: { direction: 'vertical' } }),
  ],
  'gaps-line-up': [make({ placement: { bricklay: false } }), make({})],
  'wide-gaps-on-top': [
    make({ ...STRIP, placement: { rowGapMm: 30 } }),
    make({ ...STRIP, placement: { rowGapMm: 12 } }),
  ],
  'thin-lightener': [make({ placement: { subsectionMm: 13 } }), make({ placement: { subsectionMm: 7 } })],
  'thick-babylights': [
    make({ placement: { take: { kind: 'babylight' }, subsectionMm: 7 } }),
    make({ placement: { take: { kind: 'babylight' }, subsectionMm: 3 } }),
  ],
  'thick-on-scalp': [make({ placement: { ...scalp, subsectionMm: 8 } }), make({ placement: scalp })],
  'white-partings': [
    make(
      { placement: { ...scalp, sequence: ['B'], subsectionMm: 8 } },
      (plan) =>
        void (plan.hairMap = { whitePercent: Array<number>(192).fill(40), earlierPercent: Array<number>(192).fill(0) }),
    ),
    make({ placement: { ...scalp, sequence: ['B'], subsectionMm: 8 } }),
  ],
  'teased-to-the-scalp': [
    make({ placement: { take: { kind: 'teased' }, subsectionMm: 13 } }),
    make({ placement: { take: { kind: 'teased' }, subsectionMm: 13, startCm: 3 } }),
  ],
  'thin-teased': [
    make({ placement: { take: { kind: 'teased' }, subsectionMm: 6, startCm: 3 } }),
    make({ placement: { take: { kind: 'teased' }, subsectionMm: 13, startCm: 3 } }),
  ],
  'tight-face': [
    make({ template: 'faceFrame', placement: { take: { kind: 'teased' }, subsectionMm: 13, startCm: 3 } }),
    make({ template: 'fourQuadrants', placement: { take: { kind: 'teased' }, subsectionMm: 13, startCm: 3 } }),
  ],
  'staggered-root': [
    make({ placement: { startCm: 2 } }),
    make({ placement: { startCm: 2, ramps: [{ figure: 'startCm', way: 'alternating', to: 3 }] } }),
  ],
  'painted-to-the-scalp': [make({ placement: { ...paint, startCm: 0 } }), make({ placement: paint })],
  'painted-level': [
    make({ placement: { ...paint, take: { kind: 'painted', faceLiftCm: 0 } } }),
    make({ placement: paint }),
  ],
  'thin-painted': [make({ placement: { ...paint, subsectionMm: 6 } }), make({ placement: paint })],
  'painted-weak': [make({ placement: paint }, formula('A', { developerVol: 15 })), make({ placement: paint })],
  'fragile-nape': [make({ ...NAPE, ...hair({ fragile: ['nape'] }) }), make(NAPE)],
  'fragile-hairline': [
    make({ template: 'faceFrame', ...hair({ fragile: ['temples'] }) }),
    make({ template: 'faceFrame' }),
  ],
  'light-over-light': [
    make({ placement: { select: 'earlier' } }, lit),
    make({ placement: { select: 'earlier', upToCm: 2.4 } }, lit),
  ],
  'fragile-ends': [
    make(hair({ fragile: ['ends'] })),
    make({ ...hair({ fragile: ['ends'] }), placement: { stopBeforeEndsCm: 5 } }),
  ],
  'base-meets-light': [
    make(
      { placement: { startCm: 1 } },
      stage('base', {
        ...scalp,
        take: { ...planWith().variants[0]!.stages[0]!.zones[0]!.placement.take, kind: 'onScalp', bandCm: 1.5 },
        sequence: ['B'],
      }),
    ),
    make(
      { placement: { startCm: 1, bufferCm: 2 } },
      stage('base', {
        ...scalp,
        take: { ...planWith().variants[0]!.stages[0]!.zones[0]!.placement.take, kind: 'onScalp', bandCm: 1.5 },
        sequence: ['B'],
      }),
    ),
  ],
  'tone-before-eight': [
    make({}, formula('A', { level: 7, tone: 'cool' })),
    make({}, formula('A', { level: 8, tone: 'cool' })),
  ],
  'too-dark-low': [
    make({ placement: { rowGapMm: 0, take: { kind: 'slice' }, sequence: ['A', 'B'] } }, formula('B', { level: 2 })),
    make({ placement: { rowGapMm: 0, take: { kind: 'slice' }, sequence: ['A', 'B'] } }),
  ],
  'gloss-strength': [
    make({ placement: { sequence: ['D'] } }, formula('D', { developerVol: 20 })),
    make({ placement: { sequence: ['D'] } }),
  ],
  'colour-strength': [
    make({ placement: { sequence: ['B'] } }, formula('B', { developerVol: 30 })),
    make({ placement: { sequence: ['B'] } }),
  ],
  'no-tone-after-light': [make({}), make({}, stage('gloss', { sequence: ['D'] }))],
  'face-frame-swallowed': [
    make(
      {},
      stage('shadowRoot', {
        take: { ...planWith().variants[0]!.stages[0]!.zones[0]!.placement.take, kind: 'onScalp', bandCm: 4 },
        sequence: ['D'],
      }),
    ),
    make(
      {},
      stage('shadowRoot', {
        take: { ...planWith().variants[0]!.stages[0]!.zones[0]!.placement.take, kind: 'onScalp', bandCm: 1 },
        sequence: ['D'],
      }),
    ),
  ],
  'gloss-along-foils': [
    make({}, stage('shadowRoot', { sequence: ['D'] })),
    make({}, stage('shadowRoot', { sequence: ['D'], direction: 'vertical' })),
  ],
  'against-the-haircut': [
    make({ ...hair({ cutLine: 'graduatedForward' }), placement: { direction: 'diagonalBack' } }),
    make({ ...hair({ cutLine: 'graduatedForward' }), placement: { direction: 'diagonalForward' } }),
  ],
  'fuller-side-first': [make(hair({ part: 'right' })), make(hair({ part: 'left' }))],
  'hairline-before-back': [
    make(
      { template: 'onScalpSections', placement: scalp },
      (plan) => void plan.variants[0]!.stages[0]!.order.reverse(),
    ),
    make({ template: 'onScalpSections', placement: scalp }),
  ],
  'back-before-front': [make({}), make({}, (plan) => void plan.variants[0]!.stages[0]!.order.reverse())],
  'strong-developer': [make({}, formula('A', { developerVol: 30 })), make({})],
}

const IDS = Object.keys(CASES) as RuleId[]

it('has at least thirty rules, and a case for every one', () => {
  expect(IDS.length).toBeGreaterThanOrEqual(30)
})

it.each(IDS)('%s speaks up where it must and is silent where it must not', (id) => {
  const [yes, no] = CASES[id]
  expect(says(yes)).toContain(id)
  expect(says(no)).not.toContain(id)
})

it.each(IDS.filter((id) => computePlan(CASES[id][0]).advice.some((one) => one.id === id && one.suggestion)))(
  'what %s suggests ends what it is about',
  (id) => {
    const plan = structuredClone(CASES[id][0])
    const { suggestion } = byId(computePlan(plan).advice, id)
    for (const { zoneId, set } of suggestion!.changes)
      for (const { zones: all } of plan.variants[0]!.stages)
        Object.assign(all.find((zone) => zone.id === zoneId)?.placement ?? {}, set)
    expect(says(plan)).not.toContain(id)
  },
)

it('never says that something is safe', () => {
  for (const [yes] of Object.values(CASES))
    for (const { text } of computePlan(yes).advice) expect(text).not.toMatch(/\bsafe\b/i)
})
