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

interface Props {
  zone: ZoneClockFigures
  start: string
}

/** Everything about one zone under one formula, and its place in the order. */
export function ZonePanel({ zone, start }: Props) {
  const { permissions } = usePlanStore()
  return (
    <Box component="section" aria-label={`${zone.name}, formula ${zone.formulaId}`} sx={{ p: 2 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, mb: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {zone.name} · {zone.formulaId}
        </Typography>
        {permissions.write && <Turn zone={zone} />}
      </Box>
      {zone.shortPieces > 0 && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {zone.shortPieces} of {zone.pieces} do not come near level {zone.goal} in the time the label gives. Aim lower,
          lift in two visits, or change the mix as its label allows. Never leave it longer.
        </Alert>
      )}
      {zone.cutShortMinutes >= 1 && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          Comes off {Math.round(zone.cutShortMinutes)} min before it has had its time, because hands are taken up
          elsewhere or what is rinsed with it has to come off: it shows paler and goes sooner. Help or another order may
          give it its minutes.
        </Alert>
      )}
      <ZoneFacts zone={zone} start={start} />
      {zone.curve.length > 0 && (
        <>
          <Typography variant="h3">Lift</Typography>
          <Box sx={{ height: 220 }}>
            <LiftChart zone={zone} start={start} />
          </Box>
          <Typography variant="caption" color="textSecondary">
            Mean with darkest and lightest place; grey band: the goal; dashed: coming out; thick line: the label’s
            longest time for the first piece. A prediction: wipe a strand and look, every five to ten minutes.
          </Typography>
        </>
      )}
    </Box>
  )
}

function Turn({ zone: { stageId, zoneId, name } }: Pick<Props, 'zone'>) {
  const { store } = usePlanStore()
  const plan = usePlan((state) => state.document)
  const { order } = stageOf({ document: plan, stageId })
  const turn = order.indexOf(zoneId)
  const move = (by: 1 | -1) => moveZone(store, stageId, { id: zoneId, name }, by)
  return (
    <>
      <Button color="inherit" size="small" disabled={turn <= 0} onClick={() => move(-1)}>
        Earlier
      </Button>
      <Button color="inherit" size="small" disabled={turn < 0 || turn >= order.length - 1} onClick={() => move(1)}>
        Later
      </Button>
    </>
  )
}

function ZoneFacts({ zone, start }: Props) {
  const timeOfDay = useTimeOfDay()
  const at = (minute: number) => timeOfDay(start, minute)
  const lifts = zone.curve.length > 0
  const facts: [string, string][] = [
    ['On', `${at(zone.firstOnMinutes)}–${at(zone.lastOnMinutes)}`],
    ['Out', `${at(zone.firstOutMinutes)}–${at(zone.lastOutMinutes)}`],
    ['First piece: near its goal', at(zone.readyMinutes)],
    ['First piece: out by, at the latest', at(zone.latestMinutes)],
    [
      'Under product',
      `${duration(zone.firstOutMinutes - zone.firstOnMinutes)} the first, ${duration(zone.lastOutMinutes - zone.lastOnMinutes)} the last`,
    ],
    [
      lifts ? 'Level when it comes out' : 'Level it shows',
      `${zone.level.expected} (${zone.level.low}–${zone.level.high}), meant ${zone.goal}`,
    ],
    ['Darkest and lightest place', `${zone.darkest} and ${zone.lightest}`],
  ]
  if (lifts) facts.push(['Strain', `${zone.strainPercent} % of what this hair stands`])
  return (
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
      {facts.map(([term, value]) => (
        <Box key={term} sx={{ display: 'contents' }}>
          <dt>{term}</dt>
          <dd>{value}</dd>
        </Box>
      ))}
    </Box>
  )
}
