import type { Goal, Target, TargetRegion } from '../../model'

/** The wish for a region, or for the whole head: its own, or the one for all. */
export const targetFor = (goal: Goal, region: TargetRegion): Target =>
  goal.targets.find((target) => target.region === region) ??
  goal.targets.find((target) => target.region === 'all') ??
  goal.targets[0]!
