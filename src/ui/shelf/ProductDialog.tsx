'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import { useWatch, type Control } from 'react-hook-form'
import { ProductChangeDto } from '@/dto'
import {
  isColour,
  LIMITS,
  PRODUCT_KINDS,
  type CatalogueItem,
  type Limit,
  type ProductKind,
  type ShelfItem,
} from '@/core/model'
import { CheckEntry, FormDialog, NumberEntry, SelectEntry, TextEntry, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { WORDS } from '../words'
import { RatiosEntry } from './RatiosEntry'
import { FIELDS_GRID, Heading } from './productForm'
import { ShadeFields } from './ShadeFields'

const EMPTY: CatalogueItem = {
  id: '',
  line: '',
  name: '',
  kind: 'gloss',
  maximumMinutes: 20,
  shade: { level: 8, hue: 'neutral', strength: 0, base: 'natural', whiteCoverPercent: 40 },
  rules: {
    ratios: [1],
    developerMinVol: 5,
    developerMaxVol: 10,
    workingLifeMinutes: 45,
    minimumMinutes: 5,
    maximumLift: 0,
    heat: false,
    onScalp: true,
    damp: true,
  },
  pack: { grams: 60, priceMinor: 700, densityGPerMl: 1 },
  reorderG: 60,
}
const NEW_ADDITIVE = { percent: 5, maximumPercent: 10, liftFactor: 0.9, timeFactor: 1.1 }
const NEW_DEVELOPER_VOL = 20

const PRICE: Limit = { min: 0, max: 10_000, unit: '' }

interface Props {
  /** The product to change; a new one is made without it. */
  known: ShelfItem | undefined
  onClose: () => void
  onDone: (message: string) => void
  onRemove: (id: string, name: string) => Promise<void>
}

/** Everything the salon knows of a product; wrong entries are told at their fields. */
export function ProductDialog({ known, onClose, onDone, onRemove }: Props) {
  const form = useEntryForm(ProductChangeDto, {
    start: { item: known?.item ?? EMPTY, ...(known && { baseRevision: known.revision }) },
    send: async (change) => {
      await callApi('/api/products', 'PUT', change)
      onDone(`${change.item.name} is kept.`)
    },
  })
  const { control } = form
  const item = useWatch({ control, name: 'item' })
  return (
    <FormDialog
      title={known?.item.name ?? 'A new product'}
      form={form}
      save="Keep"
      ready={item.name.trim() !== '' && item.line.trim() !== '' && item.id !== ''}
      onClose={onClose}
      maxWidth="md"
      fullWidth
      beside={
        known && (
          <Button color="inherit" onClick={() => void onRemove(item.id, item.name)} sx={{ mr: 'auto' }}>
            Remove
          </Button>
        )
      }
    >
      <Box sx={FIELDS_GRID}>
        <TextEntry control={control} name="item.name" label="Name" help="with its level, in words" />
        <TextEntry control={control} name="item.line" label="Line" help="what is mixed together" />
        <TextEntry
          control={control}
          name="item.id"
          label="Code"
          fixed={known !== undefined}
          help={known ? 'stays as it is' : 'letters, digits, dashes'}
        />
        <SelectEntry
          control={control}
          name="item.kind"
          label="Kind"
          options={PRODUCT_KINDS.map((value) => ({ value, label: WORDS.product[value] }))}
          onChosen={(kind) => form.setValue('item', ofKind(item, kind as ProductKind))}
        />
      </Box>
      {item.shade && <ShadeFields control={control} shade={item.shade} />}
      {item.additive && <AdditiveFields control={control} />}
      <LabelFields control={control} isDeveloper={item.developerVol !== undefined} />
      <PackFields control={control} />
    </FormDialog>
  )
}

/** The same product as another kind: with what that kind has, and without what it has not. */
function ofKind({ shade, additive, developerVol, ...rest }: CatalogueItem, kind: ProductKind): CatalogueItem {
  return {
    ...rest,
    kind,
    ...((isColour(kind) || kind === 'filler') && { shade: shade ?? EMPTY.shade }),
    ...(kind === 'bondAdditive' && { additive: additive ?? NEW_ADDITIVE }),
    ...(kind === 'developer' && { developerVol: developerVol ?? NEW_DEVELOPER_VOL }),
  }
}

interface Fields {
  control: Control<ProductChangeDto>
}

const ADDITIVE_FIELDS = [
  { name: 'item.additive.percent', label: 'Dose', limit: LIMITS.percent, step: 1 },
  { name: 'item.additive.maximumPercent', label: 'At most', limit: LIMITS.percent, step: 1 },
  { name: 'item.additive.liftFactor', label: 'Lift goes on at', limit: LIMITS.factor, step: 0.05 },
  { name: 'item.additive.timeFactor', label: 'Time it needs', limit: LIMITS.factor, step: 0.05 },
] as const

function AdditiveFields({ control }: Fields) {
  return (
    <div>
      <Heading>Additive</Heading>
      <Box sx={FIELDS_GRID}>
        {ADDITIVE_FIELDS.map((field) => (
          <NumberEntry key={field.name} control={control} {...field} />
        ))}
      </Box>
    </div>
  )
}

const LABEL_FIELDS = [
  { name: 'item.rules.developerMinVol', label: 'Weakest developer', limit: LIMITS.developerVol, step: 5 },
  { name: 'item.rules.developerMaxVol', label: 'Strongest developer', limit: LIMITS.developerVol, step: 5 },
  {
    name: 'item.rules.workingLifeMinutes',
    label: 'A mixed bowl is good for',
    limit: LIMITS.workingLifeMinutes,
    step: 5,
  },
  { name: 'item.rules.minimumMinutes', label: 'Stays on at least', limit: LIMITS.minimumMinutes, step: 5 },
  { name: 'item.maximumMinutes', label: 'Stays on at most', limit: LIMITS.maximumMinutes, step: 5 },
  { name: 'item.rules.maximumLift', label: 'Lifts at most', limit: LIMITS.maximumLift, step: 1 },
] as const

const MAY = [
  { name: 'item.rules.heat', label: 'takes heat' },
  { name: 'item.rules.onScalp', label: 'may touch the scalp' },
  { name: 'item.rules.damp', label: 'goes on damp hair' },
] as const

function LabelFields({ control, isDeveloper }: Fields & { isDeveloper: boolean }) {
  return (
    <div>
      <Heading>Label</Heading>
      <Box sx={FIELDS_GRID}>
        {isDeveloper && (
          <NumberEntry
            control={control}
            name="item.developerVol"
            label="Strength"
            limit={LIMITS.developerVol}
            step={5}
          />
        )}
        <RatiosEntry control={control} />
        {LABEL_FIELDS.map((field) => (
          <NumberEntry key={field.name} control={control} {...field} />
        ))}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
        {MAY.map((field) => (
          <CheckEntry key={field.name} control={control} {...field} />
        ))}
      </Box>
    </div>
  )
}

const PACK_FIELDS = [
  { name: 'item.pack.grams', label: 'Pack', limit: LIMITS.packG, step: 10 },
  { name: 'item.pack.priceMinor', label: 'Price of a pack', limit: PRICE, step: 1, as: 'money' },
  { name: 'item.pack.densityGPerMl', label: 'Density', limit: LIMITS.densityGPerMl, step: 0.05 },
  { name: 'item.reorderG', label: 'Order when less is left', limit: LIMITS.reorderG, step: 10 },
] as const

function PackFields({ control }: Fields) {
  return (
    <div>
      <Heading>Pack</Heading>
      <Box sx={FIELDS_GRID}>
        {PACK_FIELDS.map((field) => (
          <NumberEntry key={field.name} control={control} {...field} />
        ))}
      </Box>
    </div>
  )
}
