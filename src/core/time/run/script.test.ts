import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { asPlannedIn } from '../../../../tests/support/runEvents'
import { ALONE } from '../schedule'
import { foldRun, runZones, scriptFor } from '.'

const plan = planWith({ only: ['frontLeft', 'frontRight'] })
const script = scriptFor(plan, computeStages(plan), { crew: ALONE })

describe('a pinned visit', () => {
  it('knows when each piece is in or out within its step: as they are laid, and evenly as they are taken out', () => {
    for (const { kind, pieces, seconds } of script.steps) {
      if (kind === 'takeOut')
        expect(pieces.map(({ at }) => at)).toEqual(
          pieces.map((_, i) => Math.round(((i + 1) * seconds) / pieces.length)),
        )
      if (kind !== 'apply') continue
      expect(pieces[0]!.at).toBeGreaterThan(0)
      expect(pieces.at(-1)!.at).toBeLessThanOrEqual(seconds + 1)
      // Lightener counts from when a foil is closed, so they follow each other by what each takes.
      pieces.slice(1).forEach(({ at }, i) => expect(at).toBeGreaterThan(pieces[i]!.at))
    }
  })
})

describe('zones on the head', () => {
  it('wait, go on, sit, come out and are out, in this order', () => {
    const [zone] = script.zones
    const order = ['waiting', 'goingOn', 'sitting', 'comingOut', 'out']
    let last = 0
    for (let minute = 0; minute < 200; minute++) {
      const status = runZones(script, foldRun(asPlannedIn(script, minute))).find(
        ({ zoneId }) => zoneId === zone!.zoneId,
      )!.status
      expect(order.indexOf(status)).toBeGreaterThanOrEqual(last)
      last = order.indexOf(status)
    }
    expect(order[last]).toBe('out')
  })
})
