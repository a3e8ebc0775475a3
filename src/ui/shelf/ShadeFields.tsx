'use client'
import Box from '@mui/material/Box'
import type { Control } from 'react-hook-form'
import type { ProductChangeDto } from '@/dto'
import { BASES, LIMITS, TONE_HUES, type Base, type ProductShade } from '@/core/model'
import { ChoiceEntry, NumberEntry, SelectEntry } from '../forms'
import { Swatch } from '../mix/OnHair'
import { hexOfShade } from '../mix/ShadeDot'
import { WORDS } from '../words'
import { FIELDS_GRID, Heading } from './productForm'

const BASE_WORDS: Record<Base, string> = { natural: 'natural', toned: 'some', none: 'none' }

/** What a colour leaves on hair. */
export function ShadeFields({ control, shade }: { control: Control<ProductChangeDto>; shade: ProductShade }) {
  return (
    <div>
      <Heading>Shade</Heading>
      <Box sx={FIELDS_GRID}>
        <NumberEntry control={control} name="item.shade.level" label="Level" limit={LIMITS.targetLevel} step={1} />
        <SelectEntry
          control={control}
          name="item.shade.hue"
          label="Tone"
          options={TONE_HUES.map((value) => ({ value, label: WORDS.hue[value] }))}
          sx={{ mt: 2 }}
        />
        <NumberEntry
          control={control}
          name="item.shade.strength"
          label="Strength of the tone"
          limit={LIMITS.percent}
          step={10}
          as="percent"
        />
        <NumberEntry
          control={control}
          name="item.shade.whiteCoverPercent"
          label="Covers white"
          limit={LIMITS.percent}
          step={10}
        />
        <ChoiceEntry
          control={control}
          name="item.shade.base"
          label="Natural base"
          options={BASES.map((value) => ({ value, label: BASE_WORDS[value] }))}
        />
        <Box sx={{ mt: 2 }}>
          <Swatch hex={hexOfShade(shade)} words={shade.swatch ? 'as measured' : 'swatch'} />
        </Box>
      </Box>
    </div>
  )
}
