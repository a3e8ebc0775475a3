import type { Take } from '../model'

/** Share of a subsection's hair that a take picks up, 0…1. */
export function takenShare(take: Take): number {
  switch (take.kind) {
    case 'weave':
    case 'babylight':
      return (take.stitchMm / (take.stitchMm + take.stitchGapMm)) * take.depthShare
    case 'slice':
    case 'onScalp':
      return 1
  }
}
