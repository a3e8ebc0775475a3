'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { byId, LIMITS } from '@/core/model'
import { usePlan } from '../map/context'
import { NumberField } from '../parts'
import { embed, useBench, type FormulaEdit } from './context'
import { Close } from '../parts/icons'

/** What is added to the mix to spare the hair, and how much of it. */
export function Additives({ formula, readOnly, onEdit }: FormulaEdit) {
  const { catalogue } = useBench()
  const offered = catalogue.filter(
    ({ kind, id }) => kind === 'bondAdditive' && !formula.additives?.some(({ productId }) => productId === id),
  )
  const named = usePlan((state) => state.document.products)
  if (readOnly && !formula.additives?.length) return null
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
      {formula.additives?.map(({ productId, percent }, i) => (
        <Box key={productId} sx={{ display: 'flex', alignItems: 'flex-start' }}>
          <NumberField
            label={byId(named, productId).name}
            value={percent}
            limit={{ ...LIMITS.percent, unit: '%' }}
            step={1}
            disabled={readOnly}
            onChange={(next) => onEdit('additive', (draft) => void (draft.additives![i]!.percent = next))}
          />
          {!readOnly && (
            <Button
              color="inherit"
              aria-label="Take the additive out"
              sx={{ minWidth: 44, mt: 2 }}
              onClick={() => onEdit('additive out', (draft) => void draft.additives!.splice(i, 1))}
            >
              <Close fontSize="small" />
            </Button>
          )}
        </Box>
      ))}
      {!readOnly &&
        offered.map((item) => (
          <Button
            key={item.id}
            variant="outlined"
            color="inherit"
            sx={{ mt: 2 }}
            onClick={() =>
              onEdit('additive', (draft, plan) => {
                embed(plan, item)
                draft.additives = [
                  ...(draft.additives ?? []),
                  { productId: item.id, percent: item.additive?.percent ?? 5 },
                ]
              })
            }
          >
            Add {item.name}
          </Button>
        ))}
    </Box>
  )
}
