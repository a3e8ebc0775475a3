import type { HairState, Part } from '../model'

/** A side part lies about this far from the middle, cm. Our estimate. */
const SIDE_PART_CM = 3
const PART_SIDE: Record<Part, number> = { none: 0, left: 1, centre: 0, right: -1, zigzag: 0 }
/** Where the natural part runs, cm from the middle, positive towards the client's left. */
export const partX = ({ part }: Pick<HairState, 'part'>): number => SIDE_PART_CM * PART_SIDE[part ?? 'none']
