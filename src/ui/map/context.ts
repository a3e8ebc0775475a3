'use client'
import { createContext, useContext, useMemo } from 'react'
import { useStore } from 'zustand'
import { byId, type Caution, type FaltoPlan, type Placement, type Stage, type Variant, type Zone } from '@/core/model'
import { defaultPlacement } from '@/core/placement/foils'
import type { PlanState, PlanStore } from './store'

export interface Permissions {
  write: boolean
  acknowledge: boolean
}

export const PlanContext = createContext<{ store: PlanStore; permissions: Permissions } | undefined>(undefined)

/** The store of the plan that is open around this part. */
export function usePlanStore(): { store: PlanStore; permissions: Permissions } {
  const context = useContext(PlanContext)
  if (!context) throw new Error('There is no open plan around this part.')
  return context
}

/** A piece of the open plan's state. */
export function usePlan<T>(select: (state: PlanState) => T): T {
  return useStore(usePlanStore().store, select)
}

/** The variant being worked on. */
export const variantOf = ({ document }: Pick<PlanState, 'document'>): Variant =>
  document.variants.find(({ id }) => id === document.activeVariantId) ?? document.variants[0]!

/** The stage being worked on. */
export function stageOf({ document, stageId }: Pick<PlanState, 'document' | 'stageId'>): Stage {
  const { stages } = variantOf({ document })
  return stages.find(({ id }) => id === stageId) ?? stages[0]!
}

/** Zones of the stage in working order. */
export function zonesInOrder(state: Pick<PlanState, 'document' | 'stageId'>): Zone[] {
  const stage = stageOf(state)
  return stage.order.map((id) => byId(stage.zones, id))
}

/** Changes the stage being worked on, as one named edit. */
export function editStage(store: PlanStore, label: string, key: string, recipe: (stage: Stage) => void): void {
  const { stageId } = store.getState()
  store.edit(label, key, (draft) => recipe(stageOf({ document: draft, stageId })))
}

/**
 * Moves a zone of a stage in the order of application, as one named edit.
 * @param by so many places later, or earlier where it is negative
 */
export function moveZone(
  store: PlanStore,
  stageId: string,
  { id, name }: { id: string; name: string },
  by: number,
): void {
  store.edit(`${name} ${by < 0 ? 'earlier' : 'later'}`, `order/${id}`, (draft) => {
    const stage = stageOf({ document: draft, stageId })
    const at = stage.order.indexOf(id)
    stage.order = withMoved(stage.order, at, at + by)
  })
}

/** The same with one item put at another place. */
export function withMoved<Item>(list: readonly Item[], from: number, to: number): Item[] {
  const moved = [...list]
  moved.splice(to, 0, ...moved.splice(from, 1))
  return moved
}

/** The selected zones of the stage in hand, the one whose figures are shown first. */
export function chosenZones(state: Pick<PlanState, 'document' | 'stageId' | 'selectedZone' | 'alsoSelected'>): Zone[] {
  const { zones } = stageOf(state)
  return [state.selectedZone, ...state.alsoSelected].flatMap((id) => zones.find((zone) => zone.id === id) ?? [])
}

/**
 * Selects a zone as a press asks: with Shift or Ctrl held, or while several are being picked, along with the others.
 */
export function pick(
  store: PlanStore,
  zoneId: string,
  { shiftKey, ctrlKey, metaKey }: { shiftKey: boolean; ctrlKey: boolean; metaKey: boolean },
): void {
  store.select(zoneId, shiftKey || ctrlKey || metaKey || store.getState().picking === 'several' ? 'also' : 'only')
}

/**
 * Changes the placement of every selected zone, as one named edit.
 * @param what the change in words; may be made from the first zone's placement before it
 */
export function editChosen(
  store: PlanStore,
  what: string | ((before: Placement) => string),
  key: string,
  recipe: (placement: Placement) => void,
): void {
  const state = store.getState()
  const chosen = chosenZones(state)
  const [first] = chosen
  if (!first) return
  const ids = new Set(chosen.map(({ id }) => id))
  const names = chosen.length > 1 ? `${first.name} and ${chosen.length - 1} more` : first.name
  const zonesOf = (document: FaltoPlan) => stageOf({ document, stageId: state.stageId }).zones
  const words = (before: FaltoPlan) =>
    typeof what === 'string'
      ? what
      : what(zonesOf(before).find(({ id }) => id === first.id)?.placement ?? first.placement)
  store.edit(
    (before) => `${words(before)}, ${names}`,
    `${[...ids].join()}/${key}`,
    (draft) => {
      for (const zone of zonesOf(draft)) if (ids.has(zone.id)) recipe(zone.placement)
    },
  )
}

const BARE = defaultPlacement()

/** A piece of the selected zone's placement; whatever shows it draws again only when that piece changes. */
export const usePlacement = <T>(select: (placement: Placement) => T): T =>
  usePlan((state) => select(chosenZones(state)[0]?.placement ?? BARE))

const NONE: Caution[] = []

/**
 * What has to be looked at in this plan. Where the client's own care record is at hand, what it asks for takes the
 * place of the general reminder that a plan alone can give.
 */
export function useCautions(): Caution[] {
  const figures = usePlan((state) => state.judged?.figures)
  const care = usePlan((state) => state.careCautions)
  return useMemo(
    () => (figures ? figures.cautions.flatMap((caution) => (caution.id === 'care-checks' ? care : [caution])) : NONE),
    [figures, care],
  )
}
