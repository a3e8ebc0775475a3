'use client'
import Button from '@mui/material/Button'
import { placementLetters, type FaltoPlan } from '@/core/model'
import { usePlan, usePlanStore } from './context'

/** Whether any idea puts a formula on hair, in a row rhythm or as what is dropped out. */
const puts = ({ variants }: FaltoPlan, id: string): boolean =>
  variants.some(({ stages }) =>
    stages.some(({ zones }) => zones.some(({ placement }) => placementLetters(placement).includes(id))),
  )

/** Takes a formula out of the plan, once nothing on the map uses it. */
export function RemoveFormula({ id }: { id: string }) {
  const { store } = usePlanStore()
  const used = usePlan((state) => puts(state.document, id))
  return (
    <Button
      color="inherit"
      disabled={used}
      title={used ? 'Used on the map; take it out there first.' : undefined}
      onClick={() =>
        store.edit(
          `Formula ${id} removed`,
          `formula/${id}/remove`,
          (draft) => void (draft.formulas = draft.formulas.filter((formula) => formula.id !== id)),
        )
      }
    >
      Remove
    </Button>
  )
}
