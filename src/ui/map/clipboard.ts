import { LEAVE, type FaltoPlan, type Placement, type Zone } from '@/core/model'
import { chosenZones, editChosen, editStage, stageOf } from './context'
import type { PlanStore } from './store'

/**
 * Placements that were copied, by the role of their zone. They outlive the plan, so that they can be pasted on another
 * head.
 */
interface Copied {
  name: string
  zones: { role: string; placement: Placement }[]
}

const KEY = 'falto-copied-zones'

/** Copies the selected zones, or all of the stage. @returns what to tell the hand */
export function copyZones(store: PlanStore, which: 'chosen' | 'all'): string {
  const state = store.getState()
  const stage = stageOf(state)
  const zones = which === 'all' ? stage.zones : chosenZones(state)
  if (zones.length === 0) return 'Choose a zone first, then copy it.'
  const name = which === 'all' ? `All of ${stage.name}` : namesOf(zones)
  const copied: Copied = { name, zones: zones.map(({ role, placement }) => ({ role, placement })) }
  try {
    localStorage.setItem(KEY, JSON.stringify(copied))
  } catch {
    return 'This browser keeps nothing, so nothing could be copied.'
  }
  return `${name} copied. It can be pasted into other zones, also of another plan.`
}

/**
 * Pastes what was copied: one zone into all that are selected, several into the zones of the same name.
 * @returns what to tell the hand
 */
export function pasteZones(store: PlanStore): string {
  const text = localStorage.getItem(KEY)
  if (!text) return 'Nothing has been copied yet.'
  const { name, zones } = JSON.parse(text) as Copied
  const state = store.getState()
  const fit = (placement: Placement) => fitted(placement, state.document)
  if (zones.length === 1) {
    if (chosenZones(state).length === 0) return 'Choose the zones to paste into first.'
    editChosen(
      store,
      `${name} pasted`,
      'paste',
      (placement) => void Object.assign(emptied(placement), structuredClone(fit(zones[0]!.placement))),
    )
    return `${name} pasted.`
  }
  const byRole = new Map(zones.map(({ role, placement }) => [role, placement]))
  const met = stageOf(state).zones.filter(({ role }) => byRole.has(role))
  if (met.length === 0) return `No zone here is one of those in “${name}”. Choose the same sections first.`
  editStage(store, `${name} pasted`, 'paste/all', (stage) => {
    for (const zone of stage.zones) {
      const placement = byRole.get(zone.role)
      if (placement) zone.placement = structuredClone(fit(placement))
    }
  })
  return `${name} pasted into ${met.length} of ${stageOf(state).zones.length} zones.`
}

const namesOf = (zones: readonly Zone[]): string => (zones.length === 1 ? zones[0]!.name : `${zones.length} zones`)

function emptied(placement: Placement): Placement {
  for (const key of Object.keys(placement)) delete (placement as unknown as Record<string, unknown>)[key]
  return placement
}

/** Letters that another plan does not have become its last formula. */
function fitted(placement: Placement, { formulas }: FaltoPlan): Placement {
  const letters = formulas.map(({ id }) => id)
  const known = (id: string) => (id === LEAVE || letters.includes(id) ? id : letters[letters.length - 1]!)
  const { dropout } = placement
  return {
    ...placement,
    sequence: placement.sequence.map((entry) =>
      typeof entry === 'string'
        ? known(entry)
        : { ...entry, stretches: entry.stretches.map((one) => ({ ...one, formulaId: known(one.formulaId) })) },
    ),
    ...(dropout && { dropout: { ...dropout, formulaId: known(dropout.formulaId) } }),
  }
}
