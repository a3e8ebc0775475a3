'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import {
  byId,
  activeVariant,
  isLightener,
  type Booking,
  type Canvas,
  type FaltoPlan,
  type Limit,
  type OpenPlan,
} from '@/core/model'
import { ROOM_CELSIUS } from '@/core/time/lightening'
import type { ZoneClockFigures } from '@/core/plan/planner'
import { helpersFor, withHelp, type ClockOptions, type Helper } from '@/core/time/schedule'
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
import { Compared } from './Compared'
import { Lanes } from './Lanes'
import { zoneKey } from './ZoneLane'
import { RunOffer } from './RunOffer'
import { Steps } from './Steps'
import { useClock, type Comparison } from './useClock'
import { duration, minuteOf, timeOfDay, useTimeOfDay } from './words'
import { MINUTES, type WhatIf } from './whatIf'
import { ZonePanel } from './ZonePanel'

/** What the Clock page opens with. */
export interface OpenClock {
  open: OpenPlan
  canvas: Canvas | null
  booking: Booking | null
}

/** When everything is done and by whom; below it the hair, zone by zone; beside it what would change if. */
export function ClockPage({ open, permissions, ...rest }: OpenClock & { permissions: Permissions }) {
  const [store] = useState(() => createPlanStore(open))
  const context = useMemo(() => ({ store, permissions }), [store, permissions])
  return (
    <PlanContext.Provider value={context}>
      <Visit client={open.client} {...rest} />
    </PlanContext.Provider>
  )
}

const CELSIUS: Limit = { min: 14, max: 30, unit: '°C' }
/** The usual step down for a weaker first bowl, vol. Common practice. */
const WEAKER_BY = 5

function Visit({ client, canvas, booking }: { client: OpenPlan['client'] } & Omit<OpenClock, 'open'>) {
  const { store, permissions } = usePlanStore()
  const plan = usePlan((state) => state.document)
  const told = useTimeOfDay()
  const [start, setStart] = useState(timeOfDay('00:00', booking?.arrives ?? 600))
  const [what, setWhat] = useState<WhatIf>({
    hands: [],
    from: 0,
    to: 600,
    celsius: ROOM_CELSIUS,
    order: 'planned',
    bowls: 'same',
  })
  const [chosen, setChosen] = useState<string>()
  const change = (part: Partial<WhatIf>) => setWhat({ ...what, ...part })
  const id = usePlan((state) => state.id)
  function beginAt(time: string) {
    setStart(time)
    // Kept where there is a booking to keep it with; a time that could not be kept still serves this page.
    if (booking && permissions.write)
      void callApi(`/api/plans/${id}/booking`, 'PUT', { on: booking.on, arrives: minuteOf(time) }).catch(() => {})
  }
  useKeepOnLeaving(store, permissions.write)

  const asked = useMemo(() => ({ plan: planFor(plan, what), options: optionsFor(what, canvas) }), [plan, what, canvas])
  const comparisons = useMemo(() => comparisonsFor(plan, what, canvas), [plan, what, canvas])
  const { answer, compared, busy } = useClock(asked, comparisons)
  function reorder({ stageId, zoneId, name }: ZoneClockFigures, to: ZoneClockFigures) {
    const { order } = stageOf({ document: plan, stageId })
    moveZone(store, stageId, { id: zoneId, name }, order.indexOf(to.zoneId) - order.indexOf(zoneId))
  }
  const swatches = useMemo(() => swatchesOf(plan.formulas), [plan.formulas])
  const figures = answer?.ok ? answer.figures : undefined
  const zone = figures?.zones.find((one) => zoneKey(one) === chosen) ?? figures?.zones[0]

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
          <Box
            sx={{ px: 2, py: 1, display: 'flex', flexWrap: 'wrap', columnGap: 4, rowGap: 0.5, alignItems: 'baseline' }}
          >
            <Typography sx={{ fontSize: '1.35rem', fontWeight: 600 }}>
              Done at {told(start, figures.minutes.expected)}
              <Typography component="span" color="textSecondary">
                {' '}
                ({told(start, figures.minutes.low)}–{told(start, figures.minutes.high)})
              </Typography>
            </Typography>
            <Typography>{duration(figures.minutes.expected)} in all</Typography>
            <Typography>{duration(figures.handsFreeMinutes)} without a hand needed</Typography>
          </Box>
          {!figures.fits && <DoesNotFit figures={figures} />}
          <RunOffer what={what} fits={figures.fits} />
          <Lanes
            figures={figures}
            start={start}
            swatches={swatches}
            chosen={zone && zoneKey(zone)}
            onChoose={setChosen}
            onReorder={permissions.write && what.order === 'planned' ? reorder : undefined}
          />
          <Steps figures={figures} start={start} />
          <Box
            sx={{
              display: 'grid',
              gridTemplateColumns: {
                xs: 'minmax(0, 1fr)',
                md: 'minmax(0, 1fr) minmax(0, 1fr)',
                lg: '300px minmax(0, 1fr) minmax(0, 1fr)',
              },
              borderTop: LINE,
              mt: 1,
            }}
          >
            <WhatIfPanel what={what} onChange={change} plan={plan} lengthsCanLead={figures.lengthsCanLead} />
            <Box sx={{ borderLeft: { md: LINE } }}>
              {zone && <ZonePanel key={zoneKey(zone)} zone={zone} start={start} />}
            </Box>
            <Box sx={{ borderLeft: { lg: LINE } }}>
              <Compared now={figures} others={compared} waiting={busy} />
            </Box>
          </Box>
        </>
      )}
    </Box>
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
    <Alert severity="error" sx={{ mx: 2, mb: 1 }}>
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
      )}
    </Alert>
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
      <Choices
        label="Helping"
        values={what.hands}
        options={[
          { value: 'assistant', label: 'Assistant' },
          { value: 'second', label: 'Second colourist' },
        ]}
        onChange={(hands) => onChange({ hands })}
      />
      {what.hands.includes('assistant') && (
        <Box sx={{ display: 'grid', gridTemplateColumns: '1fr 1fr', gap: 1 }}>
          <NumberField
            label="Assistant from"
            value={what.from}
            limit={MINUTES}
            step={15}
            onChange={(from) => onChange({ from })}
          />
          <NumberField label="until" value={what.to} limit={MINUTES} step={15} onChange={(to) => onChange({ to })} />
        </Box>
      )}
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

const lightenersOf = ({ formulas, products }: FaltoPlan) =>
  formulas.filter(({ productId }) => isLightener(byId(products, productId).kind))

/**
 * Whether some of a plan's work is not closed in foil and begins at the scalp, so that the order of lengths and scalp
 * may matter; its clock knows for sure.
 */
const lengthsMayLead = (plan: FaltoPlan): boolean =>
  activeVariant(plan).stages.some(({ zones }) =>
    zones.some(
      ({ placement }) => placement.sequence.length > 0 && placement.cover !== 'foil' && placement.startCm === 0,
    ),
  )

function weaken(plan: FaltoPlan): void {
  for (const formula of lightenersOf(plan)) formula.firstBowlVol = Math.max(WEAKER_BY, formula.developerVol - WEAKER_BY)
}

function planFor(plan: FaltoPlan, { bowls }: WhatIf): FaltoPlan {
  if (bowls === 'same') return plan
  const copy = structuredClone(plan)
  weaken(copy)
  return copy
}

function optionsFor({ hands, from, to, celsius, order }: WhatIf, canvas: Canvas | null): ClockOptions {
  return {
    crew: withHelp(helpersFor(hands, { from, ...(to < MINUTES.max && { to }) })),
    canvas: canvas ?? undefined,
    roomCelsius: celsius,
    order,
  }
}

/** Each of the choices the other way, the rest as it is. */
function comparisonsFor(plan: FaltoPlan, what: WhatIf, canvas: Canvas | null): Comparison[] {
  const other = (key: string, label: string, change: Partial<WhatIf>): Comparison => {
    const changed = { ...what, ...change }
    return { key, label, plan: planFor(plan, changed), options: optionsFor(changed, canvas) }
  }
  const toggled = (hand: Helper) =>
    what.hands.includes(hand) ? what.hands.filter((one) => one !== hand) : [...what.hands, hand]
  return [
    other('assistant', what.hands.includes('assistant') ? 'Without the assistant' : 'With an assistant', {
      hands: toggled('assistant'),
      from: 0,
      to: MINUTES.max,
    }),
    other('second', what.hands.includes('second') ? 'Without the second colourist' : 'With a second colourist', {
      hands: toggled('second'),
    }),
    other('order', what.order === 'planned' ? 'Zones the other way round' : 'Zones as planned', {
      order: what.order === 'planned' ? 'reversed' : 'planned',
    }),
    ...(what.order !== 'lengthsFirst' && lengthsMayLead(plan)
      ? [other('lengths', 'Lengths first, then the scalp', { order: 'lengthsFirst' })]
      : []),
    ...(lightenersOf(plan).length > 0
      ? [
          other('bowls', what.bowls === 'same' ? 'First bowls weaker' : 'First bowls as planned', {
            bowls: what.bowls === 'same' ? 'weakerFirst' : 'same',
          }),
        ]
      : []),
  ]
}
