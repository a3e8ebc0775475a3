'use client'
import Box from '@mui/material/Box'
import type { RunMap } from '@/core/model'
import type { RunZone, ZoneStatus } from '@/core/time/run'
import { INK } from '../theme'
import { running } from './words'

const WORDS: Record<ZoneStatus, string> = {
  waiting: 'waiting',
  goingOn: 'going on',
  sitting: 'under product',
  comingOut: 'coming out',
  out: 'out',
  skipped: 'left out',
}
/** Darker the nearer to coming out; what is over is light again. */
const FILL: Record<ZoneStatus, number> = {
  waiting: 0,
  goingOn: 0.22,
  sitting: 0.42,
  comingOut: 0.22,
  out: 0.06,
  skipped: 0,
}

/** The head with where every zone of a stage stands, and its minutes. */
export function RunHead({
  map,
  zones,
  stageId,
  now,
}: {
  map: RunMap
  zones: readonly RunZone[]
  stageId: string
  now: number
}) {
  'use memo'
  const { left, right, top, bottom } = map.extent
  const outlines = map.zones.filter((zone) => zone.stageId === stageId)
  const stateOf = (zoneId: string) => zones.find((zone) => zone.stageId === stageId && zone.zoneId === zoneId)
  return (
    <Box sx={{ display: 'flex', justifyContent: 'center', pt: 1 }}>
      <svg
        viewBox={`${left - 0.5} ${top - 0.5} ${right - left + 1} ${bottom - top + 1}`}
        role="img"
        aria-label={zones
          .filter((zone) => zone.stageId === stageId)
          .map(({ name, status }) => `${name}: ${WORDS[status]}`)
          .join(', ')}
        style={{ width: '100%', maxHeight: 210 }}
      >
        <path d={map.hairline} fill={INK.paper} stroke={INK.strong} strokeWidth={0.12} />
        {outlines.map(({ zoneId, outline }) => {
          const { status = 'waiting', latest } = stateOf(zoneId) ?? {}
          const over = latest !== undefined && latest < now && (status === 'sitting' || status === 'goingOn')
          return (
            <path
              key={zoneId}
              d={outline}
              fill={over ? 'var(--mui-palette-error-main)' : INK.strong}
              fillOpacity={FILL[status]}
              stroke={INK.strong}
              strokeWidth={status === 'goingOn' || status === 'comingOut' ? 0.3 : 0.1}
              strokeDasharray={status === 'skipped' ? '0.4 0.3' : undefined}
            />
          )
        })}
        {outlines.map(({ zoneId, label: { x, y } }) => {
          const { status = 'waiting', onAt } = stateOf(zoneId) ?? {}
          const words =
            status === 'out'
              ? '✓'
              : onAt !== undefined && status !== 'skipped'
                ? running(now - onAt).split(':')[0]!
                : ''
          return (
            <text
              key={zoneId}
              x={x}
              y={y + 0.7}
              fontSize={2}
              fontWeight={700}
              textAnchor="middle"
              fill={INK.strong}
              stroke={INK.paper}
              strokeWidth={0.4}
              paintOrder="stroke"
            >
              {words}
            </text>
          )
        })}
      </svg>
    </Box>
  )
}
