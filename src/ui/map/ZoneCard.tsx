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
import { useShallow } from 'zustand/react/shallow'
import { DIRECTIONS, LIMITS, ROW_ORDERS, type Placement, type Zone } from '@/core/model'
import { isStitched, TAKE_PRESETS } from '@/core/placement'
import { Choice, NumberField } from '../parts'
import { WORDS } from '../words'
import { Comb } from './Comb'
import { editStage, editZone, stageOf, usePlan, usePlanStore, zonesInOrder } from './context'
import { SequenceBeads } from './SequenceBeads'

// Fetched once it is opened; mounted only while it is, so that a drag on the comb does not draw it again and again.
const ZoneMore = dynamic(() => import('./ZoneMore').then((module) => module.ZoneMore))

/** Everything that is decided for the selected zone. */
export function ZoneCard() {
  const selected = usePlan((state) => state.selectedZone)
  const zones = usePlan(useShallow(zonesInOrder))
  const zone = zones.find(({ id }) => id === selected)
  if (!zone)
    return (
      <Box sx={{ p: 2 }}>
        <Typography variant="h2">Choose a zone</Typography>
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          Tap a zone on the map or in the order list. Then set its partings, what is taken from each subsection, and which formula each row gets. Press ? for the keys.
        </Typography>
      </Box>
    )
  return <OneZone key={zone.id} zone={zone} order={zones.indexOf(zone) + 1} />
}

function OneZone({ zone, order }: { zone: Zone; order: number }) {
  const { store, permissions } = usePlanStore()
  const figures = usePlan((state) => state.answer?.figures.zones.find(({ id }) => id === zone.id))
  const swatches = usePlan((state) => state.answer?.drawing.swatches) ?? {}
  const formulas = usePlan((state) => state.document.formulas)
  const { placement } = zone
  const { take } = placement
  const readOnly = !permissions.write

  const set = (what: string, key: string, recipe: (placement: Placement) => void) =>
    editZone(store, zone, what, key, (draft) => recipe(draft.placement))

  const preset = TAKE_PRESETS.find(
    (candidate) =>
      candidate.take.kind === take.kind &&
      (!isStitched(take) || (candidate.take.stitchMm === take.stitchMm && candidate.take.stitchGapMm === take.stitchGapMm)),
  )
  const stitched = isStitched(take)
  const foils = take.kind !== 'onScalp'

  return (
    <Stack spacing={1.5} sx={{ p: 2 }} component="section" aria-label={`Zone ${order}, ${zone.name}`}>
      <Box>
        <Typography variant="h2">
          {order}. {zone.name}
        </Typography>
        {figures && (
          <Typography variant="caption" color="textSecondary">
            {figures.areaCm2} cm² · {figures.hairs} hairs · {figures.rows} rows · {figures.foils} foils · {Math.round(figures.takenFraction * 100)} % taken
            {figures.foils > 0 && ` · foils ${figures.foilLengthCm.min}–${figures.foilLengthCm.max} cm long`}
          </Typography>
        )}
      </Box>
      <Choice
        label="What is taken"
        value={preset?.id}
        disabled={readOnly}
        options={TAKE_PRESETS.map(({ id }) => ({ value: id, label: WORDS.preset[id] }))}
        onChange={(id) => {
          const chosen = TAKE_PRESETS.find((candidate) => candidate.id === id)!
          set(WORDS.preset[id]!, 'preset', (draft) => {
            draft.take = { ...draft.take, ...chosen.take, bandCm: draft.take.bandCm }
            draft.subsectionMm = chosen.subsectionMm
            delete draft.cover
            if (chosen.take.kind === 'onScalp' || chosen.take.kind === 'block') draft.rowGapMm = 0
          })
        }}
      />
      <SequenceBeads
        sequence={placement.sequence}
        formulas={formulas}
        swatches={swatches}
        disabled={readOnly}
        onChange={(sequence, what) => set(what, 'sequence', (draft) => void (draft.sequence = sequence))}
      />
      {stitched && <Comb take={take} disabled={readOnly} onChange={(change) => set('Stitches', 'comb', (draft) => void Object.assign(draft.take, change))} />}
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(290px, 1fr))', columnGap: 3, rowGap: 0.5 }}>
        {stitched && (
          <>
            <NumberField layout="row" label="Stitch" value={take.stitchMm} limit={LIMITS.stitchMm} step={0.5} disabled={readOnly} onChange={(value) => set(`Stitch ${value} mm`, 'stitch', (draft) => void (draft.take.stitchMm = value))} />
            <NumberField layout="row" label="Gap between stitches" value={take.stitchGapMm} limit={LIMITS.stitchGapMm} step={0.5} disabled={readOnly} onChange={(value) => set(`Stitch gap ${value} mm`, 'stitchGap', (draft) => void (draft.take.stitchGapMm = value))} />
          </>
        )}
        <NumberField layout="row" label="Subsection" value={placement.subsectionMm} limit={LIMITS.subsectionMm} step={1} disabled={readOnly} onChange={(value) => set(`Subsection ${value} mm`, 'subsection', (draft) => void (draft.subsectionMm = value))} />
        <NumberField
          layout="row"
          label="Row gap"
          value={placement.rowGapMm}
          limit={LIMITS.rowGapMm}
          step={1}
          disabled={readOnly}
          help={placement.rowGapMm === 0 ? 'Back-to-back' : figures ? `Rows ${figures.pitchMm} mm apart as laid` : ''}
          onChange={(value) => set(`Row gap ${value} mm`, 'rowGap', (draft) => void (draft.rowGapMm = value))}
        />
        {foils ? (
          <NumberField layout="row" label="Start from the scalp" value={placement.startCm} limit={LIMITS.startCm} step={0.5} disabled={readOnly} help={placement.startCm === 0 ? 'To the skin' : ''} onChange={(value) => set(`Start ${value} cm`, 'start', (draft) => void (draft.startCm = value))} />
        ) : (
          <NumberField layout="row" label="New growth" value={take.bandCm} limit={LIMITS.bandCm} step={0.1} disabled={readOnly} onChange={(value) => set(`New growth ${value} cm`, 'band', (draft) => void (draft.take.bandCm = value))} />
        )}
      </Box>
      <Choice label="Partings" value={placement.direction} disabled={readOnly} options={DIRECTIONS.map((value) => ({ value, label: WORDS.direction[value] }))} onChange={(value) => set(`${WORDS.direction[value]} partings`, 'direction', (draft) => void (draft.direction = value))} />
      {placement.direction.startsWith('diagonal') && (
        <NumberField layout="row" label="Slope" value={placement.angleDeg} limit={LIMITS.angleDeg} step={5} disabled={readOnly} onChange={(value) => set(`Slope ${value}°`, 'angle', (draft) => void (draft.angleDeg = value))} />
      )}
      <Choice label="Rows are worked" value={placement.rowOrder} disabled={readOnly} options={ROW_ORDERS.map((value) => ({ value, label: WORDS.rowOrder[value] }))} onChange={(value) => set(WORDS.rowOrder[value], 'rowOrder', (draft) => void (draft.rowOrder = value))} />
      <FormControlLabel
        disabled={readOnly}
        control={<Switch checked={placement.bricklay} onChange={(event) => set(event.target.checked ? 'Bricklaid' : 'In line', 'bricklay', (draft) => void (draft.bricklay = event.target.checked))} />}
        label="Bricklay: offset every other row"
      />
      <Accordion disableGutters variant="outlined" slotProps={{ transition: { unmountOnExit: true } }} sx={{ '&::before': { display: 'none' } }}>
        <AccordionSummary expandIcon={<span aria-hidden>▾</span>}>
          <Typography sx={{ fontWeight: 600 }}>Paint, dropout, hairline, ramps…</Typography>
        </AccordionSummary>
        <AccordionDetails sx={{ p: 1 }}>
          <ZoneMore zone={zone} readOnly={readOnly} set={set} />
        </AccordionDetails>
      </Accordion>
      {!readOnly && <CopyButtons zone={zone} />}
    </Stack>
  )
}

/** Copies this zone's placement to its mirror image or to all zones. */
function CopyButtons({ zone }: { zone: Zone }) {
  const { store } = usePlanStore()
  const stage = usePlan(stageOf)
  const mirrored = stage.zones.find(({ role }) => role !== zone.role && role === mirrorRole(zone.role))

  function copyTo(targets: Zone[], label: string) {
    const ids = new Set(targets.map(({ id }) => id))
    editStage(store, label, `copy/${zone.id}`, (draft) => {
      for (const target of draft.zones) if (ids.has(target.id)) target.placement = structuredClone(zone.placement)
    })
  }

  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      {mirrored && (
        <Button variant="outlined" color="inherit" sx={{ borderColor: 'divider' }} onClick={() => copyTo([mirrored], `${zone.name} copied to ${mirrored.name}`)}>
          Same on {mirrored.name.toLowerCase()}
        </Button>
      )}
      <Button
        variant="outlined"
        color="inherit"
        sx={{ borderColor: 'divider' }}
        onClick={() => copyTo(stage.zones.filter(({ id }) => id !== zone.id), `${zone.name} copied to all zones`)}
      >
        Same everywhere
      </Button>
    </Box>
  )
}

const mirrorRole = (role: string): string =>
  /left/i.test(role) ? role.replace('left', 'right').replace('Left', 'Right') : role.replace('right', 'left').replace('Right', 'Left')
