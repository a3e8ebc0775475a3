'use client'
import Box from '@mui/material/Box'
import dynamic from 'next/dynamic'
import type { LogMonth, OpenLog } from '@/core/record/visit'
import { INCIDENT_WORDS } from '@/words'
import { money } from '../mix/context'
import type { BarsProps } from './Bars'
import { Section } from './Section'
import { Facts } from './table'

/** Comes later, into room that is kept for it: nothing moves under a hand. */
const Bars = dynamic(() => import('./Bars'), { ssr: false })

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
      <Chart
        title="Grams by month"
        months={months}
        bars={[
          ['plannedGrams', 'planned'],
          ['weighedGrams', 'weighed'],
        ]}
        words={(value) => `${Math.round(value)} g`}
      />
      <Chart
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

function Chart({ title, ...bars }: BarsProps & { title: string }) {
  return (
    <Section title={title}>
      <Box role="img" aria-label={`${title}: ${bars.months.map(({ month }) => month).join(', ')}`} sx={{ height: 300 }}>
        <Bars {...bars} />
      </Box>
    </Section>
  )
}
