'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { byId, LIMITS, SHADE_UNITS, type CatalogueItem, type FormulaShade } from '@/core/model'
import { useUnits } from '../hooks/useUnits'
import { usePlan } from '../map/context'
import { ListChoice } from '../parts'
import { Grip, useSortableItem } from '../parts/sortable'
import { useTypedNumber } from '../parts/useTypedNumber'
import { ProductPicker } from './ProductPicker'
import { ShadeDot } from './ShadeDot'
import { Close } from '../parts/icons'

interface Props {
  id: string
  index: number
  shade: FormulaShade
  /** Its share of 100 g of shades, g. */
  gramsIn100: number
  choices: CatalogueItem[]
  readOnly: boolean
  movable: boolean
  onPut: (item: CatalogueItem) => void
  onChange: (what: string, change: Partial<FormulaShade>) => void
  onTake: () => void
}

/** Units are kept as their names; only grams are read otherwise in some salons. */
const keptUnit = (unit: FormulaShade['unit']): string => (unit === 'grams' ? 'g' : unit)

/** One shade of a mix: which, how much of it, and its place among the others. */
export function ShadeRow({ id, index, shade, gramsIn100, choices, readOnly, movable, onPut, onChange, onTake }: Props) {
  const product = usePlan((state) => byId(state.document.products, shade.productId))
  const { field } = useUnits()
  const { ref, style, grip } = useSortableItem(id, !movable)
  return (
    <Box
      ref={ref}
      style={style}
      sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap', bgcolor: 'background.paper' }}
      role="group"
      aria-label={product.name}
    >
      {movable && <Grip grip={grip} name={product.name} />}
      <ShadeDot product={product} />
      <ProductPicker
        label={`Shade ${index + 1}`}
        value={product}
        disabled={readOnly}
        options={choices}
        onChange={onPut}
      />
      <Amount
        key={shade.unit}
        shade={shade}
        readOnly={readOnly}
        onAmount={(amount) => onChange('amount', { amount })}
      />
      <ListChoice
        label="Unit"
        value={shade.unit}
        disabled={readOnly}
        options={SHADE_UNITS.map((value) => ({ value, label: field(keptUnit(value)).unit }))}
        onChange={(unit) => onChange('unit', { unit })}
        sx={{ width: 92 }}
      />
      <Typography variant="caption" color="textSecondary" sx={{ width: 84, textAlign: 'right' }}>
        {gramsIn100} in 100
      </Typography>
      {!readOnly && (
        <Button color="inherit" aria-label={`Take ${product.name} out`} onClick={onTake} sx={{ minWidth: 44 }}>
          <Close fontSize="small" />
        </Button>
      )}
    </Box>
  )
}

/** A narrow field for a figure; taken as a whole once it is left. */
function Amount({
  shade: { amount, unit },
  readOnly,
  onAmount,
}: Pick<Props, 'shade' | 'readOnly'> & { onAmount: (amount: number) => void }) {
  const limit = { ...LIMITS.shadeAmount, unit: keptUnit(unit) }
  const { shown, wrong, type, take, leave } = useTypedNumber({ value: amount, limit, step: 1, onChange: onAmount })
  return (
    <TextField
      size="small"
      label="Amount"
      value={shown}
      disabled={readOnly}
      error={wrong !== undefined}
      helperText={wrong}
      slotProps={{ htmlInput: { inputMode: 'decimal' } }}
      onChange={({ target }) => type(target.value)}
      onBlur={take}
      onKeyDown={({ key }) => (key === 'Enter' ? take() : key === 'Escape' ? leave() : undefined)}
      sx={{ width: 92 }}
    />
  )
}
