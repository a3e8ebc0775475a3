import { entryOf, LEAVE, type Placement, type RhythmEntry, type RowEntry } from '@/core/model'

/** A part of the strand as it is edited: from where the one before ends to an edge; the last one to the end. */
export interface Segment {
  /** Nothing is put here: it stays bare. */
  formulaId: string | undefined
  /** cm from the scalp; Infinity for the last. */
  toCm: number
}

/** The strand of an entry in segments that lie edge to edge. @param startCm where product of the zone begins */
export function segmentsOf(entry: RowEntry, startCm: number): Segment[] {
  const segments: Segment[] = []
  const { stretches } = entryOf(entry)
  let end = startCm
  stretches.forEach(({ formulaId, fromCm = end, toCm }, i) => {
    if (fromCm > end) segments.push({ formulaId: undefined, toCm: fromCm })
    end = toCm ?? stretches[i + 1]?.fromCm ?? Infinity
    segments.push({ formulaId, toCm: end })
  })
  if (end < Infinity) segments.push({ formulaId: undefined, toCm: Infinity })
  return segments
}

/** The stretches that segments stand for; what stays bare is left out. */
export function stretchesOf(segments: readonly Segment[]): RhythmEntry['stretches'] {
  return segments.flatMap(({ formulaId, toCm }, i) => {
    if (formulaId === undefined) return []
    const from = segments[i - 1]?.toCm
    return [{ formulaId, ...(from !== undefined && { fromCm: from }), ...(toCm < Infinity && { toCm }) }]
  })
}

/** The shortest way of saying an entry: a letter where nothing else is said. */
export function shortened(entry: RhythmEntry): RowEntry {
  const { stretches, ...own } = entry
  if (Object.values(own).some((value) => value !== undefined)) return entry
  if (stretches.length === 0) return LEAVE
  const [only] = stretches
  return stretches.length === 1 && only!.fromCm === undefined && only!.toCm === undefined ? only!.formulaId : entry
}

/** Shortest segment, cm: nobody paints less. Our choice. */
const LEAST_CM = 0.5

/** The last segment in two, the second of another letter. @param lengthCm of the hair */
export function withStretch(segments: readonly Segment[], formulaId: string, lengthCm: number): Segment[] {
  const from = segments.at(-2)?.toCm ?? 0
  const edge = Math.round((from + Math.max(lengthCm, from + 2)) / 2)
  const last = segments.at(-1) ?? { formulaId, toCm: Infinity }
  return [...segments.slice(0, -1), { ...last, toCm: edge }, { formulaId, toCm: Infinity }]
}

/** Without one segment; the one before, or the next, takes its place. */
export const withoutSegment = (segments: readonly Segment[], at: number): Segment[] =>
  segments
    .map((segment, i) => (i === at - 1 ? { ...segment, toCm: segments[at]!.toCm } : segment))
    .filter((_, i) => i !== at)

/** Segments with other edges, each kept behind the one before. */
export function withEdges(segments: readonly Segment[], edges: readonly number[]): Segment[] {
  let before = 0
  return segments.map((segment, i) => {
    if (i === segments.length - 1) return segment
    before = Math.max(before + LEAST_CM, edges[i]!)
    return { ...segment, toCm: before }
  })
}

/** Where product of an entry begins, cm. */
export const startOf = (entry: RowEntry, { startCm }: Pick<Placement, 'startCm'>): number =>
  entryOf(entry).startCm ?? startCm
