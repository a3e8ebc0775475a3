'use client'
import Box from '@mui/material/Box'
import { CURLS, CUT_LINES, DENSITIES, LIMITS, TEXTURES, type HairState, type HeadMeasures } from '@/core/model'
import { WORDS } from '../words'
import { Choice } from './Choice'
import { NumberField } from './NumberField'

const grid = { display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(198px, 1fr))' } as const

interface HeadProps {
  head: HeadMeasures
  onChange: (head: HeadMeasures) => void
  problemAt: (path: string) => string | undefined
  disabled?: boolean
}

/** The tape measures of a head. */
export function HeadFields({ head, onChange, problemAt, disabled = false }: HeadProps) {
  const optional = (key: 'frontToNapeCm' | 'earToEarCm' | 'frontHairlineOffsetCm', label: string, help: string) => (
    <NumberField
      label={label}
      value={head[key]}
      limit={LIMITS[key]}
      step={0.5}
      help={help}
      problem={problemAt(`head.${key}`)}
      disabled={disabled}
      onChange={(value) => onChange({ ...head, [key]: value })}
      onClear={() => {
        const { [key]: _removed, ...rest } = head
        onChange(rest)
      }}
    />
  )
  return (
    <Box sx={grid}>
      <NumberField
        label="Circumference"
        value={head.circumferenceCm}
        limit={LIMITS.circumferenceCm}
        step={0.5}
        help="Around forehead and back."
        problem={problemAt('head.circumferenceCm')}
        disabled={disabled}
        onChange={(circumferenceCm) => onChange({ ...head, circumferenceCm })}
      />
      {optional('earToEarCm', 'Ear to ear over the top', 'Hairline to hairline. May be left empty.')}
      {optional('frontToNapeCm', 'Front hairline to nape', 'Over the crown. May be left empty.')}
      {optional('frontHairlineOffsetCm', 'Front hairline higher by', 'Negative when it is lower than usual.')}
    </Box>
  )
}

interface HairProps {
  hair: HairState
  onChange: (hair: HairState) => void
  problemAt: (path: string) => string | undefined
  disabled?: boolean
}

/** The hair as it is looked at before work begins. */
export function HairFields({ hair, onChange, problemAt, disabled = false }: HairProps) {
  const set = (change: Partial<HairState>) => onChange({ ...hair, ...change })
  const options = <T extends string>(values: readonly T[], words: Record<T, string>) =>
    values.map((value) => ({ value, label: words[value] }))
  return (
    <Box sx={grid}>
      <NumberField
        label="Natural level"
        value={hair.naturalLevel}
        limit={LIMITS.naturalLevel}
        step={0.5}
        help="1 black to 10 lightest blonde."
        problem={problemAt('hair.naturalLevel')}
        disabled={disabled}
        onChange={(naturalLevel) => set({ naturalLevel })}
      />
      <NumberField
        label="Length at the crown, stretched"
        value={hair.lengthCm}
        limit={LIMITS.lengthCm}
        step={1}
        problem={problemAt('hair.lengthCm')}
        disabled={disabled}
        onChange={(lengthCm) => set({ lengthCm })}
      />
      <NumberField
        label="Weeks since the last colour"
        value={hair.weeksSinceColour}
        limit={LIMITS.weeksSinceColour}
        step={1}
        help="0 when freshly done or unknown."
        problem={problemAt('hair.weeksSinceColour')}
        disabled={disabled}
        onChange={(weeksSinceColour) => set({ weeksSinceColour })}
      />
      <Choice
        label="Cut"
        value={hair.cutLine}
        options={options(CUT_LINES, WORDS.cutLine)}
        disabled={disabled}
        onChange={(cutLine) => set({ cutLine })}
      />
      <Choice
        label="Density"
        value={hair.density}
        options={options(DENSITIES, WORDS.density)}
        disabled={disabled}
        onChange={(density) => set({ density })}
      />
      <Choice
        label="Fibre"
        value={hair.texture}
        options={options(TEXTURES, WORDS.texture)}
        disabled={disabled}
        onChange={(texture) => set({ texture })}
      />
      <Choice
        label="Curl"
        value={hair.curl}
        options={options(CURLS, WORDS.curl)}
        disabled={disabled}
        onChange={(curl) => set({ curl })}
      />
    </Box>
  )
}
