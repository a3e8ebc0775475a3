'use client'
import {
  Area,
  CartesianGrid,
  ComposedChart,
  Line,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Tooltip,
  XAxis,
  YAxis,
} from 'recharts'
import type { ZoneClockFigures } from '@/core/plan/planner'
import { NEAR_ENOUGH } from '@/core/time/lightening'
import { INK } from '../theme'
import { useTimeOfDay } from './words'

/** How a zone lifts: mean with its darkest and lightest place, the goal, and when it comes out. */
export function LiftChart({ zone, start }: { zone: ZoneClockFigures; start: string }) {
  const timeOfDay = useTimeOfDay()
  const data = zone.curve.map(({ minute, darkest, mean, lightest }) => ({ minute, mean, span: [darkest, lightest] }))
  const top = Math.ceil(Math.max(zone.goal, ...zone.curve.map(({ lightest }) => lightest)) + 0.25)
  const bottom = Math.floor(Math.min(...zone.curve.map(({ darkest }) => darkest)))
  return (
    <ResponsiveContainer width="100%" height="100%">
      <ComposedChart data={data} margin={{ top: 8, right: 16, bottom: 4, left: -18 }} accessibilityLayer>
        <CartesianGrid stroke="var(--mui-palette-divider)" vertical={false} />
        <XAxis
          dataKey="minute"
          type="number"
          domain={['dataMin', 'dataMax']}
          tickFormatter={(minute: number) => timeOfDay(start, minute)}
          tick={{ fill: INK.faint, fontSize: 12 }}
          tickCount={6}
        />
        <YAxis domain={[bottom, top]} allowDecimals={false} tick={{ fill: INK.faint, fontSize: 12 }} />
        <ReferenceArea
          y1={zone.goal - NEAR_ENOUGH}
          y2={zone.goal + NEAR_ENOUGH}
          fill={INK.faint}
          fillOpacity={0.18}
          stroke="none"
        />
        <ReferenceArea
          x1={zone.firstOutMinutes}
          x2={zone.lastOutMinutes}
          fill="none"
          stroke={INK.strong}
          strokeDasharray="4 3"
        />
        <ReferenceLine x={zone.latestMinutes} stroke={INK.strong} strokeWidth={2} />
        <Tooltip
          labelFormatter={(minute) => timeOfDay(start, Number(minute))}
          formatter={(value, name) => [Array.isArray(value) ? value.join('–') : value, name]}
          contentStyle={{ background: INK.paper, borderColor: 'var(--mui-palette-divider)' }}
        />
        <Area
          dataKey="span"
          name="darkest–lightest"
          stroke="none"
          fill={INK.faint}
          fillOpacity={0.3}
          isAnimationActive={false}
        />
        <Line
          dataKey="mean"
          name="mean level"
          stroke={INK.strong}
          strokeWidth={2}
          dot={false}
          isAnimationActive={false}
        />
      </ComposedChart>
    </ResponsiveContainer>
  )
}
