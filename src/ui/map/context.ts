'use client'
import { createContext, useContext, useMemo } from 'react'
import { useStore } from 'zustand'
import type { Caution, Stage, Variant, Zone } from '@/core/model'
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
export const variantOf = ({ document }: Pick<PlanState, 'document'>): Variant => document.variants.find(({ id }) => id === document.activeVariantId) ?? document.variants[0]!

/** The stage being worked on. */
export function stageOf({ document, stageId }: Pick<PlanState, 'document' | 'stageId'>): Stage {
  const { stages } = variantOf({ document })
  return stages.find(({ id }) => id === stageId) ?? stages[0]!
}

/** Zones of the stage in working order. */
export function zonesInOrder(state: Pick<PlanState, 'document' | 'stageId'>): Zone[] {
  const stage = stageOf(state)
  return stage.order.map((id) => stage.zones.find((zone) => zone.id === id)!)
}

/** Changes the stage being worked on, as one named edit. */
export function editStage(store: PlanStore, label: string, key: string, recipe: (stage: Stage) => void): void {
  const { stageId } = store.getState()
  store.edit(label, key, (draft) => recipe(stageOf({ document: draft, stageId })))
}

/** Changes one zone, as one named edit. */
export function editZone(store: PlanStore, zone: Pick<Zone, 'id' | 'name'>, what: string, key: string, recipe: (zone: Zone) => void): void {
  editStage(store, `${what}, ${zone.name}`, `${zone.id}/${key}`, (stage) => recipe(stage.zones.find(({ id }) => id === zone.id)!))
}

const NONE: Caution[] = []

/**
 * What has to be looked at in this plan. Where the client's own care record is at hand, what it asks for takes the place of the general
 * reminder that a plan alone can give.
 */
export function useCautions(): Caution[] {
  const figures = usePlan((state) => state.answer?.figures)
  const care = usePlan((state) => state.careCautions)
  return useMemo(() => (figures ? figures.cautions.flatMap((caution) => (caution.id === 'care-checks' ? care : [caution])) : NONE), [figures, care])
}
