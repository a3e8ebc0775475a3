'use client'
import { createContext, useContext } from 'react'
import { recipeOf, type Recipe, type Surface, type FormulaUse } from '@/core/product/formula'
import { stageKindOf } from '@/core/product/bowls'
import { byId, productOf, type CatalogueItem, type FaltoPlan, type Formula, type Product } from '@/core/model'
import type { PlanStore } from '../map/store'

/** What the salon has, beside the plan itself. */
export interface Bench {
  catalogue: CatalogueItem[]
}

export const BenchContext = createContext<Bench>({ catalogue: [] })
export const useBench = (): Bench => useContext(BenchContext)

/** Changes a formula, as one named edit. */
export function editFormula(
  store: PlanStore,
  id: string,
  what: string,
  recipe: (formula: Formula, plan: FaltoPlan) => void,
): void {
  store.edit(`Formula ${id}: ${what}`, `formula/${id}/${what}`, (draft) => recipe(byId(draft.formulas, id), draft))
}

/** Puts a catalogue item into a plan as it is now, so that the plan computes alone. */
export function embed(plan: FaltoPlan, item: CatalogueItem): void {
  const product = productOf(item)
  const at = plan.products.findIndex(({ id }) => id === product.id)
  if (at >= 0) plan.products[at] = product
  else plan.products.push(product)
}

/** Takes out products that no formula names any more; developers stay, they are the shelf. */
export function dropUnused(plan: FaltoPlan): void {
  const used = new Set(
    plan.formulas.flatMap(({ productId, shades = [], additives = [] }) => [
      productId,
      ...[...shades, ...additives].map((one) => one.productId),
    ]),
  )
  plan.products = plan.products.filter(({ id, kind, shade }) => used.has(id) || kind === 'developer' || !shade)
}

/** Everything that can be told about a formula, once the plan is computed. */
export interface FormulaView {
  formula: Formula
  recipe: Recipe
  surfaces: Surface[]
  use: FormulaUse
}

export function viewOf(plan: FaltoPlan, formula: Formula, surfaces: Surface[]): FormulaView {
  const { kind, onScalp } = stageKindOf(plan, formula.id)
  return {
    formula,
    recipe: recipeOf(formula, plan.products),
    surfaces,
    use: { stageKind: kind, onScalp, heat: false, damp: false },
  }
}

/** Products of the plan whose catalogue entry says something else by now. */
export const changedSince = (products: readonly Product[], catalogue: readonly CatalogueItem[]): CatalogueItem[] =>
  catalogue.filter((item) =>
    products.some((product) => product.id === item.id && !sameProduct(product, productOf(item))),
  )

const sameProduct = (one: Product, other: Product): boolean => {
  const plain = (value: unknown): unknown =>
    value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(
          Object.entries(value)
            .sort(([a], [b]) => (a < b ? -1 : 1))
            .map(([key, inner]) => [key, plain(inner)]),
        )
      : value
  return JSON.stringify(plain(one)) === JSON.stringify(plain(other))
}

/** How each currency met so far is written. */
const FORMATS = new Map<string, Intl.NumberFormat>()

/** Money in words. */
export function money(minor: number, currency: string): string {
  const format = FORMATS.get(currency) ?? new Intl.NumberFormat('en', { style: 'currency', currency })
  FORMATS.set(currency, format)
  return format.format(minor / 100)
}

/** A formula, and how its editor changes it. */
export interface FormulaEdit {
  formula: Formula
  readOnly: boolean
  onEdit: (what: string, recipe: (formula: Formula, plan: FaltoPlan) => void) => void
}

/** Begins a formula with a product: ratio and strength become what its label allows. */
export function beginWith(formula: Formula, plan: FaltoPlan, item: CatalogueItem): void {
  const { ratios, developerMinVol, developerMaxVol } = item.rules
  embed(plan, item)
  formula.productId = item.id
  if (item.shade || item.kind === 'clear') formula.shades = [{ productId: item.id, amount: 1, unit: 'parts' }]
  else delete formula.shades
  if (!ratios.includes(formula.ratio)) formula.ratio = ratios[0] ?? 0
  if (formula.ratio > 0)
    formula.developerVol = Math.min(developerMaxVol, Math.max(developerMinVol, formula.developerVol))
  dropUnused(plan)
}
