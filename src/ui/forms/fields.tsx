'use client'
import Checkbox from '@mui/material/Checkbox'
import FormControlLabel from '@mui/material/FormControlLabel'
import TextField, { type TextFieldProps } from '@mui/material/TextField'
import type { ReactNode } from 'react'
import { useController, type Control, type FieldPath, type FieldPathByValue, type FieldValues } from 'react-hook-form'
import { Choice, ListChoice, NumberField } from '../parts'
import type { NumberFieldProps } from '../parts/NumberField'
import { DateField } from '../parts/DateField'

interface Of<Entry extends FieldValues, Value> {
  control: Control<Entry>
  name: FieldPathByValue<Entry, Value>
  label: string
}

/** Value, problem and handlers of one field. */
function useField<Entry extends FieldValues>(control: Control<Entry>, name: string) {
  const { field, fieldState } = useController({ control, name: name as FieldPath<Entry> })
  return { field, problem: fieldState.error?.message }
}

type TextProps = Pick<
  TextFieldProps,
  'type' | 'autoComplete' | 'autoFocus' | 'required' | 'multiline' | 'minRows' | 'sx' | 'size' | 'disabled'
>

/** Words. */
export function TextEntry<Entry extends FieldValues>({
  control,
  name,
  label,
  help,
  longest,
  fixed,
  capitals,
  end,
  ...rest
}: Of<Entry, string | undefined> &
  TextProps & { help?: string; longest?: number; fixed?: boolean; capitals?: boolean; end?: ReactNode }) {
  const { field, problem } = useField(control, name)
  const { ref, ...handlers } = field
  return (
    <TextField
      size="small"
      {...rest}
      {...handlers}
      onChange={({ target }) => field.onChange(capitals ? target.value.toUpperCase() : target.value)}
      value={field.value ?? ''}
      inputRef={ref}
      label={label}
      error={problem !== undefined}
      helperText={problem ?? help}
      slotProps={{
        htmlInput: { ...(longest && { maxLength: longest }), ...(fixed && { readOnly: true }) },
        input: { endAdornment: end },
      }}
    />
  )
}

/** One of many, from a list that opens; an empty one stands for none. */
export function SelectEntry<Entry extends FieldValues>({
  control,
  name,
  help,
  onChosen,
  ...rest
}: Of<Entry, string | undefined> & {
  help?: string
  options: readonly { value: string; label: ReactNode }[]
  /** What else follows from a choice. */
  onChosen?: (value: string) => void
} & Pick<TextFieldProps, 'sx' | 'size'>) {
  const { field, problem } = useField(control, name)
  return (
    <ListChoice
      {...rest}
      value={field.value ?? ''}
      error={problem !== undefined}
      help={problem ?? help}
      onBlur={field.onBlur}
      onChange={(value) => {
        field.onChange(value || undefined)
        onChosen?.(value)
      }}
    />
  )
}

/** How a figure is shown that is kept otherwise: shares as percent, money in its whole units. */
const READINGS = {
  plain: { shown: (kept: number) => kept, kept: (shown: number) => shown },
  percent: { shown: (kept: number) => Math.round(100 * kept), kept: (shown: number) => shown / 100 },
  money: { shown: (kept: number) => kept / 100, kept: (shown: number) => Math.round(100 * shown) },
}

/** A figure. */
export function NumberEntry<Entry extends FieldValues>({
  control,
  name,
  as = 'plain',
  optional,
  ...rest
}: Of<Entry, number | undefined> &
  Pick<NumberFieldProps, 'limit' | 'step' | 'help' | 'disabled'> & {
    as?: keyof typeof READINGS
    /** May be emptied again. */
    optional?: boolean
  }) {
  const { field, problem } = useField(control, name)
  const { shown, kept } = READINGS[as]
  return (
    <NumberField
      {...rest}
      value={field.value === undefined ? undefined : shown(field.value)}
      problem={problem}
      onChange={(value) => field.onChange(kept(value))}
      onClear={optional ? () => field.onChange(undefined) : undefined}
    />
  )
}

/** A day; empty where it may be. */
export function DateEntry<Entry extends FieldValues>({
  control,
  name,
  ...rest
}: Of<Entry, string | undefined> & { optional?: boolean; max?: string; help?: string }) {
  const { field, problem } = useField(control, name)
  return (
    <DateField
      {...rest}
      value={field.value ?? ''}
      problem={problem}
      onChange={(day) => field.onChange(day === '' ? undefined : day)}
    />
  )
}

/** One of a few, all in sight. */
export function ChoiceEntry<Entry extends FieldValues, Value extends string>({
  control,
  name,
  label,
  options,
}: Of<Entry, Value | undefined> & { options: readonly { value: Value; label: ReactNode; name?: string }[] }) {
  const { field } = useField(control, name)
  return <Choice label={label} value={field.value as Value | undefined} options={options} onChange={field.onChange} />
}

export function CheckEntry<Entry extends FieldValues>({ control, name, label }: Of<Entry, boolean | undefined>) {
  const { field } = useField(control, name)
  return (
    <FormControlLabel
      label={label}
      control={<Checkbox checked={Boolean(field.value)} onChange={({ target }) => field.onChange(target.checked)} />}
    />
  )
}
