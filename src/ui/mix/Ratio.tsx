'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { LIMITS, type Formula, type Product } from '@/core/model'
import { roundToTenth } from '@/core/units'
import { Choice, NumberField, Read } from '../parts'

/** The ratios a label allows, in words of how the mix feels; any other one by figure. */
export function Ratio({
  formula,
  leading,
  readOnly,
  peroxide,
  onRatio,
}: {
  formula: Formula
  leading: Product
  readOnly: boolean
  peroxide: number
  onRatio: (ratio: number) => void
}) {
  const allowed = [...(leading.rules?.ratios ?? [])].sort((a, b) => a - b)
  const words = `${roundToTenth(peroxide)} % peroxide in the mix`
  if (allowed.length === 0 && formula.ratio === 0)
    return <Typography sx={{ alignSelf: 'center' }}>Used as it is, without developer.</Typography>
  if (!allowed.includes(formula.ratio))
    return (
      <NumberField
        label="Developer to one part"
        value={formula.ratio}
        limit={LIMITS.ratio}
        step={0.5}
        disabled={readOnly}
        help={words}
        onChange={onRatio}
      />
    )
  const feel = (i: number) =>
    allowed.length === 1 ? '' : i === 0 ? ' thicker' : i === allowed.length - 1 ? ' wetter' : ''
  return (
    <Box>
      <Choice
        label="Developer to one part"
        value={String(formula.ratio)}
        disabled={readOnly}
        options={allowed.map((ratio, i) => ({
          value: String(ratio),
          label: `1 : ${ratio}${feel(i)}`,
          name: `1 to ${ratio}${feel(i)}`,
        }))}
        onChange={(ratio) => onRatio(Number(ratio))}
      />
      <Typography variant="caption" color="textSecondary">
        <Read>{words}</Read>
      </Typography>
    </Box>
  )
}
