import { lightenedSurface, surfaceOfBand, type Surface } from '../formula'
import {
  indexPlan,
  activeVariant,
  isColour,
  isLightener,
  type Canvas,
  type FaltoPlan,
  type Formula,
  type StageKind,
} from '../../model'
import { SHORTEST_SHOWN_CM, MOST_SHOWN } from './constants'

/**
 * What a formula goes on: hair that an earlier stage lightens, where its stage works on that or every colour after it
 * does; else the bands of the newest record, commonest strand first; else the natural level.
 */
export function surfacesFor(plan: FaltoPlan, formula: Formula, canvas: Canvas | undefined): Surface[] {
  const { kind } = indexPlan(plan).leadOf(formula)
  const { stages } = activeVariant(plan)
  const usedIn = (id: string) =>
    stages.findIndex((stage) =>
      stage.zones.some(({ placement }) => placement.sequence.includes(id) || placement.dropout?.formulaId === id),
    )
  const own = usedIn(formula.id)
  const before = plan.formulas.filter(
    (other) =>
      own > 0 && usedIn(other.id) >= 0 && usedIn(other.id) < own && isLightener(indexPlan(plan).leadOf(other).kind),
  )
  const lightened =
    isColour(kind) && stages[own]?.worksOn?.kind !== 'dropped'
      ? before.map(({ id, level }) => lightenedSurface(`What ${id} lightened, level ${level}`, level))
      : []
  if (lightened.length > 0 && stages[own]!.worksOn?.kind === 'took') return lightened
  return [...lightened, ...(canvas ? recorded(canvas) : [naturalSurface(plan)])].slice(0, MOST_SHOWN)
}

const naturalSurface = ({ hair: { naturalLevel } }: FaltoPlan): Surface => ({
  name: `Natural, level ${naturalLevel}`,
  level: naturalLevel,
  hue: 'neutral',
  strength: 0,
  state: 'natural',
  porosity: 'normal',
  white: 0,
  metallic: false,
})

/** Bands of the strand that most hair has. */
function recorded({ strands, cells }: Canvas): Surface[] {
  const weight = new Map<string, { share: number; white: number }>()
  for (const { populations } of cells)
    for (const { strandId, share, white } of populations) {
      const known = weight.get(strandId) ?? { share: 0, white: 0 }
      weight.set(strandId, { share: known.share + share, white: known.white + share * white })
    }
  const [common] = [...strands].sort((a, b) => (weight.get(b.id)?.share ?? 0) - (weight.get(a.id)?.share ?? 0))
  if (!common) return []
  const { share, white } = weight.get(common.id) ?? { share: 1, white: 0 }
  return common.bands
    .filter(({ fromCm, toCm }) => toCm - fromCm >= SHORTEST_SHOWN_CM)
    .map((band) =>
      surfaceOfBand(`${band.fromCm}–${band.toCm} cm, level ${band.level}`, band, share > 0 ? white / share : 0),
    )
}

/** The stage a formula is used in first; a treatment where it is used in none. */
export function stageKindOf(plan: FaltoPlan, formulaId: string): { kind: StageKind; onScalp: boolean } {
  for (const { kind, zones } of activeVariant(plan).stages)
    for (const { placement } of zones)
      if (placement.sequence.includes(formulaId) || placement.dropout?.formulaId === formulaId)
        return { kind, onScalp: placement.take.kind === 'onScalp' }
  return { kind: 'treat', onScalp: false }
}
