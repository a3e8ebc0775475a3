import { sum } from '../../numeric'
import {
  activeVariant,
  byId,
  type FaltoPlan,
  type Incident,
  type ProductKind,
  type RunFormula,
  type StrandSpot,
  type Tone,
} from '../../model'
import { foilsOf } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import { mixPlan, type FormulaMix } from '../../product/bowls'
import { billFor, mixGramPrice, STARTING_RATES, type Bill } from '../../product/money'
import { levelsToConfirm, runOutcome, type RunOutcome, type RunScript, type RunState } from '../../time/run'
import { ALONE, clockFor } from '../../time/schedule'
import { roundToTenth } from '../../units'
import { jobsOf } from './jobs'
import type { Job } from '../learning'
import { upkeepOf, type Days, type Upkeep } from '../upkeep'

/** A bowl that was mixed for a visit. */
export interface VisitBowl {
  id: string
  formulaId: string
  /** g. */
  planned: number
  weighed: number
  /** What was left in it, g; null where nobody said. */
  left: number | null
  /** Who mixed it. */
  by: string
}

/** What is told of a visit that was done without Falto. */
export interface ToldVisit {
  /** Whole visit, min; null where nobody remembers. */
  minutes: number | null
  bowls: VisitBowl[]
}

/** Everything a visit left behind, from which the rest follows. */
export interface VisitFacts {
  visitId: string
  on: string
  /** Whose visit it was. */
  who: string
  /** As it was carried out, with what was added at the chair. */
  document: FaltoPlan
  bowls: readonly VisitBowl[]
  /** Where it was entered afterwards: its plan was made for it then, so nothing is learned from the two. */
  told?: ToldVisit | undefined
  /** Missing where it was recorded without the chair. */
  run?: { script: RunScript; state: RunState; formulas: readonly RunFormula[] } | undefined
}

/** A formula as it is looked for. */
export interface MixedFormula {
  name: string
  product: string
  kind: ProductKind
  level: number
  tone: Tone
  developerVol: number
  ratio: number
}

export interface FormulaUse extends MixedFormula {
  id: string
  /** Mix, g: as planned with its range, and over all bowls weighed and left; null where it was not told. */
  planned: { low: number; expected: number; high: number }
  weighed: number | null
  left: number | null
}

/** What a visit came to, beside what was planned. Minutes, g, levels; money in smallest units. */
export interface VisitSummary {
  name: string
  stages: string[]
  foils: number
  minutes: { planned: number; took: number | null }
  formulas: FormulaUse[]
  levels: {
    name: string
    formulaId: string
    meant: number
    expected: number
    seen: number | null
    /** What was read along the strand, where it is not what was read of all of it. */
    bands: { spot: StrandSpot; seen: number }[]
  }[]
  steps: RunOutcome['steps']
  reapplied: number
  incidents: { incident: Incident; note: string; minute: number }[]
  changes: string[]
  bill: Pick<Bill, 'net' | 'gross' | 'cost' | 'margin'>
  /** When she is due again, and what she does at home. */
  upkeep: Upkeep
  /** What can be learned from it. */
  jobs: Job[]
}

/** @param computed of the document as it was carried out */
export function summariseVisit(facts: VisitFacts, computed: ComputedStages): VisitSummary {
  const { document, run, bowls, told } = facts
  const { stages } = activeVariant(document)
  const outcome = run && runOutcome(run.script, run.state)
  const mixes = mixPlan(document, computed)
  const formulas = formulaUses(facts, mixes)
  const levels = run ? levelsToConfirm(run, run.state) : []
  const mixed = (id: string) => {
    const use = formulas.find((one) => one.id === id)
    return use ? (use.weighed ?? use.planned.expected) : 0
  }
  const foils = sum(computed.zones.map(({ placement }) => foilsOf(placement.pieces)))
  const hands = handsSeconds(outcome) ?? sum(computed.zones.map(({ handsOn }) => handsOn))
  return {
    name: document.name,
    stages: stages.map(({ name }) => name),
    foils,
    minutes: {
      planned: Math.round(outcome?.planned ?? aloneMinutes(document, computed)),
      took: rounded(outcome?.actual ?? told?.minutes),
    },
    formulas,
    levels: levels.map(({ name, formulaId, meant, expected, seen, bands }) => ({
      ...{ name, formulaId, meant, expected },
      seen: seen ?? null,
      bands: bands.flatMap((band) =>
        band.seen === undefined || band.seen === seen ? [] : [{ spot: band.spot, seen: band.seen }],
      ),
    })),
    steps: outcome?.steps ?? [],
    reapplied: run ? sum([...run.state.steps.values()].map(({ care }) => care.filter(isFresh).length)) : 0,
    incidents: (run?.state.incidents ?? []).map(({ incident, note, at }) => ({
      ...{ incident, note },
      minute: Math.round((at - (run!.state.startedAt ?? at)) / 60_000),
    })),
    changes: run ? changesIn(run.state) : [],
    bill: shortBill(
      billFor(
        {
          grams: sum(formulas.map(({ id }) => mixed(id))),
          productCost: sum(mixes.map((mix) => mixed(mix.formula.id) * mixGramPrice(mix, document.products))),
          bowls: bowls.length > 0 ? bowls.length : sum(mixes.map((mix) => mix.bowls.length)),
          foils,
          seconds: hands,
        },
        document.rates ?? STARTING_RATES,
      ),
    ),
    upkeep: upkeepOf(document, facts.on),
    jobs: told ? [] : jobsOf(facts, computed, levels),
  }
}

const shortBill = ({ net, gross, cost, margin }: Bill): VisitSummary['bill'] => ({ net, gross, cost, margin })

const rounded = (value: number | null | undefined): number | null => (value == null ? null : Math.round(value))

/** The whole visit by one pair of hands, min. */
const aloneMinutes = (document: FaltoPlan, computed: ComputedStages): number =>
  clockFor(document, computed, { crew: ALONE }).finish.expected

/** What was mixed of each formula, beside what was planned. */
function formulaUses({ document, bowls }: VisitFacts, mixes: readonly FormulaMix[]): FormulaUse[] {
  return mixes
    .filter((mix) => mix.bowls.length > 0 || bowls.some(({ formulaId }) => formulaId === mix.formula.id))
    .map(({ formula: { id, name, productId, level, tone, developerVol, ratio }, grams }): FormulaUse => {
      const { name: product, kind } = byId(document.products, productId)
      const own = bowls.filter(({ formulaId }) => formulaId === id)
      return {
        ...{ id, name, product, kind, level, tone, developerVol, ratio },
        planned: {
          low: roundToTenth(grams.low),
          expected: roundToTenth(grams.expected),
          high: roundToTenth(grams.high),
        },
        weighed: own.length === 0 ? null : roundToTenth(sum(own.map(({ weighed }) => weighed))),
        left: own.some(({ left }) => left === null) || own.length === 0 ? null : sum(own.map(({ left }) => left!)),
      }
    })
}

const isFresh = ({ kind }: { kind: string }): boolean => kind === 'reapplied'

/** What hands took at the chair, s; undefined where nothing was told. */
function handsSeconds(outcome: RunOutcome | undefined): number | undefined {
  const told = outcome?.steps.filter(({ actual }) => actual !== null) ?? []
  return told.length === 0 ? undefined : 60 * sum(told.map(({ actual }) => actual!))
}

/** What was decided otherwise than planned, in words. */
function changesIn({ bowls, delays, steps }: RunState): string[] {
  const left = sum([...steps.values()].map(({ leftOut }) => leftOut.length))
  const more = sum([...steps.values()].map(({ extra }) => extra))
  return [
    ...[...bowls].flatMap(([letter, { vol }]) => (vol ? [`${letter} mixed with ${vol.vol} vol from then on`] : [])),
    ...[...bowls].flatMap(([letter, { thinnedG }]) =>
      thinnedG > 0 ? [`${roundToTenth(thinnedG)} g developer put to ${letter}`] : [],
    ),
    ...(left > 0 ? [`${left} ${left === 1 ? 'piece' : 'pieces'} left out`] : []),
    ...(more > 0 ? [`${more} ${more === 1 ? 'piece' : 'pieces'} beside the plan`] : []),
    ...delays.map(({ minutes, note }) => `${minutes} min waited${note ? `: ${note}` : ''}`),
  ]
}

/** What sums and charts read of a visit. Minutes, g, levels; money in smallest units. */
export interface VisitFigures {
  minutes: { planned: number; took: number | null }
  /** Over the formulas that were weighed. */
  grams: { planned: number; weighed: number; left: number }
  net: number
  margin: number
  incidents: Incident[]
  /** Mean of what was seen less what was meant, levels; null where nothing was looked at. */
  offLevels: number | null
  due: { next: Days; gloss: Days | null }
}

/** A summary with the parts of it that lists read, which are small. */
export const keptOf = (summary: VisitSummary) => ({
  summary,
  figures: figuresOf(summary),
  formulas: summary.formulas.map(({ name, product, kind, level, tone, developerVol, ratio }): MixedFormula => ({
    name,
    product,
    kind,
    level,
    tone,
    developerVol,
    ratio,
  })),
})

export function figuresOf({ minutes, formulas, bill, incidents, levels, upkeep }: VisitSummary): VisitFigures {
  const weighed = formulas.filter((use) => use.weighed !== null)
  const seen = levels.flatMap((level) => (level.seen === null ? [] : [level.seen - level.meant]))
  return {
    minutes,
    grams: {
      planned: roundToTenth(sum(weighed.map(({ planned }) => planned.expected))),
      weighed: roundToTenth(sum(weighed.map((use) => use.weighed!))),
      left: roundToTenth(sum(weighed.map(({ left }) => left ?? 0))),
    },
    net: bill.net,
    margin: bill.margin,
    incidents: incidents.map(({ incident }) => incident),
    due: { next: upkeep.next, gloss: upkeep.gloss },
    offLevels: seen.length === 0 ? null : roundToTenth(sum(seen) / seen.length),
  }
}
