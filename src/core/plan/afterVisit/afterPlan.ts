import { MOST_STRANDS, mergePopulations, SCALP_CELLS, tidy } from '../../hair/hairRecord'
import { indexPlan, byId, type Canvas, type CellHair, type FaltoPlan, type Strand } from '../../model'
import { hairsByCell, hairsOfCells, type Piece } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import { treatStrand, type Application } from './treat'

/** A plan that was carried out. */
export interface DonePlan {
  plan: FaltoPlan
  computed: ComputedStages
  /** Names the visit in the sources of what it treated. */
  visitId: string
  on: string
  /** What came of it otherwise than meant: levels of a zone's hair under a formula, and pieces that were left out. */
  came?: { levels: readonly CameLevel[]; leftOut: ReadonlySet<string> } | undefined
}

export interface CameLevel {
  zoneId: string
  formulaId: string
  level: number
}

/** What one formula took of a cell's hair, and where along it. */
interface Taken {
  key: string
  formulaId: string
  application: Application
  hairs: number
}

/**
 * The hair after a plan was carried out and every formula came out as meant, or as was seen: what the foils took in
 * each cell becomes populations of their own, treated along their strands; the rest stays as it was. A prediction, for
 * the eye to correct.
 */
export function afterPlan(canvas: Canvas, done: DonePlan): Canvas {
  const { plan, computed, visitId, on } = done
  const taken = takenByCell(done)
  const strands = new Map(canvas.strands.map((strand) => [strand.id, strand]))
  const treated = new Map<string, string>()
  const hairs = hairsOfCells(computed.head, plan.hair)
  const strandAfter = (strandId: string, { key, application }: Taken): string => {
    const name = `${strandId} ${key}`
    const known = treated.get(name)
    if (known) return known
    const id = freshId(strands)
    strands.set(id, { id, bands: treatStrand(strands.get(strandId)!.bands, application) })
    treated.set(name, id)
    return id
  }
  const cells = canvas.cells.map(({ populations }, index): CellHair => {
    const here = [...(taken[index]?.values() ?? [])]
    if (here.length === 0) return { populations }
    // Foils are counted along partings and cells over their area; where the two disagree a cell is never more than
    // wholly taken.
    const whole = Math.max(
      hairs[index]!,
      here.reduce((sum, one) => sum + one.hairs, 0),
    )
    const left = 1 - here.reduce((sum, one) => sum + one.hairs, 0) / whole
    return {
      populations: mergePopulations(
        populations.flatMap((population) => [
          ...here.map((one) => ({
            ...population,
            strandId: strandAfter(population.strandId, one),
            share: population.share * (one.hairs / whole),
            sources: [...population.sources, `${visitId}/${one.formulaId}`],
          })),
          { ...population, share: population.share * left },
        ]),
      ),
    }
  })
  return atMostStrands(tidy({ recordedOn: on, strands: [...strands.values()], cells }))
}

function takenByCell({ plan, computed: { head, zones }, on, came }: DonePlan): Map<string, Taken>[] {
  const taken = SCALP_CELLS.map(() => new Map<string, Taken>())
  for (const zone of zones) {
    for (const piece of zone.placement.pieces) {
      if (came?.leftOut.has(piece.id)) continue
      const level = came?.levels.find(
        ({ zoneId, formulaId }) => zoneId === zone.zoneId && formulaId === piece.formulaId,
      )?.level
      const { application, key } = applicationOf(plan, piece, on, level)
      const { cells, hairs } = hairsByCell(head, piece)
      cells.forEach((index, i) => {
        const cell = taken[index]!
        const known = cell.get(key)
        if (known) known.hairs += hairs[i]!
        else cell.set(key, { key, formulaId: piece.formulaId, application, hairs: hairs[i]! })
      })
    }
  }
  return taken
}

function applicationOf(
  plan: FaltoPlan,
  { formulaId, fromCm, toCm }: Piece,
  on: string,
  came?: number,
): { application: Application; key: string } {
  const meant = byId(plan.formulas, formulaId)
  const formula = { ...meant, level: came ?? meant.level }
  const { kind } = indexPlan(plan).leadOf(formula)
  // To the half centimetre: strands that differ by less are one kind of hair.
  const [from, to] = [Math.round(2 * fromCm) / 2, Math.round(2 * toCm) / 2]
  return {
    application: { formula, kind, fromCm: from, toCm: to, on },
    key: `${formula.id} ${formula.level} ${from} ${to}`,
  }
}

function freshId(strands: ReadonlyMap<string, Strand>): string {
  let n = strands.size + 1
  while (strands.has(`strand-${n}`)) n++
  return `strand-${n}`
}

/**
 * Keeps a record readable: the rarest strands join the largest one of each cell they grow in until few enough are left.
 */
function atMostStrands(canvas: Canvas): Canvas {
  let result = canvas
  while (result.strands.length > MOST_STRANDS) {
    const rarest = rarestStrand(result)
    result = tidy({
      ...result,
      cells: result.cells.map(({ populations }) => {
        const host =
          populations.find(({ strandId }) => strandId !== rarest)?.strandId ??
          result.strands.find(({ id }) => id !== rarest)!.id
        return {
          populations: mergePopulations(
            populations.map((population) =>
              population.strandId === rarest ? { ...population, strandId: host } : population,
            ),
          ),
        }
      }),
    })
  }
  return result
}

function rarestStrand({ strands, cells }: Canvas): string {
  const sums = new Map(strands.map(({ id }) => [id, 0]))
  for (const { populations } of cells)
    for (const { strandId, share } of populations) sums.set(strandId, sums.get(strandId)! + share)
  return [...sums].reduce((least, one) => (one[1] < least[1] ? one : least))[0]
}
