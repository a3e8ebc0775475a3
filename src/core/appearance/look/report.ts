import { roundToTenth } from '../../units'
import type { LookFigures, ViewFigures } from '../figures'
import type { ViewName } from '../picture'

/** Shares of what is seen, %, of what was not touched under ''. */
export type Percents = Record<string, number>

/** Figures of the Look as they are shown: whole percents, tenths of a level and of a cm. */
export interface LookReport {
  meanLevel: number
  lighterPercent: number
  darkerPercent: number
  zonePercents: Percents
  formulaPercents: Percents
  /**
   * The lightest and the deepest level that shows, in the view that shows most of either, and what lies between them.
   */
  contrastLevels: number
  stripeCm: number | null
  faceLevels: number | null
  partLevels: number | null
  leftLevels: number | null
  rootSoftnessCm: number | null
  shelf: { levels: number; heightCm: number } | null
  views: Partial<Record<ViewName, ViewReport>>
}

export interface ViewReport {
  meanLevel: number
  lighterPercent: number
  contrastLevels: number
  stripeCm: number | null
}

/** A step from one height to the next that is less does not show as a shelf, levels. Our estimate. */
const SHELF_SHOWS = 0.5

export function lookReport(figures: LookFigures): LookReport {
  const views = Object.values(figures.views)
  const stripes = views.flatMap(({ stripeCm }) => stripeCm ?? [])
  const { shelf } = figures
  return {
    meanLevel: roundToTenth(figures.meanLevel),
    lighterPercent: percent(figures.lighter),
    darkerPercent: percent(figures.darker),
    zonePercents: percents(figures.zones),
    formulaPercents: percents(figures.formulas),
    contrastLevels: roundToTenth(Math.max(0, ...views.map(({ contrastLevels }) => contrastLevels))),
    stripeCm: tenth(stripes.length > 0 ? stripes.reduce((sum, cm) => sum + cm, 0) / stripes.length : undefined),
    faceLevels: tenth(figures.faceLevels),
    partLevels: tenth(figures.partLevels),
    leftLevels: tenth(figures.leftLevels),
    rootSoftnessCm: tenth(figures.rootSoftnessCm),
    shelf:
      shelf && Math.abs(shelf.levels) >= SHELF_SHOWS
        ? { levels: roundToTenth(shelf.levels), heightCm: Math.round(shelf.z) }
        : null,
    views: Object.fromEntries(Object.entries(figures.views).map(([name, view]) => [name, viewReport(view)])),
  }
}

const viewReport = (view: ViewFigures): ViewReport => ({
  meanLevel: roundToTenth(view.meanLevel),
  lighterPercent: percent(view.lighter),
  contrastLevels: roundToTenth(view.contrastLevels),
  stripeCm: tenth(view.stripeCm),
})

const percent = (share: number): number => Math.round(100 * share)
const percents = (shares: Record<string, number>): Percents =>
  Object.fromEntries(Object.entries(shares).map(([name, share]) => [name, percent(share)]))
/** Adding 0 makes a plain nought of a negative one. */
const tenth = (value: number | undefined): number | null => (value === undefined ? null : roundToTenth(value) + 0)
