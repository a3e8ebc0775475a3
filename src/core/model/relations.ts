import type { Stage } from './plan'

/** What a stage says of others. */
export type Related = Pick<Stage, 'id' | 'worksOn' | 'begins' | 'comesOff'>

/** Stages that are on the hair while this one is. */
const tiesOf = ({ worksOn, begins, comesOff }: Related): string[] => [
  ...(worksOn?.kind === 'dropped' && !begins ? [worksOn.stageId!] : []),
  ...(begins && begins.kind !== 'afterRinse' ? [begins.stageId] : []),
  ...(comesOff?.kind === 'together' ? [comesOff.stageId!] : []),
]

/**
 * Stages in groups that are on the hair at once and come off in one rinse, in their order: what works between another
 * stage's foils, begins while it is still on, or is said to come off with it.
 */
export function inOneRinse<T extends Related>(stages: readonly T[]): T[][] {
  const groups: T[][] = []
  for (const stage of stages) {
    const tied = tiesOf(stage)
    const met = groups.filter((group) =>
      group.some((other) => tied.includes(other.id) || tiesOf(other).includes(stage.id)),
    )
    if (met.length === 0) groups.push([stage])
    else {
      const [first, ...rest] = met
      first!.push(...rest.flat(), stage)
      for (const group of rest) groups.splice(groups.indexOf(group), 1)
    }
  }
  return groups
}
