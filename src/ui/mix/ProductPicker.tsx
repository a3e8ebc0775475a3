'use client'
import Autocomplete from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import TextField from '@mui/material/TextField'
import type { CatalogueItem, Product } from '@/core/model'
import { ShadeDot } from './ShadeDot'
import { WORDS } from '../words'

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
