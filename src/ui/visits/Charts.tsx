'use client'
import Box from '@mui/material/Box'
import {
  Bar,
  BarChart,
  CartesianGrid,
  Legend,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
  type TooltipValueType,
} from 'recharts'
import type { LogMonth, OpenLog } from '@/core/record/visit'
import { INCIDENT_WORDS } from '@/words'
import { money } from '../mix/context'
import { INK } from '../theme'
import { Section } from './Section'
import { Facts } from './table'

interface Props {
  months: readonly LogMonth[]
  incidents: OpenLog['incidents']
  currency: string
}

/** What all of it came to, month by month. */
export function Charts({ months, incidents, currency }: Props) {
  const total = (of: (month: LogMonth) => number) => months.reduce((sum, month) => sum + of(month), 0)
  const visits = total((month) => month.visits)
  const looked = months.filter(({ offLevels }) => offLevels !== null)
  const off = looked.reduce((sum, { offLevels }) => sum + offLevels!, 0) / Math.max(1, looked.length)
  const planned = total((month) => month.plannedGrams)
  return (
    <Box sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'repeat(auto-fit, minmax(300px, 1fr))' }}>
      <Section title="In all">
        <Facts
          head={['', '']}
          rows={[
            ['Visits', visits],
            [
              'Mixed against planned',
              planned > 0
                ? ofPlanned(
                    total((month) => month.weighedGrams),
                    planned,
                  )
                : '–',
            ],
            ['Left over', `${Math.round(total((month) => month.leftGrams))} g`],
            [
              'Time against planned',
              total((month) => month.tookMinutes) > 0
                ? ofPlanned(
                    total((month) => month.tookMinutes),
                    total((month) => month.plannedMinutes),
                  )
                : '–',
            ],
            [
              'Net',
              money(
                total((month) => month.netMinor),
                currency,
              ),
            ],
            [
              'Left of it',
              money(
                total((month) => month.marginMinor),
                currency,
              ),
            ],
            [
              'Level against meant',
              looked.length === 0 ? 'not looked at' : `${off >= 0 ? '+' : '−'}${Math.abs(off).toFixed(1)}`,
            ],
            ...incidents.map(({ incident, count }) => [
              INCIDENT_WORDS[incident as keyof typeof INCIDENT_WORDS].name,
              count,
            ]),
          ]}
        />
      </Section>
      <Bars
        title="Grams by month"
        months={months}
        bars={[
          ['plannedGrams', 'planned'],
          ['weighedGrams', 'weighed'],
        ]}
        words={(value) => `${Math.round(value)} g`}
      />
      <Bars
        title="Money by month"
        months={months}
        bars={[
          ['netMinor', 'net'],
          ['marginMinor', 'left of it'],
        ]}
        words={(value) => money(Math.round(value), currency)}
      />
    </Box>
  )
}

const ofPlanned = (actual: number, planned: number): string => `${Math.round((100 * actual) / planned)} %`

interface BarsProps {
  title: string
  months: readonly LogMonth[]
  bars: [key: keyof LogMonth, name: string][]
  words: (value: number) => string
}

function Bars({ title, months, bars, words }: BarsProps) {
  const asWords = (value: TooltipValueType | undefined) => words(Number(value))
  return (
    <Section title={title}>
      <div role="img" aria-label={`${title}: ${months.map(({ month }) => month).join(', ')}`}>
        <ResponsiveContainer width="100%" height={300}>
          <BarChart data={[...months]} margin={{ top: 4, right: 4, left: 0, bottom: 0 }} barGap={1}>
            <CartesianGrid stroke="var(--mui-palette-divider)" vertical={false} />
            <XAxis dataKey="month" tick={{ fill: INK.faint, fontSize: 11 }} />
            <YAxis
              tickFormatter={(value: number) => words(value)}
              width={70}
              tick={{ fill: INK.faint, fontSize: 11 }}
            />
            <Tooltip formatter={asWords} />
            <Legend itemSorter={null} />
            {bars.map(([key, name], i) => (
              <Bar
                key={key}
                dataKey={key}
                name={name}
                fill={i === 0 ? INK.faint : INK.strong}
                isAnimationActive={false}
              />
            ))}
          </BarChart>
        </ResponsiveContainer>
      </div>
    </Section>
  )
}
