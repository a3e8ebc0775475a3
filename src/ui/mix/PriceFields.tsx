'use client'
import Box from '@mui/material/Box'
import type { Control } from 'react-hook-form'
import { LIMITS, type Limit } from '@/core/model'
import type { SalonRatesDto } from '@/dto'
import { NumberEntry, TextEntry } from '../forms'

const MONEY: Limit = { min: 0, max: 1_000_000, unit: '' }
const GRAMS: Limit = { ...LIMITS.stockG, unit: 'g' }

const FIELDS = [
  {
    name: 'rates.hourMinor',
    label: 'An hour at the chair',
    limit: MONEY,
    step: 1,
    as: 'money',
    help: 'charged for hands-on time',
  },
  {
    name: 'rates.hourCostMinor',
    label: 'An hour costs the salon',
    limit: MONEY,
    step: 1,
    as: 'money',
    help: 'wages and room',
  },
  { name: 'rates.foilMinor', label: 'A foil', limit: MONEY, step: 0.05, as: 'money', help: 'charged each' },
  { name: 'rates.allowanceG', label: 'Mix within the price', limit: GRAMS, step: 10, help: 'the standard amount' },
  { name: 'rates.productFactor', label: 'Mix beyond it, times its cost', limit: LIMITS.productFactor, step: 0.5 },
  {
    name: 'rates.extraBowlMinor',
    label: 'A further bowl',
    limit: MONEY,
    step: 1,
    as: 'money',
    help: 'for every 60 g begun',
  },
  { name: 'rates.taxPercent', label: 'Tax on top', limit: LIMITS.taxPercent, step: 1 },
] as const

/** What a salon charges and pays. */
export function PriceFields({ control, disabled = false }: { control: Control<SalonRatesDto>; disabled?: boolean }) {
  return (
    <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(220px, 1fr))', mt: 1 }}>
      <TextEntry
        control={control}
        name="rates.currency"
        label="Currency"
        help="three letters, such as EUR"
        longest={3}
        capitals
        disabled={disabled}
        sx={{ mt: 2 }}
      />
      {FIELDS.map((field) => (
        <NumberEntry key={field.name} control={control} disabled={disabled} {...field} />
      ))}
    </Box>
  )
}
