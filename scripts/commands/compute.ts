import { afterFigures, clockFigures, createPlanner, planFigures, type ClockFigures } from '@/core/plan/planner'
import { foldPlan } from '@/core/time/fold'
import { HELPERS, helpersFor, withHelp, type Crew, type Helper } from '@/core/time/schedule'
import { EntryError, flagsIn, oneOf, planIn, withinReach } from './entry'

/** `./falto compute FILE|- [--helping assistant,second]`: plan document in, figures out. @throws EntryError */
export function compute(args: readonly string[]) {
  const { values, positionals } = flagsIn(args, ['helping'])
  const file = oneOf(
    positionals,
    'say which plan to compute: ./falto compute FILE, or - to read it from standard input',
  )
  const plan = planIn(file, 'computed')
  const crew = crewOf(values.helping)
  return withinReach(() => {
    const computed = createPlanner().computePlan(plan)
    return {
      ...planFigures(plan, computed),
      ...afterFigures(plan, computed, foldPlan(plan, computed)),
      clock: named(clockFigures(plan, computed, { crew })),
    }
  })
}

/** Zones under the short names that scripts ask for, beside the full ones. */
const named = (clock: ClockFigures) => ({
  ...clock,
  zones: clock.zones.map((zone) => ({
    stage: zone.stageId,
    zone: zone.zoneId,
    formula: zone.formulaId,
    firstOn: zone.firstOnMinutes,
    lastOff: zone.lastOutMinutes,
    ...zone,
  })),
})

/** The colourist, with those that are named. */
function crewOf(helping: string | undefined): Crew {
  const names = [...new Set(helping?.split(',') ?? [])]
  const unknown = names.find((name) => !(name in HELPERS))
  if (unknown !== undefined)
    throw new EntryError(
      `--helping takes ${Object.keys(HELPERS).join(' and ')}, with a comma between, not "${unknown}"`,
    )
  return withHelp(helpersFor(names as Helper[]))
}
