'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import type { ZoneClockFigures } from '@/core/plan/planner'
import { moveZone, stageOf, usePlan, usePlanStore } from '../map/context'
import { duration, useTimeOfDay } from './words'

const LiftChart = dynamic(() => import('./LiftChart').then((module) => module.LiftChart))

/** Everything about one zone under one formula, and its place in the order. */
export function ZonePanel({ zone, start }: { zone: ZoneClockFigures; start: string }) {
  const timeOfDay = useTimeOfDay()
  const { store, permissions } = usePlanStore()
  const plan = usePlan((state) => state.document)
  const { order } = stageOf({ document: plan, stageId: zone.stageId })
  const turn = order.indexOf(zone.zoneId)
  const move = (by: 1 | -1) => moveZone(store, zone.stageId, { id: zone.zoneId, name: zone.name }, by)
  const lifts = zone.curve.length > 0
  const rows: [string, string][] = [
    ['On', `${timeOfDay(start, zone.firstOnMinutes)}–${timeOfDay(start, zone.lastOnMinutes)}`],
    ['Out', `${timeOfDay(start, zone.firstOutMinutes)}–${timeOfDay(start, zone.lastOutMinutes)}`],
    ['First piece: near its goal', timeOfDay(start, zone.readyMinutes)],
    ['First piece: out by, at the latest', timeOfDay(start, zone.latestMinutes)],
    [
      'Under product',
      `${duration(zone.firstOutMinutes - zone.firstOnMinutes)} the first, ${duration(zone.lastOutMinutes - zone.lastOnMinutes)} the last`,
    ],
    [
      lifts ? 'Level when it comes out' : 'Level it shows',
      `${zone.level.expected} (${zone.level.low}–${zone.level.high}), meant ${zone.goal}`,
    ],
    ['Darkest and lightest place', `${zone.darkest} and ${zone.lightest}`],
    ...(lifts ? [['Strain', `${zone.strainPercent} % of what this hair stands`] as [string, string]] : []),
  ]
  return (
    <Box component="section" aria-label={`${zone.name}, formula ${zone.formulaId}`} sx={{ p: 2 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {zone.name} · {zone.formulaId}
        </Typography>
        {permissions.write && (
          <>
            <Button color="inherit" size="small" disabled={turn <= 0} onClick={() => move(-1)}>
              Earlier
            </Button>
            <Button
              color="inherit"
              size="small"
              disabled={turn < 0 || turn >= order.length - 1}
              onClick={() => move(1)}
            >
              Later
            </Button>
          </>
        )}
      </Box>
      {zone.shortPieces > 0 && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {zone.shortPieces} of {zone.pieces} do not come near level {zone.goal} in the time the label gives. Aim lower,
          lift in two visits, or change the mix as its label allows. Never leave it longer.
        </Alert>
      )}
      <Box
        component="dl"
        sx={{
          display: 'grid',
          gridTemplateColumns: 'auto 1fr',
          columnGap: 2,
          rowGap: 0.25,
          m: 0,
          mb: 1.5,
          '& dd': { m: 0, fontVariantNumeric: 'tabular-nums' },
          '& dt': { color: 'text.secondary' },
        }}
      >
        {rows.map(([term, value]) => (
          <Box key={term} sx={{ display: 'contents' }}>
            <dt>{term}</dt>
            <dd>{value}</dd>
          </Box>
        ))}
      </Box>
      {lifts && (
        <>
          <Typography variant="h3">Lift</Typography>
          <LiftChart zone={zone} start={start} />
          <Typography variant="caption" color="textSecondary">
            Mean with darkest and lightest place; grey band: the goal; dashed: coming out; thick line: the label’s
            longest time for the first piece. A prediction: wipe a strand and look, every five to ten minutes.
          </Typography>
        </>
      )}
    </Box>
  )
}
