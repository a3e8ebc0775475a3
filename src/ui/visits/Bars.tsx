import {
  Bar,
  BarChart,
  CartesianGrid,
  Legend,
  Tooltip,
  XAxis,
  YAxis,
  type TooltipValueType,
  ResponsiveContainer,
} from 'recharts'
import type { LogMonth } from '@/core/record/visit'
import { INK } from '../theme'

export interface BarsProps {
  months: readonly LogMonth[]
  bars: [key: keyof LogMonth, name: string][]
  words: (value: number) => string
}

/** Bars of each month beside each other, as large as what they stand in. */
export default function Bars({ months, bars, words }: BarsProps) {
  const asWords = (value: TooltipValueType | undefined) => words(Number(value))
  return (
    <ResponsiveContainer width="100%" height="100%">
      <BarChart data={[...months]} margin={{ top: 4, right: 4, left: 0, bottom: 0 }} barGap={1}>
        <CartesianGrid stroke="var(--mui-palette-divider)" vertical={false} />
        <XAxis dataKey="month" tick={{ fill: INK.faint, fontSize: 11 }} />
        <YAxis tickFormatter={(value: number) => words(value)} width={70} tick={{ fill: INK.faint, fontSize: 11 }} />
        <Tooltip formatter={asWords} />
        <Legend itemSorter={null} />
        {bars.map(([key, name], i) => (
          <Bar key={key} dataKey={key} name={name} fill={i === 0 ? INK.faint : INK.strong} isAnimationActive={false} />
        ))}
      </BarChart>
    </ResponsiveContainer>
  )
}
