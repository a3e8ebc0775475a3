'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import ButtonBase from '@mui/material/ButtonBase'
import Typography from '@mui/material/Typography'
import { COUNTS, freeLetter } from '@/core/model'
import { usePlan, usePlanStore } from '../map/context'
import { FormulaSample, Grams } from '../parts'
import { LINE } from '../theme'

/** The plan's formulas with what each comes to. */
export function FormulaList({ chosen, onChoose }: { chosen: string; onChoose: (id: string) => void }) {
  const { store, permissions } = usePlanStore()
  const formulas = usePlan((state) => state.document.formulas)
  const products = usePlan((state) => state.document.products)
  const grams = usePlan((state) => state.answer?.figures.grams)
  const mix = usePlan((state) => state.judged?.figures.mix)
  const swatches = usePlan((state) => state.answer?.drawing.swatches)

  function add() {
    const id = freeLetter(formulas)!
    store.edit(
      `Formula ${id} added`,
      `formula/${id}/add`,
      (draft) => void draft.formulas.push({ ...draft.formulas.at(-1)!, id, name: `Formula ${id}` }),
    )
    onChoose(id)
  }

  return (
    <Box component="nav" aria-label="Formulas" sx={{ display: { xs: 'flex', lg: 'block' }, overflow: 'auto' }}>
      {formulas.map(({ id, name, productId }, i) => {
        const range = grams?.[id]
        const bowls = mix?.find(({ formulaId }) => formulaId === id)?.bowls.length ?? 0
        return (
          <ButtonBase
            key={id}
            aria-current={id === chosen}
            onClick={() => onChoose(id)}
            sx={{
              display: 'flex',
              width: { xs: 'auto', lg: '100%' },
              minWidth: 180,
              gap: 1,
              p: 1.25,
              textAlign: 'left',
              alignItems: 'flex-start',
              justifyContent: 'flex-start',
              borderBottom: LINE,
              bgcolor: id === chosen ? 'action.selected' : 'transparent',
            }}
          >
            <FormulaSample id={id} index={i} swatch={swatches?.[id] ?? '#888888'} size={36} />
            <Box sx={{ minWidth: 0 }}>
              <Typography sx={{ fontWeight: 600, lineHeight: 1.2 }} noWrap>
                {name}
              </Typography>
              <Typography variant="caption" color="textSecondary" noWrap sx={{ display: 'block' }}>
                {products.find((product) => product.id === productId)?.name}
              </Typography>
              {range && (
                <Typography variant="caption" sx={{ display: 'block' }}>
                  {range.expected > 0 ? (
                    <>
                      <Grams expected={range.expected} low={Math.round(range.low)} high={Math.round(range.high)} />,{' '}
                      {bowls} bowl{bowls === 1 ? '' : 's'}
                    </>
                  ) : (
                    'not used yet'
                  )}
                </Typography>
              )}
            </Box>
          </ButtonBase>
        )
      })}
      {permissions.write && (
        <Button
          color="inherit"
          disabled={formulas.length >= COUNTS.formulas}
          onClick={add}
          sx={{ m: 1, whiteSpace: 'nowrap' }}
        >
          Add a formula
        </Button>
      )}
    </Box>
  )
}
