import { isVirgin } from '../../hair/hairRecord'
import { memoised } from '../../numeric'
import { activeVariant, lighteningLetters, type Band, type FaltoPlan } from '../../model'
import { surfaceOfBand, type Surface } from '../../product/formula'
import { hairsByCell, type Piece } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import type { Fold } from './fold'
import type { Lock } from './locks'
import { lockFilter } from './met'
import { LEAST_SURFACE_SHARE, MOST_SURFACES, SHORTEST_SURFACE_CM } from './constants'

/** A stretch of hair that looks the same all over, with how much of what a formula goes on it is. */
interface Stretch {
  band: Band
  white: boolean
  /** The formula of this visit that lightened it last. */
  lightenedBy: string | undefined
  fromCm: number
  toCm: number
  /** cm of strands, in all */
  weight: number
}

/**
 * What each formula of a plan goes on, as the stages before left it: every look of hair that its pieces reach, the
 * commonest first. Formulas that nothing is worked with have the hair as it was before the visit.
 */
export function surfacesOf(plan: FaltoPlan, computed: ComputedStages, fold: Fold): Record<string, Surface[]> {
  const { stages } = activeVariant(plan)
  const lighteners = lighteningLetters(plan)
  const met = new Map(plan.formulas.map(({ id }) => [id, stretchesMet(lighteners)]))
  for (const { stageId, placement } of computed.zones) {
    const index = stages.findIndex(({ id }) => id === stageId)
    const filter = lockFilter(plan, stageId)
    for (const piece of placement.pieces) {
      const fits = filter(piece.select)
      const { cells, hairs } = hairsByCell(computed.head, piece)
      const { add } = met.get(piece.formulaId)!
      cells.forEach((cell, i) => {
        for (const lock of fold.stages[index]![cell]!) if (fits(lock)) add(lock, hairs[i]! * lock.share, piece)
      })
    }
  }
  const whole = { fromCm: 0, toCm: Infinity }
  return Object.fromEntries(
    [...met].map(([id, { stretches, add }]) => {
      if (stretches.size === 0)
        fold.stages[0]!.forEach((locks) => locks.forEach((lock) => add(lock, lock.share, whole)))
      return [id, surfacesFrom([...stretches.values()])]
    }),
  )
}

/** What pieces reach of locks, added up look by look. What a band looks like is said once, as many pieces meet it. */
function stretchesMet(lighteners: ReadonlySet<string>) {
  const stretches = new Map<string, Stretch>()
  const stretchOf = (band: Band, white: boolean, lightenedBy: string | undefined): Stretch => {
    const last = band.treatments.at(-1)?.kind
    const look = `${band.level} ${band.hue} ${band.strength} ${last} ${lightenedBy} ${white && !last}`
    const known = stretches.get(look) ?? { band, white, lightenedBy, fromCm: Infinity, toCm: 0, weight: 0 }
    stretches.set(look, known)
    return known
  }
  const stretchBy = memoised((lightenedBy: string | undefined) =>
    memoised((white: boolean) => memoised((band: Band) => stretchOf(band, white, lightenedBy))),
  )
  // What an earlier visit lightened is told by where it is, as all that was recorded.
  const lastLightener = memoised((sources: Lock['sources']) =>
    sources.map((source) => source.split('/')[1]!).findLast((letter) => lighteners.has(letter)),
  )
  function add({ bands, white, sources, took }: Lock, hairs: number, { fromCm, toCm }: Reach): void {
    const ofOthers = stretchBy(undefined)(white)
    const ofLightened = took.length > 0 ? stretchBy(lastLightener(sources))(white) : ofOthers
    for (const band of bands) {
      const [from, to] = [Math.max(band.fromCm, fromCm), Math.min(band.toCm, toCm)]
      if (to - from < SHORTEST_SURFACE_CM) continue
      const one = band.treatments.at(-1)?.kind === 'lightened' ? ofLightened(band) : ofOthers(band)
      one.fromCm = Math.min(one.fromCm, from)
      one.toCm = Math.max(one.toCm, to)
      one.weight += hairs * (to - from)
    }
  }
  return { stretches, add }
}

type Reach = Pick<Piece, 'fromCm' | 'toCm'>

/** White hair stands beside the pigmented hair of its stretch, as its share: that is how it is looked at. */
function surfacesFrom(stretches: readonly Stretch[]): Surface[] {
  const sum = stretches.reduce((total, { weight }) => total + weight, 0)
  const pigmented = stretches.filter(({ white, band }) => !white || !isVirgin(band))
  const virginWhite = stretches.filter(({ white, band }) => white && isVirgin(band))
  const looks = pigmented.length > 0 ? pigmented : virginWhite
  return [...looks]
    .sort((a, b) => b.weight - a.weight)
    .filter(({ weight }, i) => i === 0 || weight > LEAST_SURFACE_SHARE * sum)
    .slice(0, MOST_SURFACES)
    .map((stretch) => {
      const twin = virginWhite.find(({ band }) => band.level === stretch.band.level && isVirgin(stretch.band))
      const white = twin ? twin.weight / (twin.weight + (twin === stretch ? 0 : stretch.weight)) : 0
      return surfaceOfBand(nameOf(stretch), stretch.band, white)
    })
}

function nameOf({ band: { level, treatments }, lightenedBy, fromCm, toCm }: Stretch): string {
  if (lightenedBy) return `What ${lightenedBy} lightened, level ${level}`
  if (treatments.length === 0) return `Natural, level ${level}`
  return `${fromCm}–${toCm} cm, level ${level}`
}
