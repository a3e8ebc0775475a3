import { ALONE, ASSISTANT, clockFor, SECOND_COLOURIST, withHelp } from '@/core/time/schedule'
import { roundToTenth } from '@/core/units'
import { goldenIn } from '../support/golden'
import { computeStages } from '../support/planner'
import { goldenPlan } from '../support/samples'

/**
 * Who does what when in some small visits, line by line. No outside fact: which of many good schedules is found is no
 * law, so this is what Falto made. It changes only with a reason in the commit that changes it;
 * `FALTO_GOLDEN=write ./falto test reference` writes it anew.
 */
const isAsKnown = goldenIn('goldenClock.json')

const CREWS = {
  alone: ALONE,
  'with an assistant': withHelp([ASSISTANT]),
  'with a second colourist': withHelp([SECOND_COLOURIST]),
}

describe.each(['hairlineAndPart', 'faceFrame', 'onScalpRetouch', 'shadowAndMelt', 'tieredCorrection'])(
  '%s',
  (service) => {
    const plan = goldenPlan(service, 'a fair, fine, short head')
    const computed = computeStages(plan)

    it.each(Object.keys(CREWS) as (keyof typeof CREWS)[])('%s is done as it was', (name) => {
      const { tasks, finish, waiting, fits } = clockFor(plan, computed, { crew: CREWS[name] })
      const lines = tasks.map(
        ({ kind, about, personId, from, to }) => `${from.toFixed(2)}–${to.toFixed(2)} ${personId}: ${kind} ${about}`,
      )
      const { low, expected, high } = finish
      isAsKnown(`${service} ${name}`, { fits, finish: [low, expected, high].map(roundToTenth), waiting, lines })
    })
  },
)
