import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'
import type { FaltoPlan } from '@/core/model'
import type { AfterFigures, PlanFigures } from '@/core/plan/planner'
import { SERVICES } from '@/core/plan/serviceKinds'
import { checkPlanDocument } from '@/dto'

/** The command line as somebody else's script uses it: JSON on stdout, one line on stderr and a code for the rest. */
function falto(command: 'kinds' | 'plan' | 'compute', args: string[] = [], input: unknown = '') {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    ['--import', 'tsx', `scripts/${command}.ts`, ...args],
    {
      encoding: 'utf8',
      input: typeof input === 'string' ? input : JSON.stringify(input),
      env: { ...process.env, NODE_NO_WARNINGS: '1' },
      maxBuffer: 64e6,
    },
  )
  return { code: status, answer: stdout ? (JSON.parse(stdout) as unknown) : undefined, said: stderr.trim() }
}

const BANDS = [
  { fromCm: 0, toCm: 3, level: 4, hue: 'neutral', strength: 0, treatments: [], porosity: 'normal', integrity: 'sound' },
  {
    ...{ fromCm: 3, toCm: 35, level: 9, hue: 'pearl', strength: 0.3, porosity: 'high', integrity: 'worn' },
    treatments: [{ kind: 'lightened' }, { kind: 'demi' }],
  },
]

it('lists the kinds of service there are', () => {
  const { code, answer } = falto('kinds')
  expect(code).toBe(0)
  expect(answer).toEqual(SERVICES.map(({ id, name, help }) => ({ id, name, help })))
})

it('plans for a client whose lengths are light, and computes what every stage meets and leaves', () => {
  const made = falto('plan', ['foilRetouch', '--client', '-', '--level', '4'], { bands: BANDS, whitePercent: 10 })
  expect([made.code, made.said]).toEqual([0, ''])
  const plan = made.answer as FaltoPlan
  expect(checkPlanDocument(plan)).toMatchObject({ ok: true })
  const { code, answer } = falto('compute', ['-'], plan)
  expect(code).toBe(0)
  const { after, stages, look } = answer as AfterFigures & PlanFigures
  expect(after.reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(1, 2)
  expect(after.filter(({ white }) => white).reduce((sum, { share }) => sum + share, 0)).toBeCloseTo(0.1, 2)
  const [{ met, left }] = stages as [AfterFigures['stages'][number]]
  expect(met[0]!.level).toBeLessThan(left[0]!.level)
  expect(met.at(-1)!.level).toBe(left.at(-1)!.level)
  // Hair that is light all over but for its root is no whole strand lighter for a retouch.
  expect(look.lightPercent).toBe(0)
})

it('plans for the standard head with what the flags say of it', () => {
  const flags = ['--length', '50', '--density', 'high', '--texture', 'fine', '--level', '7']
  const { hair } = falto('plan', ['fullBabylights', ...flags]).answer as FaltoPlan
  expect(hair).toMatchObject({ lengthCm: 50, density: 'high', texture: 'fine', naturalLevel: 7 })
})

it('proposes from the wish', () => {
  const wish = { ...GOAL, lightPercent: 12, targets: [{ region: 'all', level: 9, hue: 'beige', strength: 0.4 }] }
  const { answer } = falto('plan', ['proposed', '--client', '-'], { goal: wish })
  expect((answer as FaltoPlan).proposal!.length).toBeGreaterThan(1)
})

const GOAL = {
  warmth: 'some',
  contrast: 'clear',
  faceFrame: 'soft',
  root: 'rooted',
  shadowCm: 2,
  white: 'keep',
  wear: { straight: 0.5, waved: 0.3, tiedLow: 0.1, tiedHigh: 0.1 },
  upkeepWeeks: 10,
  means: 'open',
  school: 'lowAndSlow',
}

it.each<[string, 'plan' | 'compute', string[], unknown, RegExp]>([
  ['no kind', 'plan', [], '', /say one kind of service/],
  ['a kind that is not there', 'plan', ['fringeOnly'], '', /no kind of service "fringeOnly"; \.\/falto kinds/],
  ['a flag that is not there', 'plan', ['fullBabylights', '--colour', 'red'], '', /--colour/],
  [
    'a length that no hair has',
    'plan',
    ['fullBabylights', '--length', '900'],
    '',
    /--length must be between 2 and 150 cm/,
  ],
  ['a word that is none', 'plan', ['fullBabylights', '--density', 'thick'], '', /low, medium, high/],
  ['no wish to propose from', 'plan', ['proposed'], '', /goal is missing/],
  ['what is no JSON', 'plan', ['fullBabylights', '--client', '-'], '{', /standard input is not valid JSON/],
  ['a file that is not there', 'plan', ['fullBabylights', '--client', 'nobody.json'], '', /cannot be read \(ENOENT\)/],
  ['bands that leave a gap', 'plan', ['fullBabylights', '--client', '-'], { bands: [BANDS[1]] }, /bands\[0\]\.fromCm/],
  ['a field Falto does not know', 'plan', ['fullBabylights', '--client', '-'], { shoe: 1 }, /shoe is not a field/],
  ['a document that is none', 'compute', ['-'], { format: 'other' }, /not a plan that can be computed: format/],
])('says in one line what is wrong with %s', (_what, command, args, input, words) => {
  const { code, answer, said } = falto(command, args, input)
  expect(code).toBe(2)
  expect(answer).toBeUndefined()
  expect(said).toMatch(words)
  expect(said.split('\n')).toHaveLength(1)
})

it('names its commands in its own help', () => {
  const help = readFileSync('falto', 'utf8')
  for (const command of ['kinds', 'plan KIND', 'compute FILE']) expect(help).toContain(`./falto ${command}`)
})
