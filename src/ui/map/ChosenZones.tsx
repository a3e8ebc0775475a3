'use client'
import Accordion from '@mui/material/Accordion'
import AccordionDetails from '@mui/material/AccordionDetails'
import AccordionSummary from '@mui/material/AccordionSummary'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Stack from '@mui/material/Stack'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import type { ReactNode } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { haircutParting } from '@/core/hair/fibre'
import { mirrorRole } from '@/core/placement/layout'
import { byId, DIRECTIONS, ROW_ORDERS, type Placement, type Zone } from '@/core/model'
import { isDiagonal, isStitched, TAKE_PRESETS } from '@/core/placement/foils'
import { Choice, Read } from '../parts'
import { optionsOf, WORDS } from '../words'
import { copyZones, pasteZones } from './clipboard'
import { Comb } from './Comb'
import {
  chosenZones,
  editChosen,
  editStage,
  stageOf,
  usePlacement,
  usePlan,
  usePlanStore,
  zonesInOrder,
} from './context'
import { FigureField } from './FigureField'
import { SequenceBeads } from './SequenceBeads'
import { useNotice } from '../notices'
import { Unfold } from '../parts/icons'

// Fetched once it is opened; mounted only while it is, so that a drag on the comb does not draw it again and again.
const ZoneMore = dynamic(() => import('./ZoneMore').then((module) => module.ZoneMore))
const RowCards = dynamic(() => import('./RowCards').then((module) => module.RowCards))

/** What is decided for the chosen zones. */
export function ChosenZones() {
  const { permissions } = usePlanStore()
  const order = usePlan((state) => zonesInOrder(state).findIndex(({ id }) => id === state.selectedZone) + 1)
  const names = usePlan(useShallow((state) => chosenZones(state).map(({ name }) => name)))
  const stitched = usePlacement(({ take }) => isStitched(take))
  const onScalp = usePlacement(({ take }) => take.kind === 'onScalp')
  const diagonal = usePlacement(({ direction }) => isDiagonal(direction))
  const toTheSkin = usePlacement(({ startCm }) => startCm === 0)

  return (
    <Stack spacing={1.5} sx={{ p: 2 }} component="section" aria-label={`Zone ${order}, ${names[0]}`}>
      <Box>
        <Typography variant="h2">
          {order}. {names[0]}
        </Typography>
        {names.length > 1 && (
          <Typography sx={{ fontWeight: 600 }}>
            and {names.length - 1} more: {names.slice(1).join(', ')}. What is set here is set for all.
          </Typography>
        )}
        <ZoneFacts />
      </Box>
      <Presets />
      <Rhythm />
      <Further name="Row by row: along the strand, a take of its own…">
        <RowCards />
      </Further>
      {stitched && <ZoneComb />}
      <Columns>
        {stitched && (
          <>
            <FigureField figure="stitchMm" label="Stitch" step={0.5} />
            <FigureField figure="stitchGapMm" label="Gap between stitches" step={0.5} />
          </>
        )}
        <FigureField figure="subsectionMm" label="Subsection" step={1} />
        <RowGap />
        {onScalp ? (
          <FigureField figure="bandCm" label="New growth" step={0.1} />
        ) : (
          <FigureField figure="startCm" label="Start from the scalp" step={0.5} help={toTheSkin ? 'To the skin' : ''} />
        )}
      </Columns>
      <Directions />
      {diagonal && <FigureField figure="angleDeg" label="Slope" step={5} />}
      <RowOrders />
      <Bricklay />
      <Further name="Paint, dropout, hairline, ramps…">
        <ZoneMore />
      </Further>
      {permissions.write && <CopyButtons />}
    </Stack>
  )
}

/** What not everybody needs, drawn once it is opened. */
const Further = ({ name, children }: { name: string; children: ReactNode }) => (
  <Accordion
    disableGutters
    variant="outlined"
    slotProps={{ transition: { unmountOnExit: true } }}
    sx={{ '&::before': { display: 'none' } }}
  >
    <AccordionSummary expandIcon={<Unfold />}>
      <Typography sx={{ fontWeight: 600 }}>{name}</Typography>
    </AccordionSummary>
    <AccordionDetails sx={{ p: 1 }}>{children}</AccordionDetails>
  </Accordion>
)

const Columns = ({ children }: { children: ReactNode }) => (
  <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(290px, 1fr))', columnGap: 3, rowGap: 0.5 }}>
    {children}
  </Box>
)

function ZoneFacts() {
  const figures = usePlan((state) => state.answer?.figures.zones.find(({ id }) => id === state.selectedZone))
  if (!figures) return null
  return (
    <Typography variant="caption" color="textSecondary">
      <Read>{`${figures.areaCm2} cm² · ${figures.hairs} hairs · ${figures.rows} rows · ${figures.foils} foils · ${Math.round(figures.takenFraction * 100)} % taken`}</Read>
      {figures.foils > 0 && <Read>{` · foils ${figures.foilLengthCm.min}–${figures.foilLengthCm.max} cm long`}</Read>}
    </Typography>
  )
}

function Presets() {
  const { store, permissions } = usePlanStore()
  const preset = usePlacement(
    ({ take }) =>
      TAKE_PRESETS.find(
        (one) =>
          one.take.kind === take.kind &&
          (!isStitched(take) || (one.take.stitchMm === take.stitchMm && one.take.stitchGapMm === take.stitchGapMm)),
      )?.id,
  )
  return (
    <Choice
      label="What is taken"
      value={preset}
      disabled={!permissions.write}
      options={TAKE_PRESETS.map(({ id }) => ({ value: id, label: WORDS.preset[id] }))}
      onChange={(id) => {
        const chosen = byId(TAKE_PRESETS, id)
        editChosen(store, WORDS.preset[id], 'preset', (draft) => {
          draft.take = { ...draft.take, ...chosen.take, bandCm: draft.take.bandCm }
          draft.subsectionMm = chosen.subsectionMm
          delete draft.cover
          if (chosen.take.kind === 'onScalp' || chosen.take.kind === 'block') draft.rowGapMm = 0
        })
      }}
    />
  )
}

function Rhythm() {
  const { store, permissions } = usePlanStore()
  const sequence = usePlacement((placement) => placement.sequence)
  const formulas = usePlan((state) => state.document.formulas)
  const swatches = usePlan(useShallow((state) => state.answer?.drawing.swatches ?? {}))
  return (
    <SequenceBeads
      sequence={sequence}
      formulas={formulas}
      swatches={swatches}
      disabled={!permissions.write}
      onChange={(next, what) => editChosen(store, what, 'sequence', (draft) => void (draft.sequence = next))}
    />
  )
}

function ZoneComb() {
  const { store, permissions } = usePlanStore()
  const take = usePlacement((placement) => placement.take)
  return (
    <Comb
      take={take}
      disabled={!permissions.write}
      onChange={(change) => {
        const words = ({ take: { stitchMm, stitchGapMm } }: Pick<Placement, 'take'>) =>
          `${stitchMm} of ${stitchMm + stitchGapMm} mm`
        editChosen(
          store,
          (before) => `Stitches ${words(before)} → ${words({ take: { ...take, ...change } })}`,
          'comb',
          (draft) => void Object.assign(draft.take, change),
        )
      }}
    />
  )
}

function RowGap() {
  const backToBack = usePlacement(({ rowGapMm }) => rowGapMm === 0)
  const pitchMm = usePlan((state) => state.answer?.figures.zones.find(({ id }) => id === state.selectedZone)?.pitchMm)
  return (
    <FigureField
      figure="rowGapMm"
      label="Row gap"
      step={1}
      help={backToBack ? 'Back-to-back' : pitchMm ? `Rows ${pitchMm} mm apart as laid` : ''}
    />
  )
}

function Directions() {
  const { store, permissions } = usePlanStore()
  const cutLine = usePlan((state) => state.document.hair.cutLine)
  const direction = usePlacement((placement) => placement.direction)
  return (
    <Choice
      label="Partings"
      value={direction}
      disabled={!permissions.write}
      options={optionsOf(DIRECTIONS, WORDS.direction)}
      onChange={(value) =>
        editChosen(store, `${WORDS.direction[value]} partings`, 'direction', (draft) => {
          draft.direction = value
          // A slant begins as the haircut's own, where it has one.
          if (isDiagonal(value)) draft.angleDeg = haircutParting({ cutLine })?.angleDeg ?? draft.angleDeg
        })
      }
    />
  )
}

function RowOrders() {
  const { store, permissions } = usePlanStore()
  const rowOrder = usePlacement((placement) => placement.rowOrder)
  return (
    <Choice
      label="Rows are worked"
      value={rowOrder}
      disabled={!permissions.write}
      options={optionsOf(ROW_ORDERS, WORDS.rowOrder)}
      onChange={(value) =>
        editChosen(store, WORDS.rowOrder[value], 'rowOrder', (draft) => void (draft.rowOrder = value))
      }
    />
  )
}

function Bricklay() {
  const { store, permissions } = usePlanStore()
  const bricklay = usePlacement((placement) => placement.bricklay)
  return (
    <FormControlLabel
      disabled={!permissions.write}
      control={
        <Switch
          checked={bricklay}
          onChange={(event) =>
            editChosen(
              store,
              event.target.checked ? 'Bricklaid' : 'In line',
              'bricklay',
              (draft) => void (draft.bricklay = event.target.checked),
            )
          }
        />
      }
      label="Bricklay: offset every other row"
    />
  )
}

/**
 * Takes this zone's placement elsewhere: to its mirror image, to all zones, or by way of copying to other zones and
 * plans.
 */
function CopyButtons() {
  const notice = useNotice()
  const { store } = usePlanStore()
  const mirrorName = usePlan((state) => mirrorOf(stageOf(state).zones, state.selectedZone)?.name)

  function copyTo(which: (zones: Zone[]) => Zone[], what: string) {
    const state = store.getState()
    const [zone] = chosenZones(state)
    const targets = new Set(which(stageOf(state).zones).map(({ id }) => id))
    editStage(store, `${zone!.name} copied to ${what}`, `copy/${zone!.id}`, (draft) => {
      for (const target of draft.zones) if (targets.has(target.id)) target.placement = structuredClone(zone!.placement)
    })
  }

  const button = (label: string, onClick: () => void) => (
    <Button variant="outlined" color="inherit" sx={{ borderColor: 'divider' }} onClick={onClick}>
      {label}
    </Button>
  )
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      {mirrorName &&
        button(`Same on ${mirrorName.toLowerCase()}`, () =>
          copyTo((zones) => [mirrorOf(zones, store.getState().selectedZone)!], mirrorName),
        )}
      {button('Same everywhere', () =>
        copyTo((zones) => zones.filter(({ id }) => id !== store.getState().selectedZone), 'all zones'),
      )}
      {button('Copy', () => notice(copyZones(store, 'chosen')))}
      {button('Copy all zones', () => notice(copyZones(store, 'all')))}
      {button('Paste', () => notice(pasteZones(store)))}
    </Box>
  )
}

/** The zone that mirrors another across the middle, if there is one. */
function mirrorOf(zones: readonly Zone[], zoneId: string | undefined): Zone | undefined {
  const zone = zones.find(({ id }) => id === zoneId)
  return zone && zones.find(({ role }) => role !== zone.role && role === mirrorRole(zone.role))
}
