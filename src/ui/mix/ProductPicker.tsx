'use client'
import Autocomplete from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import { hexFromLab, labOfHair } from '@/core/hair/colour'
import type { CatalogueItem, Product } from '@/core/model'
import { INK } from '../theme'
import { WORDS } from '../words'

/** A swatch beside a product's name. */
export function ShadeDot({ product: { shade, kind } }: { product: Pick<Product, 'shade' | 'kind'> }) {
  const fill = shade ? hexFromLab(shade.swatch ?? labOfHair(shade.level, shade.hue, shade.strength)) : 'transparent'
  return (
    <svg width={26} height={26} viewBox="0 0 26 26" aria-hidden style={{ flex: 'none' }}>
      <rect
        x={1}
        y={1}
        width={24}
        height={24}
        rx={3}
        fill={fill}
        stroke={INK.faint}
        strokeDasharray={kind === 'clear' ? '3 2' : undefined}
      />
    </svg>
  )
}

export function ProductPicker({
  label,
  value,
  options,
  disabled,
  onChange,
}: {
  label: string
  value: Product | null
  options: CatalogueItem[]
  disabled: boolean
  onChange: (item: CatalogueItem) => void
}) {
  return (
    <Autocomplete
      size="small"
      sx={{ flex: 1, minWidth: 180 }}
      disabled={disabled}
      disableClearable={value !== null}
      options={options}
      value={value as CatalogueItem}
      groupBy={({ line, kind }) => `${line}, ${WORDS.product[kind]}`}
      getOptionLabel={({ name }) => name}
      isOptionEqualToValue={(one, other) => one.id === other.id}
      onChange={(_event, item) => item && onChange(item)}
      renderOption={({ key, ...props }, option) => (
        <Box component="li" key={key} {...props} sx={{ gap: 1 }}>
          {option.shade && <ShadeDot product={option} />}
          {option.name}
        </Box>
      )}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  )
}
