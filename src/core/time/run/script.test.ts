import { SERVICES } from '../../plan/serviceKinds'
import { planWith } from '../../../../tests/support/plan'
import { computeStages } from '../../../../tests/support/planner'
import { asPlannedIn } from '../../../../tests/support/runEvents'
import { ALONE } from '../schedule'
import { servicePlan } from '../../../../tests/support/samples'
import { activeVariant } from '../../model'
import { endsOf, foldRun, runZones, scriptFor } from '.'

const plan = planWith({ only: ['frontLeft', 'frontRight'] })
const script = scriptFor(plan, computeStages(plan), { crew: ALONE })

describe('every kind of visit', () => {
  it('ends the time of all that goes on and does not stay in, so that nothing is under product for ever', () => {
    for (const { id } of SERVICES) {
      const own = servicePlan(id)
      const pinned = scriptFor(own, computeStages(own), { crew: ALONE })
      const stays = activeVariant(own).stages.filter(({ comesOff }) => comesOff?.kind === 'stays')
      for (const { kind, id: step } of pinned.steps)
        if (kind === 'apply' && !stays.some((stage) => step.includes(`/${stage.id}/`)))
          expect([id, step, endsOf(pinned, step).length > 0]).toEqual([id, step, true])
    }
  })
})

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
