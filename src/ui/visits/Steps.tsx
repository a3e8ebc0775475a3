'use client'
import { Bar, BarChart, CartesianGrid, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import type { VisitSummary } from '@/core/record/visit'
import { taskWords } from '@/words'
import { duration } from '../clock/words'
import { INK } from '../theme'
import { Section } from './Section'
import { Facts } from './table'

/** Steps that took minutes rather than moments are drawn. Our choice. */
const DRAWN_FROM = 2

/** Minutes step by step: planned beside taken. */
export function Steps({ steps }: Pick<VisitSummary, 'steps'>) {
  const drawn = steps
    .filter(({ planned, actual }) => actual !== null && Math.max(planned, actual) >= DRAWN_FROM)
    .map((step) => ({ name: taskWords(step), planned: Math.round(step.planned), took: Math.round(step.actual!) }))
  return (
    <Section title="Minutes, step by step">
      {drawn.length > 0 && (
        <div role="img" aria-label="Minutes planned and taken, step by step; the table below has them all">
          <ResponsiveContainer width="100%" height={28 * drawn.length + 60}>
            <BarChart data={drawn} layout="vertical" margin={{ left: 8, right: 16 }} barGap={1}>
              <CartesianGrid stroke="var(--mui-palette-divider)" horizontal={false} />
              <XAxis type="number" tick={{ fill: INK.faint, fontSize: 12 }} unit=" min" />
              <YAxis type="category" dataKey="name" width={170} tick={{ fill: INK.faint, fontSize: 12 }} interval={0} />
              <Tooltip formatter={(value) => `${String(value)} min`} />
              <Legend itemSorter={null} />
              <Bar dataKey="planned" fill={INK.faint} isAnimationActive={false} />
              <Bar dataKey="took" fill={INK.strong} isAnimationActive={false} />
            </BarChart>
          </ResponsiveContainer>
        </div>
      )}
      <details>
        <summary>All {steps.length} steps</summary>
        <Facts
          head={['Step', 'who', 'planned', 'took']}
          rows={steps.map((step) => [
            taskWords(step),
            step.by,
            duration(step.planned),
            step.skipped ? 'skipped' : step.actual === null ? '–' : duration(step.actual),
          ])}
        />
      </details>
    </Section>
  )
}
