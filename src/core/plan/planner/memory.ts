import { createField, placeZone, takenShareByCell, zoneHair } from '../../placement/foils'
import type { PartingField, Piece, Surroundings } from '../../placement/foils'
import { shapeZone, type ZoneShape } from '../../placement/layout'
import type { HairState, HeadMeasures, Placement, Stage, Zone } from '../../model'
import { createHead, type Head } from '../../scalp/head'
import { memoByKey } from './memo'

/** Heads are few and dear. */
const HEADS = 8
/** Of the capacity: what belongs to every zone of every plan in hand, and what only some edits ask for again. */
const SHARES = { shape: 1, field: 1 / 2, hair: 1 / 2, placement: 1, taken: 1 / 16 }

/**
 * What a planner remembers, each result under a key that says everything it depends on.
 * @param capacity zones whose results are kept
 */
export function createMemory(capacity: number) {
  const keyed = <Args extends unknown[], Result>(part: keyof typeof SHARES, compute: (...args: Args) => Result) =>
    memoByKey(
      (_key: string, ...args: Args) => compute(...args),
      (...[key]: [key: string, ...Args]) => key,
      Math.ceil(SHARES[part] * capacity),
    )
  const results = {
    shape: keyed('shape', (head: Head, stage: Stage, zone: Zone) => shapeZone(head, stage.layout, zone)),
    field: keyed('field', (shape: ZoneShape, { direction, angleDeg }: Placement) =>
      createField(shape, direction, angleDeg),
    ),
    hair: keyed('hair', (head: Head, hair: HairState, shape: ZoneShape) => zoneHair(head, hair, shape)),
    placement: keyed(
      'placement',
      (stageId: string, zoneId: string, field: PartingField, wanted: Placement, around: Surroundings) =>
        placeZone(stageId, zoneId, field, wanted, around),
    ),
    taken: keyed('taken', (head: Head, hair: HairState, pieces: readonly Piece[]) =>
      takenShareByCell(head, hair, pieces),
    ),
  }
  return {
    ...results,
    ...createNames(capacity),
    head: memoByKey(
      (measures: HeadMeasures) => createHead(measures),
      (measures) => JSON.stringify(measures),
      HEADS,
    ),
    /** Forgets every result except the heads. */
    clear: () => Object.values(results).forEach((memo) => memo.clear()),
  }
}

export type Memory = ReturnType<typeof createMemory>

/** Short names for what would be long in every key; none is ever given twice. */
function createNames(capacity: number) {
  let named = 0
  const byIdentity = new WeakMap<object, number>()
  const nameOf = (one: object): number => {
    const known = byIdentity.get(one) ?? named++
    byIdentity.set(one, known)
    return known
  }
  return {
    nameOfText: memoByKey(
      (_text: string) => String(named++),
      (text) => text,
      capacity,
    ),
    /** Of objects that keep their identity while nothing in them changes. */
    nameOfAll: (list: readonly object[]): string => list.map(nameOf).join(),
  }
}
