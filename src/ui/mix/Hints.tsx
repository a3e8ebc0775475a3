'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import { byId, COUNTS, freeLetter, type Formula } from '@/core/model'
import { stageKindOf } from '@/core/product/bowls'
import { shadowRootLevel, wantsCompanion } from '@/core/product/formula'
import { usePlan, usePlanStore } from '../map/context'

/**
 * What other parts of the plan ask of this formula: a shadow near the natural level, a warmer companion beside dark
 * foils.
 */
export function Hints({
  formula,
  readOnly,
  onLevel,
}: {
  formula: Formula
  readOnly: boolean
  onLevel: (level: number) => void
}) {
  const { store } = usePlanStore()
  const plan = usePlan((state) => state.document)
  const { kind } = stageKindOf(plan, formula.id)
  const others = plan.formulas.filter(({ id }) => id !== formula.id)
  const lengths = Math.max(0, ...others.map(({ level }) => level))
  const shadow = shadowRootLevel(plan.hair.naturalLevel, lengths)
  const gloss = plan.products.find(({ id }) => id === formula.productId)?.kind === 'gloss'
  const companion =
    gloss &&
    kind === 'gloss' &&
    wantsCompanion(
      formula.level,
      others.map(({ level }) => level),
    ) &&
    plan.formulas.length < COUNTS.formulas &&
    !others.some(({ name }) => name === `${formula.name}, warmer`)

  function addCompanion() {
    const id = freeLetter(plan.formulas)!
    store.edit(`Formula ${id}: a warmer companion of ${formula.id}`, `formula/${id}/companion`, (draft) => {
      const { shades: _shades, ...own } = byId(draft.formulas, formula.id)
      draft.formulas.push({ ...own, id, name: `${own.name}, warmer`, tone: 'warm' })
    })
  }

  return (
    <>
      {kind === 'shadowRoot' && lengths > 0 && Math.abs(formula.level - shadow) >= 1 && (
        <Alert
          severity="info"
          variant="outlined"
          action={
            !readOnly && (
              <Button color="inherit" onClick={() => onLevel(shadow)}>
                Set to {shadow}
              </Button>
            )
          }
        >
          A shadow root lies near the natural level, here {shadow}.
        </Alert>
      )}
      {companion && (
        <Alert
          severity="info"
          variant="outlined"
          action={
            !readOnly && (
              <Button color="inherit" onClick={addCompanion}>
                Add it
              </Button>
            )
          }
        >
          When the dark foils are rinsed their colour runs over the light: a slightly warmer companion for the strands
          beside them keeps those from going muddy.
        </Alert>
      )}
    </>
  )
}
