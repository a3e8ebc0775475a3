'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import MenuItem from '@mui/material/MenuItem'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { COUNTS, isCompanion, LIMITS, TONES, type Formula } from '@/core/model'
import { percentFromVolume } from '@/core/units'
import { Choice, NumberField, FormulaSample } from '../../parts'
import { freeLetter } from '../../formulaLetters'
import { WORDS } from '../../words'
import { usePlan, usePlanStore } from '../context'

/** The formulas of the plan: what they are mixed from and the level they are meant to show. */
export function FormulasDialog({ onClose }: { onClose: () => void }) {
  const { store, permissions } = usePlanStore()
  const formulas = usePlan((state) => state.document.formulas)
  const products = usePlan((state) => state.document.products)
  const variants = usePlan((state) => state.document.variants)
  const swatches = usePlan((state) => state.answer?.drawing.swatches) ?? {}
  const readOnly = !permissions.write

  const set = (id: string, what: string, change: Partial<Formula>) =>
    store.edit(
      `Formula ${id}: ${what}`,
      `formula/${id}/${what}`,
      (draft) =>
        void Object.assign(
          draft.formulas.find((formula) => formula.id === id)!,
          change,
        ),
    )

  function add() {
    const id = freeLetter(formulas)
    store.edit(`Formula ${id} added`, `formula/${id}/add`, (draft) => {
      draft.formulas.push({ ...draft.formulas.at(-1)!, id, name: `Formula ${id}` })
    })
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="formulas-title">
      <DialogTitle id="formulas-title">Formulas</DialogTitle>
      <DialogContent>
        <Stack spacing={2}>
          {formulas.map((formula, i) => {
            const used = variants.some(({ stages }) =>
              stages.some(({ zones }) => zones.some(({ placement }) => placement.sequence.includes(formula.id))),
            )
            return (
              <Paper
                key={formula.id}
                variant="outlined"
                sx={{ p: 2 }}
                component="section"
                aria-label={`Formula ${formula.id}`}
              >
                <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 1.5 }}>
                  <FormulaSample id={formula.id} index={i} swatch={swatches[formula.id] ?? '#888888'} size={40} />
                  <TextField
                    size="small"
                    label="Name"
                    defaultValue={formula.name}
                    disabled={readOnly}
                    slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
                    onChange={(event) =>
                      event.target.value.trim() && set(formula.id, 'name', { name: event.target.value.trim() })
                    }
                    sx={{ flex: 1 }}
                  />
                  {!readOnly && formulas.length > 1 && (
                    <Button
                      color="inherit"
                      disabled={used}
                      title={used ? 'Used in a row rhythm; take it out there first.' : undefined}
                      onClick={() =>
                        store.edit(
                          `Formula ${formula.id} removed`,
                          `formula/${formula.id}/remove`,
                          (draft) => void (draft.formulas = draft.formulas.filter(({ id }) => id !== formula.id)),
                        )
                      }
                    >
                      Remove
                    </Button>
                  )}
                </Box>
                <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(210px, 1fr))' }}>
                  <TextField
                    select
                    size="small"
                    label="Product"
                    value={formula.productId}
                    disabled={readOnly}
                    onChange={(event) =>
                      store.edit(`Formula ${formula.id}: product`, `formula/${formula.id}/product`, (draft) => {
                        const own = draft.formulas.find(({ id }) => id === formula.id)!
                        own.productId = event.target.value
                        delete own.shades
                      })
                    }
                    sx={{ alignSelf: 'center' }}
                  >
                    {products
                      .filter(({ kind }) => !isCompanion(kind))
                      .map((product) => (
                        <MenuItem key={product.id} value={product.id}>
                          {product.name}{' '}
                          <Typography component="span" variant="caption" color="textSecondary" sx={{ ml: 1 }}>
                            {WORDS.product[product.kind]}, {product.maximumMinutes} min at most
                          </Typography>
                        </MenuItem>
                      ))}
                  </TextField>
                  <NumberField
                    label="Developer"
                    value={formula.developerVol}
                    limit={LIMITS.developerVol}
                    step={5}
                    disabled={readOnly}
                    help={`${Math.round(percentFromVolume(formula.developerVol) * 10) / 10} % peroxide`}
                    onChange={(developerVol) => set(formula.id, 'developer', { developerVol })}
                  />
                  <NumberField
                    label="Developer to one part"
                    value={formula.ratio}
                    limit={LIMITS.ratio}
                    step={0.5}
                    disabled={readOnly}
                    help={`1 : ${formula.ratio}`}
                    onChange={(ratio) => set(formula.id, 'ratio', { ratio })}
                  />
                  <NumberField
                    label="Level it is meant to show"
                    value={formula.level}
                    limit={LIMITS.targetLevel}
                    step={0.5}
                    disabled={readOnly}
                    onChange={(level) => set(formula.id, 'level', { level })}
                  />
                  <Choice
                    label="Tone"
                    value={formula.tone}
                    disabled={readOnly}
                    options={TONES.map((value) => ({ value, label: WORDS.tone[value] }))}
                    onChange={(tone) => set(formula.id, 'tone', { tone })}
                  />
                </Box>
              </Paper>
            )
          })}
        </Stack>
      </DialogContent>
      <DialogActions>
        {!readOnly && (
          <Button color="inherit" disabled={formulas.length >= COUNTS.formulas} onClick={add}>
            Add a formula
          </Button>
        )}
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}
