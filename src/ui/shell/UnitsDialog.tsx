'use client'
import Typography from '@mui/material/Typography'
import { useRouter } from 'next/navigation'
import { useWatch } from 'react-hook-form'
import { ReadingUnitsDto } from '@/dto'
import { readIn, timeIn, type ReadingUnits } from '@/core/units'
import { ChoiceEntry, FormDialog, useEntryForm } from '../forms'
import { callApi } from '../hooks/api'
import { useUnits } from '../hooks/useUnits'

const EXAMPLE = 'Formula A: 118 g (83–167) with 20 vol, row gap 6 mm, foils 24–30 cm long'

type Options = { [Unit in keyof ReadingUnits]: readonly { value: ReadingUnits[Unit]; label: string }[] }
const OPTIONS: Options = {
  mass: [
    { value: 'g', label: 'Grams' },
    { value: 'oz', label: 'Ounces' },
  ],
  length: [
    { value: 'cm', label: 'Centimetres' },
    { value: 'in', label: 'Inches' },
  ],
  developer: [
    { value: 'vol', label: 'Volume' },
    { value: '%', label: 'Per cent' },
  ],
  clock: [
    { value: '24', label: '24 hours' },
    { value: '12', label: '12 hours' },
  ],
}

/** The units of the whole salon, for its owner. */
export function UnitsDialog({ onClose }: { onClose: () => void }) {
  const router = useRouter()
  const { units: now } = useUnits()
  const form = useEntryForm(ReadingUnitsDto, {
    start: now,
    send: async (units) => {
      await callApi('/api/units', 'PUT', units)
      router.refresh()
      onClose()
    },
  })
  const { control } = form
  const units = useWatch({ control }) as ReadingUnits
  return (
    <FormDialog title="Units of the salon" form={form} save="Save" onClose={onClose} maxWidth="xs">
      <Typography color="textSecondary">
        For everybody who signs in here, on screen and on paper. Nothing that is recorded changes; files with data (CSV,
        JSON) stay in g, cm and vol.
      </Typography>
      <ChoiceEntry control={control} name="mass" label="Product" options={OPTIONS.mass} />
      <ChoiceEntry control={control} name="length" label="Lengths" options={OPTIONS.length} />
      <ChoiceEntry control={control} name="developer" label="Developer" options={OPTIONS.developer} />
      <ChoiceEntry control={control} name="clock" label="Time" options={OPTIONS.clock} />
      <Typography aria-label="Example">
        {readIn(units, EXAMPLE)}, done by {timeIn(units, '14:30')}.
      </Typography>
    </FormDialog>
  )
}
