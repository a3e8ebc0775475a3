'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { byId, COUNTS, freeLetter, isCompanion, LIMITS, TONES, type Formula, type Product } from '@/core/model'
import { percentFromVolume, roundToTenth } from '@/core/units'
import { Choice, ListChoice, NumberField, FormulaSample } from '../../parts'
import { RemoveFormula } from '../RemoveFormula'
import { WORDS } from '../../words'
import { usePlan, usePlanStore } from '../context'

/** The formulas of the plan: what they are mixed from and the level they are meant to show. */
export function FormulasDialog({ onClose }: { onClose: () => void }) {
  const { store, permissions } = usePlanStore()
  const formulas = usePlan((state) => state.document.formulas)

  function add() {
    const id = freeLetter(formulas)!
    store.edit(`Formula ${id} added`, `formula/${id}/add`, (draft) => {
      draft.formulas.push({ ...draft.formulas.at(-1)!, id, name: `Formula ${id}` })
    })
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="formulas-title">
      <DialogTitle id="formulas-title">Formulas</DialogTitle>
      <DialogContent>
        <Stack spacing={2}>
          {formulas.map((formula, i) => (
            <FormulaCard key={formula.id} formula={formula} index={i} only={formulas.length === 1} />
          ))}
        </Stack>
      </DialogContent>
      <DialogActions>
        {permissions.write && (
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

interface CardProps {
  formula: Formula
  index: number
  only: boolean
}

function FormulaCard({ formula, index, only }: CardProps) {
  const { store, permissions } = usePlanStore()
  const swatch = usePlan((state) => state.answer?.drawing.swatches[formula.id]) ?? '#888888'
  const readOnly = !permissions.write
  const { id } = formula
  const set = (what: string, change: Partial<Formula>) =>
    store.edit(
      `Formula ${id}: ${what}`,
      `formula/${id}/${what}`,
      (draft) => void Object.assign(byId(draft.formulas, id), change),
    )
  return (
    <Paper variant="outlined" sx={{ p: 2 }} component="section" aria-label={`Formula ${id}`}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', mb: 1.5 }}>
        <FormulaSample id={id} index={index} swatch={swatch} size={40} />
        <TextField
          size="small"
          label="Name"
          defaultValue={formula.name}
          disabled={readOnly}
          slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
          onChange={({ target }) => target.value.trim() && set('name', { name: target.value.trim() })}
          sx={{ flex: 1 }}
        />
        {!readOnly && !only && <RemoveFormula id={id} />}
      </Box>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(210px, 1fr))' }}>
        <ProductOf formula={formula} readOnly={readOnly} />
        <NumberField
          label="Developer"
          value={formula.developerVol}
          limit={LIMITS.developerVol}
          step={5}
          disabled={readOnly}
          help={`${roundToTenth(percentFromVolume(formula.developerVol))} % peroxide`}
          onChange={(developerVol) => set('developer', { developerVol })}
        />
        <NumberField
          label="Developer to one part"
          value={formula.ratio}
          limit={LIMITS.ratio}
          step={0.5}
          disabled={readOnly}
          help={`1 : ${formula.ratio}`}
          onChange={(ratio) => set('ratio', { ratio })}
        />
        <NumberField
          label="Level it is meant to show"
          value={formula.level}
          limit={LIMITS.targetLevel}
          step={0.5}
          disabled={readOnly}
          onChange={(level) => set('level', { level })}
        />
        <Choice
          label="Tone"
          value={formula.tone}
          disabled={readOnly}
          options={TONES.map((value) => ({ value, label: WORDS.tone[value] }))}
          onChange={(tone) => set('tone', { tone })}
        />
      </Box>
    </Paper>
  )
}

function ProductOf({ formula: { id, productId }, readOnly }: Pick<CardProps, 'formula'> & { readOnly: boolean }) {
  const { store } = usePlanStore()
  const products = usePlan((state) => state.document.products)
  return (
    <ListChoice
      label="Product"
      value={productId}
      disabled={readOnly}
      options={products
        .filter(({ kind }) => !isCompanion(kind))
        .map((product) => ({ value: product.id, label: <ProductWords product={product} /> }))}
      onChange={(chosen) =>
        store.edit(`Formula ${id}: product`, `formula/${id}/product`, (draft) => {
          const own = byId(draft.formulas, id)
          own.productId = chosen
          delete own.shades
        })
      }
      sx={{ alignSelf: 'center' }}
    />
  )
}

const ProductWords = ({ product: { name, kind, maximumMinutes } }: { product: Product }) => (
  <>
    {name}{' '}
    <Typography component="span" variant="caption" color="textSecondary" sx={{ ml: 1 }}>
      {WORDS.product[kind]}, {maximumMinutes} min at most
    </Typography>
  </>
)
