import { createHash } from 'node:crypto'
import { activeVariant } from '@/core/model'
import { mixPlan } from '@/core/product/bowls'
import { foilList, headModel, headSheet, mapDrawing, mixingCards, svgOfSheet } from '@/core/plan/sheets'
import { goldenIn } from '../support/golden'
import { planner } from '../support/planner'
import { goldenPlan } from '../support/samples'

/**
 * Small plans as they are drawn and listed on paper: words as they stand, drawings by their digits. No outside fact:
 * `goldenSheets.json` is what Falto drew. It changes only with a reason in the commit that changes it;
 * `FALTO_GOLDEN=write ./falto test reference` writes it anew.
 */
const isAsKnown = goldenIn('goldenSheets.json')
const digits = (drawn: unknown): string => createHash('sha256').update(JSON.stringify(drawn)).digest('hex').slice(0, 16)

it.each(['hairlineAndPart', 'onScalpRetouch', 'paintedSurface', 'tieredCorrection'])('%s is drawn as it was', (id) => {
  const plan = goldenPlan(id, 'a curly head with a white temple')
  const computed = planner.computePlan(plan)
  const sheet = headSheet(plan, activeVariant(plan).stages, computed, {})
  const strips = mapDrawing(plan, computed, 'strips')
  isAsKnown(id, {
    title: sheet.title,
    hair: sheet.hair,
    formulas: sheet.formulas,
    stages: sheet.stages.map(({ name, order, zones, views }) => ({
      ...{ name, order },
      zones: zones.map(({ label, outline, pieces }) => [label, digits(outline), digits(pieces)]),
      views: views.map(({ side, numbers, ...drawn }) => [side, numbers, digits(drawn)]),
    })),
    strips: digits(strips),
    svg: digits(svgOfSheet(sheet)),
    head: digits(Object.values(headModel(computed)).map((part) => digits(part))),
    foils: digits(foilList(plan, computed)),
    cards: mixingCards(plan, mixPlan(plan, computed)),
  })
})
