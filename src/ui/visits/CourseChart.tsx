import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import { INK } from '../theme'
import { dateInWords } from '../words'

interface Props {
  points: { on: string; mean: number; range: number[] }[]
}

/** A figure day by day with its range, as large as what it stands in. */
export default function CourseChart({ points }: Props) {
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ComposedChart data={points} margin={{ top: 8, right: 8, bottom: 0, left: -16 }} accessibilityLayer={false}>
        <CartesianGrid stroke="currentColor" strokeOpacity={0.12} vertical={false} />
        <XAxis dataKey="on" tickFormatter={dateInWords} minTickGap={60} fontSize={12} />
        <YAxis domain={['auto', 'auto']} fontSize={12} tickFormatter={(value: number) => value.toFixed(2)} />
        <ReferenceLine y={1} stroke="currentColor" strokeDasharray="4 4" />
        <Tooltip
          labelFormatter={(on) => dateInWords(String(on))}
          formatter={(value) =>
            Array.isArray(value) ? value.map((end) => Number(end).toFixed(2)).join('–') : Number(value).toFixed(2)
          }
        />
        <Area
          dataKey="range"
          name="range"
          stroke="none"
          fill={INK.strong}
          fillOpacity={0.18}
          isAnimationActive={false}
        />
        <Line dataKey="mean" name="figure" stroke={INK.strong} strokeWidth={2} dot={false} isAnimationActive={false} />
      </ComposedChart>
    </ResponsiveContainer>
  )
}
