'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useMemo, useState, type ReactNode } from 'react'
import { type Booking, type FaltoPlan, type Limit, type OpenPlan, SKILLS } from '@/core/model'
import type { ClockFigures, ZoneClockFigures } from '@/core/plan/planner'
import { swatchesOf } from '@/core/plan/sheets'
import { callApi } from '../hooks/api'
import { moveZone, PlanContext, stageOf, usePlan, usePlanStore, type Permissions } from '../map/context'
import { PlanTitle } from '../map/PlanTitle'
import { SaveStatus, SaveTrouble } from '../map/SaveStatus'
import { createPlanStore } from '../map/store'
import { UndoPlan } from '../map/UndoPlan'
import { useKeepOnLeaving } from '../map/useKeepOnLeaving'
import { Choice, Choices, NumberField, PageBar, Read } from '../parts'
import { TimeField } from '../parts/TimeField'
import { LINE } from '../theme'
import { optionsOf, SKILL_WORDS } from '../words'
import { Compared } from './Compared'
import { Lanes } from './Lanes'
import { zoneKey } from './ZoneLane'
import { RunOffer } from './RunOffer'
import { Steps } from './Steps'
import { useClock } from './useClock'
import { duration, HELPING, minuteOf, timeOfDay, useTimeOfDay } from './words'
import {
  comparisonsFor,
  foilsIn,
  lightenersOf,
  MINUTES,
  NO_WHAT_IF,
  optionsFor,
  planFor,
  weaken,
  WEAKER_BY,
  type WhatIf,
} from './whatIf'
import { ZonePanel } from './ZonePanel'

/** What the Clock page opens with. */
export interface OpenClock {
  open: OpenPlan
  booking: Booking | null
}

/** When everything is done and by whom; below it the hair, zone by zone; beside it what would change if. */
export function ClockPage({ open, permissions, ...rest }: OpenClock & { permissions: Permissions }) {
  const [store] = useState(() => createPlanStore(open))
  const context = useMemo(() => ({ store, permissions }), [store, permissions])
  return (
    <PlanContext.Provider value={context}>
      <Visit client={open.client} canvas={open.canvas} {...rest} />
    </PlanContext.Provider>
  )
}

const CELSIUS: Limit = { min: 14, max: 30, unit: '°C' }

type VisitProps = Pick<OpenPlan, 'client' | 'canvas'> & Omit<OpenClock, 'open'>

/** When nothing is booked, the visit is thought to begin at this, min after midnight. Our choice. */
const USUAL_BEGIN = 600

function Visit({ client, canvas, booking }: VisitProps) {
  const { store, permissions } = usePlanStore()
  const plan = usePlan((state) => state.document)
  const [start, beginAt] = useStart(booking)
  const [what, setWhat] = useState<WhatIf>(NO_WHAT_IF)
  useKeepOnLeaving(store, permissions.write)

  const asked = useMemo(() => ({ plan: planFor(plan, what), options: optionsFor(what, canvas) }), [plan, what, canvas])
  const comparisons = useMemo(() => comparisonsFor(plan, what, canvas), [plan, what, canvas])
  const { answer, compared, busy } = useClock(asked, comparisons)
  const figures = answer?.ok ? answer.figures : undefined

  return (
    <Box sx={{ pb: 2 }}>
      <ClockHeader client={client} start={start} onStart={beginAt} bookedOn={booking?.on ?? null} />
      <SaveTrouble />
      <Box sx={{ height: 4 }}>{busy && <LinearProgress aria-label="Working out the clock" />}</Box>
      {answer && !answer.ok && (
        <Alert severity="error">
          <Read>{answer.message}</Read>
        </Alert>
      )}
      {figures && figures.zones.length === 0 && (
        <Alert severity="info">
          Nothing is placed yet, so there is nothing to time. Lay foils on the Map page first.
        </Alert>
      )}
      {figures && (
        <>
          <DoneAt figures={figures} start={start} />
          {!figures.fits && <DoesNotFit figures={figures} />}
          <RunOffer what={what} />
          <Timed figures={figures} start={start} what={what}>
            <WhatIfPanel
              what={what}
              onChange={(part) => setWhat({ ...what, ...part })}
              plan={plan}
              lengthsCanLead={figures.lengthsCanLead}
            />
            <Compared now={figures} others={compared} waiting={busy} />
          </Timed>
        </>
      )}
    </Box>
  )
}

/** When the visit begins, `HH:MM`; kept with the booking where there is one. */
function useStart(booking: Booking | null): [string, (time: string) => void] {
  const { permissions } = usePlanStore()
  const id = usePlan((state) => state.id)
  const [start, setStart] = useState(timeOfDay('00:00', booking?.arrives ?? USUAL_BEGIN))
  function beginAt(time: string) {
    setStart(time)
    // A time that could not be kept still serves this page.
    if (booking && permissions.write)
      void callApi(`/api/plans/${id}/booking`, 'PUT', { on: booking.on, arrives: minuteOf(time) }).catch(() => {})
  }
  return [start, beginAt]
}

function DoneAt({
  figures: { minutes, handsFreeMinutes, waitingMinutes },
  start,
}: {
  figures: ClockFigures
  start: string
}) {
  const told = useTimeOfDay()
  return (
    <Box sx={{ px: 2, py: 1, display: 'flex', flexWrap: 'wrap', columnGap: 4, rowGap: 0.5, alignItems: 'baseline' }}>
      <Typography sx={{ fontSize: '1.35rem', fontWeight: 600 }}>
        Done at {told(start, minutes.expected)}
        <Typography component="span" color="textSecondary">
          {' '}
          ({told(start, minutes.low)}–{told(start, minutes.high)})
        </Typography>
      </Typography>
      <Typography>{duration(minutes.expected)} in all</Typography>
      <Typography>{duration(handsFreeMinutes)} without a hand needed</Typography>
      {waitingMinutes >= 1 && (
        <Typography color="textSecondary">
          {duration(waitingMinutes)} spent waiting for hands, bowls or the basin
        </Typography>
      )}
    </Box>
  )
}

interface TimedProps {
  figures: ClockFigures
  start: string
  what: WhatIf
  /** What would change it, beside the lanes, and how ways compare, beside the chosen zone. */
  children: [ReactNode, ReactNode]
}

/** The lanes, the steps in words, and the zone that is chosen. */
function Timed({ figures, start, what, children: [whatIf, compared] }: TimedProps) {
  const { store, permissions } = usePlanStore()
  const plan = usePlan((state) => state.document)
  const [chosen, setChosen] = useState<string>()
  const swatches = useMemo(() => swatchesOf(plan.formulas), [plan.formulas])
  const zone = figures.zones.find((one) => zoneKey(one) === chosen) ?? figures.zones[0]

  function reorder({ stageId, zoneId, name }: ZoneClockFigures, to: ZoneClockFigures) {
    const { order } = stageOf({ document: plan, stageId })
    moveZone(store, stageId, { id: zoneId, name }, order.indexOf(to.zoneId) - order.indexOf(zoneId))
  }

  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: 'minmax(0, 1fr)', lg: 'minmax(0, 1fr) 256px' } }}>
        <Lanes
          figures={figures}
          start={start}
          swatches={swatches}
          chosen={zone && zoneKey(zone)}
          onChoose={setChosen}
          onReorder={permissions.write && what.order === 'planned' ? reorder : undefined}
        />
        <Box sx={{ borderLeft: { lg: LINE }, borderTop: { xs: LINE, lg: 'none' } }}>{whatIf}</Box>
      </Box>
      <Steps figures={figures} start={start} />
      <Box
        sx={{
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) minmax(0, 1fr)' },
          borderTop: LINE,
          mt: 1,
        }}
      >
        <Box>{zone && <ZonePanel key={zoneKey(zone)} zone={zone} start={start} />}</Box>
        <Box sx={{ borderLeft: { md: LINE } }}>{compared}</Box>
      </Box>
    </>
  )
}

function DoesNotFit({
  figures: { conflicts, remedies },
}: {
  figures: {
    conflicts: { formulaId: string | null; about: string; overMinutes: number }[]
    remedies: { kind: string; text: string; minutes: number }[]
  }
}) {
  const worst = [...conflicts].sort((a, b) => b.overMinutes - a.overMinutes).slice(0, 3)
  return (
    <Alert severity="warning" sx={{ mx: 2, mb: 1 }}>
      <strong>This does not fit: a product’s longest time would be passed.</strong>{' '}
      {worst
        .map(
          ({ formulaId, about, overMinutes }) =>
            `${about}${formulaId ? `, ${formulaId}` : ''}: ${Math.ceil(overMinutes)} min too long`,
        )
        .join('; ')}
      {conflicts.length > worst.length ? ` and ${conflicts.length - worst.length} more` : ''}.
      {remedies.length > 0 ? (
        <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
          {remedies.map(({ kind, text, minutes }) => (
            <li key={kind}>
              <Read>{text}</Read> Then it fits, in {duration(minutes)}.
            </li>
          ))}
        </Box>
      ) : (
        <>
          {' '}
          Help, another order or a slower product alone do not mend it: take less in one visit, or split it over two.
        </>
      )}{' '}
      It can be begun all the same by who may, with a reason; the alarm at the chair holds to the label.
    </Alert>
  )
}

/** When the assistant can be had, and what is trusted to her. */
function AssistantFields({ what, onChange }: { what: WhatIf; onChange: (part: Partial<WhatIf>) => void }) {
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr 1fr', lg: 'minmax(0, 1fr)' }, gap: 1 }}>
        <NumberField
          label="Assistant from"
          value={what.from}
          limit={MINUTES}
          step={15}
          onChange={(from) => onChange({ from })}
        />
        <NumberField
          label="Assistant until"
          value={what.to}
          limit={MINUTES}
          step={15}
          onChange={(to) => onChange({ to })}
        />
      </Box>
      <Choices
        label="Assistant may"
        values={what.may}
        options={optionsOf(SKILLS, SKILL_WORDS)}
        onChange={(may) => onChange({ may })}
      />
    </>
  )
}

function WhatIfPanel({
  what,
  onChange,
  plan,
  lengthsCanLead,
}: {
  what: WhatIf
  onChange: (part: Partial<WhatIf>) => void
  plan: FaltoPlan
  lengthsCanLead: boolean
}) {
  const { store, permissions } = usePlanStore()
  const lighteners = lightenersOf(plan)
  return (
    <Box component="section" aria-label="What if" sx={{ p: 2, display: 'flex', flexDirection: 'column', gap: 1.5 }}>
      <Typography variant="h2">What if</Typography>
      <Choices label="Helping" values={what.hands} options={HELPING} onChange={(hands) => onChange({ hands })} />
      {what.hands.includes('assistant') && <AssistantFields what={what} onChange={onChange} />}
      <Choice
        label="Order of zones"
        value={what.order}
        options={[
          { value: 'planned', label: 'As planned' },
          { value: 'reversed', label: 'The other way' },
          ...(lengthsCanLead ? [{ value: 'lengthsFirst' as const, label: 'Lengths, then scalp' }] : []),
        ]}
        onChange={(order) => onChange({ order })}
      />
      {foilsIn(plan) && (
        <Choice
          label="Foils off"
          value={what.foils}
          options={[
            { value: 'chair', label: 'At the chair' },
            { value: 'basin', label: 'At the basin' },
          ]}
          onChange={(foils) => onChange({ foils })}
        />
      )}
      {lighteners.length > 0 && (
        <Choice
          label="First bowls"
          value={what.bowls}
          options={[
            { value: 'same', label: 'As planned' },
            { value: 'weakerFirst', label: `${WEAKER_BY} vol weaker` },
          ]}
          onChange={(bowls) => onChange({ bowls })}
        />
      )}
      {what.bowls === 'weakerFirst' && permissions.write && (
        <Button
          variant="outlined"
          onClick={() => {
            store.edit('Weaker first bowls', 'weaker', (draft) => weaken(draft))
            onChange({ bowls: 'same' })
          }}
        >
          Keep in the plan
        </Button>
      )}
      <NumberField
        label="Room"
        value={what.celsius}
        limit={CELSIUS}
        step={1}
        onChange={(celsius) => onChange({ celsius })}
      />
    </Box>
  )
}

function ClockHeader({
  client,
  start,
  onStart,
  bookedOn,
}: {
  client: OpenPlan['client']
  start: string
  onStart: (start: string) => void
  bookedOn: string | null
}) {
  const { permissions } = usePlanStore()
  const id = usePlan((state) => state.id)
  return (
    <PageBar>
      <PlanTitle client={client} />
      <SaveStatus />
      <TimeField label="Begins at" value={start} onChange={onStart} />
      {bookedOn ? (
        <Button color="inherit" component="a" href={`/api/plans/${id}/calendar?at=${start}`} download>
          Calendar file
        </Button>
      ) : (
        <Typography variant="caption" color="textSecondary">
          Book a day on the Mix page for a calendar file.
        </Typography>
      )}
      {permissions.write && <UndoPlan />}
    </PageBar>
  )
}
