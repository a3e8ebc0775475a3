import type { RunEvent, RunFormula } from '@/core/model'
import type { RunScript, ScriptStep } from '@/core/time/run'
import { event, minutes } from './runEvents'

/** A visit small enough to work out by hand: one zone of four foils, in by one hand, out half as fast again. */
export const PUT_IN = 'apply/stage/crown/1'
export const TAKE_OUT = 'takeOut/stage/crown/1'
export const step = (id: string, start: number, seconds: number, rest: Partial<ScriptStep> = {}): ScriptStep => ({
  id,
  kind: id.split('/')[0] as ScriptStep['kind'],
  about: id,
  personId: 'colourist',
  start,
  seconds,
  pieces: [],
  ...rest,
})
const foils = (...at: number[]) => at.map((one, i) => ({ id: `foil${i}`, formulaId: 'A', at: one }))
export const script: RunScript = {
  people: [{ id: 'colourist', name: 'Colourist' }],
  steps: [
    step('mix/A/0', 0, 120),
    step(PUT_IN, 120, 600, {
      pieces: foils(60, 210, 360, 510),
      driesAfter: 15,
      // A straight line, four levels in forty minutes, so that all of it can be reckoned.
      lift: [
        { minute: 0, level: 4 },
        { minute: 40, level: 8 },
      ],
    }),
    step(TAKE_OUT, 1920, 120, { pieces: foils(30, 60, 90, 120) }),
    step('rinse/stage', 2040, 300),
  ],
  lags: [
    { from: 'mix/A/0', to: PUT_IN, least: 120, most: null, formulaId: null },
    { from: PUT_IN, to: TAKE_OUT, least: 900, most: 2400, formulaId: 'A' },
    { from: TAKE_OUT, to: 'rinse/stage', least: 120, most: null, formulaId: null },
  ],
  zones: [
    {
      stageId: 'stage',
      zoneId: 'crown',
      name: 'Crown',
      formulaId: 'A',
      pieces: 4,
      firstOn: 3,
      lastOn: 10.5,
      ready: 36,
      latest: 43,
      firstOut: 32,
      lastOut: 34,
      cutShort: 0,
      again: [],
      level: { low: 6, expected: 7, high: 7.6 },
      spread: { darkest: 6.8, lightest: 7.2 },
      checks: { fragile: '', last: '' },
      curve: [],
      goal: 7.5,
      strain: 0.2,
      short: 0,
    },
  ],
}
export const formulas: RunFormula[] = [
  { id: 'A', product: 'Lightener', workingLifeMinutes: 45, developerVol: 20, swatch: '#c0a080' },
]
export const putIn = script.steps[1]!

/** A step from one minute to another. */
export const done = (id: string, from: number, to: number): RunEvent[] => [
  event('begun', minutes(from), { stepId: id }),
  event('done', minutes(to), { stepId: id }),
]
export const skipped = (id: string, at: number) => event('skipped', minutes(at), { stepId: id })
