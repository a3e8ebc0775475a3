import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { buildSync } from 'esbuild'
import sharp from 'sharp'
import type { AfterFigures, PlanFigures } from '@/core/plan/planner'
import { SERVICES } from '@/core/plan/serviceKinds'
import { checkPlanDocument } from '@/dto'
import { compute } from '../../scripts/commands/compute'
import { EntryError } from '../../scripts/commands/entry'
import { lift } from '../../scripts/commands/lift'
import { look } from '../../scripts/commands/look'
import { FOR_NODE } from '../../scripts/bundle.mjs'
import { plan } from '../../scripts/commands/plan'

const folder = mkdtempSync(join(tmpdir(), 'falto-commands-'))
/** As one file: translated once for all of them. Beside the packages, which it finds from there. */
const command = join(process.cwd(), 'node_modules', `.falto-command-${process.pid}.mjs`)
beforeAll(() => {
  buildSync({ ...FOR_NODE, entryPoints: ['scripts/command.ts'], outfile: command })
})
afterAll(() => {
  rmSync(folder, { recursive: true })
  rmSync(command)
})

/** The command line as somebody else's script uses it: JSON on stdout, one line on stderr and a code for the rest. */
function falto(args: string[], input = '') {
  const { status, stdout, stderr } = spawnSync(process.execPath, [command, ...args], {
    encoding: 'utf8',
    input,
    env: { ...process.env, NODE_NO_WARNINGS: '1' },
    maxBuffer: 64e6,
  })
  return { code: status, out: stdout, said: stderr.trim() }
}

let files = 0
/** A file that holds an entry, or a text as it stands. */
function fileOf(entry: unknown): string {
  const file = join(folder, `${files++}.json`)
  writeFileSync(file, typeof entry === 'string' ? entry : JSON.stringify(entry))
  return file
}

const BANDS = [
  { fromCm: 0, toCm: 3, level: 4, hue: 'neutral', strength: 0, treatments: [], porosity: 'normal', integrity: 'sound' },
  {
    ...{ fromCm: 3, toCm: 35, level: 9, hue: 'pearl', strength: 0.3, porosity: 'high', integrity: 'worn' },
    treatments: [{ kind: 'lightened' }, { kind: 'demi' }],
  },
]

it('lists the kinds of service there are', () => {
  const { code, out } = falto(['kinds'])
  expect(code).toBe(0)
  expect(JSON.parse(out)).toEqual(SERVICES.map(({ id, name, help }) => ({ id, name, help })))
})

it('plans for a client whose lengths are light, and computes what every stage meets and leaves', () => {
  const made = falto(
    ['plan', 'foilRetouch', '--client', '-', '--level', '4'],
    JSON.stringify({ bands: BANDS, whitePercent: 10 }),
  )
  expect([made.code, made.said]).toEqual([0, ''])
  expect(checkPlanDocument(JSON.parse(made.out))).toMatchObject({ ok: true })
  const { code, out } = falto(['compute', '-'], made.out)
  expect(code).toBe(0)
  const { after, stages, look } = JSON.parse(out) as AfterFigures & PlanFigures
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
  expect(plan(['fullBabylights', ...flags]).hair).toMatchObject({
    lengthCm: 50,
    density: 'high',
    texture: 'fine',
    naturalLevel: 7,
  })
})

const STRAND = {
  naturalLevel: 3,
  level: 3,
  history: [],
  texture: 'medium',
  kind: 'powderLightener',
  vol: 20,
  ratio: 2,
  maximumMinutes: 50,
  maximumLift: 8,
  cover: 'foil',
  onScalp: false,
  distanceCm: 8,
  minutes: 60,
}

it('answers a question of lift minute by minute, and lifts no further once the label’s time is over', () => {
  const { code, out } = falto(['lift', '-'], JSON.stringify(STRAND))
  expect(code).toBe(0)
  const { byMinute, end, pastLabelMinutes } = JSON.parse(out) as ReturnType<typeof lift>
  expect(byMinute).toHaveLength(61)
  expect(byMinute[0]).toEqual({ minute: 0, low: 3, expected: 3, high: 3 })
  expect(byMinute[60]).toMatchObject(end)
  expect(byMinute[50]).toMatchObject(end)
  expect(pastLabelMinutes).toBe(10)
  // C14: the same strand comes to 8 within an hour.
  expect(end.low).toBeLessThan(end.expected)
  expect(Math.abs(end.expected - 7.5)).toBeLessThan(0.7)
})

it('lifts softened dye as the hair beneath, and kept moist on and on', () => {
  const endOf = (more: object) => lift([fileOf({ ...STRAND, maximumMinutes: 90, ...more })]).end.expected
  const [dyed, softened] = [{ history: ['boxDye'] }, { history: ['boxDye'], softened: true }].map(endOf)
  expect(softened! - dyed!).toBeGreaterThan(1)
  const open = { cover: 'open', onScalp: true, distanceCm: 0.5, kind: 'creamLightener' }
  expect(endOf({ ...open, reapplyEveryMinutes: 15 }) - endOf(open)).toBeGreaterThan(0.5)
})

it('names who helps, and what has to be acknowledged', () => {
  const file = fileOf(plan(['fullBabylights', '--length', '60', '--density', 'high', '--texture', 'coarse']))
  const alone = compute([file]).clock
  const helped = compute([file, '--helping', 'assistant,second']).clock
  expect(helped.crew.map(({ id }) => id)).toEqual(['colourist', 'assistant', 'second'])
  expect(helped.minutes.expected).toBeLessThan(alone.minutes.expected)
  expect(alone.lowerBoundMinutes).toBeLessThanOrEqual(alone.minutes.expected)
  expect(alone.acknowledge.length > 0).toBe(!alone.fits)
  const [{ firstOn, lastOff, goal }] = alone.zones as [(typeof alone.zones)[number]]
  expect([firstOn < lastOff, goal > 5]).toEqual([true, true])
})

it('proposes from the wish', () => {
  const wish = { ...GOAL, lightPercent: 12, targets: [{ region: 'all', level: 9, hue: 'beige', strength: 0.4 }] }
  expect(plan(['proposed', '--client', fileOf({ goal: wish })]).proposal!.length).toBeGreaterThan(1)
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

const client = (entry: unknown): string[] => ['fullBabylights', '--client', fileOf(entry)]

it.each<[string, (args: string[]) => unknown, string[], RegExp]>([
  ['no kind', plan, [], /say one kind of service/],
  ['a kind that is not there', plan, ['fringeOnly'], /no kind of service "fringeOnly"; \.\/falto kinds/],
  ['a flag that is not there', plan, ['fullBabylights', '--colour', 'red'], /--colour/],
  ['a length that no hair has', plan, ['fullBabylights', '--length', '900'], /--length must be between 2 and 150 cm/],
  ['a word that is none', plan, ['fullBabylights', '--density', 'thick'], /low, medium, high/],
  ['no wish to propose from', plan, ['proposed'], /goal is missing/],
  ['what is no JSON', plan, client('{'), /is not valid JSON/],
  ['a file that is not there', plan, ['fullBabylights', '--client', 'nobody.json'], /cannot be read \(ENOENT\)/],
  ['bands that leave a gap', plan, client({ bands: [BANDS[1]] }), /bands\[0\]\.fromCm/],
  ['a field Falto does not know', plan, client({ shoe: 1 }), /shoe is not a field/],
  ['a head that is none', plan, client({ head: { circumferenceCm: 20 } }), /head\.circumferenceCm/],
  ['no document', compute, [], /say which plan to compute/],
  [
    'somebody who is not there',
    compute,
    [fileOf(plan(['rootColour'])), '--helping', 'apprentice'],
    /assistant and second/,
  ],
  ['a question without a product', lift, [fileOf({ ...STRAND, kind: 'gloss' })], /kind must be one of powderLightener/],
  ['a history nobody knows', lift, [fileOf({ ...STRAND, history: ['magic'] })], /history must hold only lightened/],
  ['no question', lift, [], /say which question to answer/],
  ['a document that is none', compute, [fileOf({ format: 'other' })], /not a plan that can be computed: format/],
])('says what is wrong with %s', (_what, command, args, words) => {
  expect(() => command(args)).toThrow(EntryError)
  expect(() => command(args)).toThrow(words)
})

it('says it in one line, with a code of its own', () => {
  const { code, out, said } = falto(['plan', 'fringeOnly'])
  expect([code, out]).toEqual([2, ''])
  expect(said.split('\n')).toEqual([expect.stringMatching(/^falto plan: there is no kind of service/)])
})

it('names its commands in its own help', () => {
  const help = readFileSync('falto', 'utf8')
  for (const command of ['kinds', 'plan KIND', 'compute FILE']) expect(help).toContain(`./falto ${command}`)
})

describe('the look', () => {
  const example = 'docs/examples/maren-hale-abara.json'

  it('is counted from all sides, and drawn', async () => {
    const out = join(folder, 'picture.png')
    const counted = await look([example, '--view', 'back', '--wear', 'waved', '--size', '60x80', '--out', out])
    expect(counted).toMatchObject({ view: 'back', wear: 'waved', weeks: 0, seed: 1 })
    const sum = Object.values(counted.seen.formulaPercents).reduce((total, percent) => total + percent, 0)
    expect(Math.abs(sum - 100)).toBeLessThan(3)
    expect(counted.thisView).toEqual(counted.views.back)
    expect(await sharp(out).metadata()).toMatchObject({ format: 'png', width: 60, height: 80 })
  })

  it('is deeper again after weeks at the root, and the same for the same seed', async () => {
    const seen = (...flags: string[]) => look([example, ...flags])
    const [today, later] = [await seen(), await seen('--weeks', '16')]
    expect(later.lighterPercent).toBeLessThan(today.lighterPercent)
    expect(await seen()).toEqual(today)
  })

  it.each([
    ['no plan', [], /say which plan to look at/],
    ['a view there is not', [example, '--view', 'below'], /--view takes one of front, left/],
    ['a wear there is not', [example, '--wear', 'plaited'], /--wear takes one of natural, straight/],
    ['a size that is none', [example, '--size', 'large'], /--size takes WIDTHxHEIGHT/],
    ['weeks that are none', [example, '--weeks', 'ten'], /--weeks takes a whole number/],
    ['a place that cannot be written', [example, '--size', '16x16', '--out', '/nowhere/a.png'], /cannot be written/],
  ])('refuses %s in one line', async (_, args, words) => {
    await expect(look(args)).rejects.toThrow(words)
  })
})
