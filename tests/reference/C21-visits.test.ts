/**
 * How long whole visits take, and whether one colourist can keep every label's time. Kind: common practice, no source;
 * minutes ± 20 %.
 */
import { createPlanner } from '@/core/plan/planner'
import { SERVICES } from '@/core/plan/serviceKinds'
import { ALONE, clockFor, SECOND_COLOURIST, withHelp } from '@/core/time/schedule'
import { plan } from '../../scripts/commands/plan'

const TOLERANCE = 0.2
const planner = createPlanner()
const clockOf = (kind: string, flags: readonly string[], crew = ALONE) => {
  const made = plan([kind, ...flags])
  return clockFor(made, planner.computeStages(made), { crew })
}

/** Hours, as they are commonly booked. */
const BANDS: [string, kinds: string[], hours: [number, number]][] = [
  ['partial foils and gloss', ['topAndSides', 'hairlineAndPart', 'faceFrame'], [1.5, 2.5]],
  ['a full head of foils with gloss', ['fullBabylights', 'boldSlices', 'rootedTeased'], [2.5, 4]],
  ['a correction', ['tieredCorrection', 'dyeTakenOut'], [2.5, 6]],
  ['root colour', ['rootColour'], [1.25, 1.5]],
  ['on-scalp retouch with toner', ['onScalpRetouch'], [2, 2.5]],
]

it.each(BANDS)('C21: %s', (_name, kinds, [low, high]) => {
  for (const kind of kinds)
    for (const cm of [25, 45]) {
      const { expected } = clockOf(kind, ['--length', String(cm)]).finish
      expect(expected).toBeGreaterThanOrEqual(60 * low * (1 - TOLERANCE))
      expect(expected).toBeLessThanOrEqual(60 * high * (1 + TOLERANCE))
    }
})

const CORNERS = {
  'short, fine and thin': ['--length', '25', '--texture', 'fine', '--density', 'low'],
  'long, coarse and thick': ['--length', '60', '--texture', 'coarse', '--density', 'high'],
}

describe.each(Object.entries(CORNERS))('on %s hair', (_name, flags) => {
  it.each(SERVICES.map(({ id, help }) => [id, help] as const))(
    '%s fits one colourist, or says that it takes a second pair of hands and fits with them',
    (id, help) => {
      const alone = clockOf(id, flags)
      if (alone.fits) return
      expect(help).toContain('a second pair of hands')
      expect(clockOf(id, flags, withHelp([SECOND_COLOURIST])).fits).toBe(true)
    },
  )
})
