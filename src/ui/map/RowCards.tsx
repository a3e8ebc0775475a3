'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Slider from '@mui/material/Slider'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useShallow } from 'zustand/react/shallow'
import {
  byId,
  COUNTS,
  COVERS,
  entryOf,
  LIMITS,
  SELECTIONS,
  type Formula,
  type RhythmEntry,
  type RowEntry,
} from '@/core/model'
import { TAKE_PRESETS } from '@/core/placement/foils'
import { useUnits } from '../hooks/useUnits'
import { FormulaSample, ListChoice, NumberField } from '../parts'
import { LINE } from '../theme'
import { optionsOf, WORDS } from '../words'
import { editChosen, usePlacement, usePlan, usePlanStore } from './context'
import {
  segmentsOf,
  shortened,
  startOf,
  stretchesOf,
  withEdges,
  withoutSegment,
  withStretch,
  type Segment,
} from './strand'

/** The rows of the rhythm one by one: several formulas along the strand, and what is a row's own. */
export function RowCards() {
  const { store } = usePlanStore()
  const sequence = usePlacement((placement) => placement.sequence)
  const set = (index: number, entry: RhythmEntry, what: string) =>
    editChosen(store, `Row ${index + 1} ${what}`, `row${index}/${what}`, (draft) => {
      draft.sequence[index] = shortened(entry)
    })
  if (sequence.length === 0)
    return <Typography color="textSecondary">Add a row to the rhythm first; then it can be divided here.</Typography>
  return (
    <Stack spacing={1}>
      {sequence.map((entry, i) => (
        <RowCard key={i} index={i} entry={entry} onChange={(next, what) => set(i, next, what)} />
      ))}
    </Stack>
  )
}

interface CardProps {
  index: number
  entry: RowEntry
  onChange: (entry: RhythmEntry, what: string) => void
}

function RowCard({ index, entry, onChange }: CardProps) {
  const { permissions } = usePlanStore()
  const full = entryOf(entry)
  const start = usePlacement((placement) => startOf(entry, placement))
  const lengthCm = usePlan((state) => state.document.hair.lengthCm)
  const formulas = usePlan((state) => state.document.formulas)
  const segments = segmentsOf(entry, start)
  const put = (next: readonly Segment[], what: string) => onChange({ ...full, stretches: stretchesOf(next) }, what)
  const other = formulas[1]?.id ?? formulas[0]!.id
  return (
    <Box
      component="section"
      aria-label={`Row ${index + 1} of the rhythm, along the strand`}
      sx={{ border: LINE, p: 1, display: 'grid', gap: 1 }}
    >
      <Typography sx={{ fontWeight: 600 }}>Row {index + 1}</Typography>
      <Strand
        segments={segments}
        lengthCm={Math.max(lengthCm, 10)}
        disabled={!permissions.write}
        onEdges={(edges) => put(withEdges(segments, edges), 'along the strand')}
      />
      {segments.map((segment, i) => (
        <SegmentRow
          key={i}
          segment={segment}
          from={i === 0 ? start : segments[i - 1]!.toCm}
          formulas={formulas}
          disabled={!permissions.write}
          onFormula={(formulaId) =>
            put(
              segments.map((one, at) => (at === i ? { ...one, formulaId } : one)),
              'formula along the strand',
            )
          }
          onRemove={segments.length > 1 ? () => put(withoutSegment(segments, i), 'stretch taken out') : undefined}
        />
      ))}
      {permissions.write && full.stretches.length < COUNTS.stretches && (
        <Button
          size="small"
          color="inherit"
          sx={{ justifySelf: 'start' }}
          onClick={() => put(withStretch(segments, other, lengthCm), 'divided along the strand')}
        >
          Divide along the strand
        </Button>
      )}
      {full.stretches.length > 0 && <RowsOwn entry={full} start={start} onChange={onChange} />}
    </Box>
  )
}

/** A row's own take, cover, hair and start; each as the zone's until it is set. */
function RowsOwn({ entry, start, onChange }: { entry: RhythmEntry; start: number; onChange: CardProps['onChange'] }) {
  const { permissions } = usePlanStore()
  const disabled = !permissions.write
  const preset = TAKE_PRESETS.find(
    ({ take }) => take.kind === entry.take?.kind && take.stitchMm === entry.take.stitchMm,
  )
  const AS_ZONE = { value: '' as const, label: 'as the zone' }
  return (
    <>
      <Box sx={{ display: 'grid', gridTemplateColumns: 'repeat(auto-fit, minmax(120px, 1fr))', gap: 1 }}>
        <ListChoice
          label="Take"
          value={preset?.id ?? ''}
          disabled={disabled}
          options={[AS_ZONE, ...TAKE_PRESETS.map(({ id }) => ({ value: id, label: WORDS.preset[id] }))]}
          onChange={(id) => onChange({ ...entry, take: id ? { ...byId(TAKE_PRESETS, id).take } : undefined }, 'take')}
        />
        <ListChoice
          label="Cover"
          value={entry.cover ?? ''}
          disabled={disabled}
          options={[AS_ZONE, ...optionsOf(COVERS, WORDS.cover)]}
          onChange={(cover) => onChange({ ...entry, cover: cover || undefined }, 'cover')}
        />
        <ListChoice
          label="Which hair"
          value={entry.select ?? ''}
          disabled={disabled}
          options={[AS_ZONE, ...optionsOf(SELECTIONS, WORDS.select)]}
          onChange={(select) => onChange({ ...entry, select: select || undefined }, 'hair')}
        />
      </Box>
      <NumberField
        layout="row"
        label="Start from the scalp"
        value={start}
        limit={LIMITS.startCm}
        step={0.5}
        disabled={disabled}
        onChange={(startCm) => onChange({ ...entry, startCm }, 'start')}
      />
    </>
  )
}

interface SegmentProps {
  segment: Segment
  from: number
  formulas: readonly Formula[]
  disabled: boolean
  onFormula: (formulaId: string | undefined) => void
  onRemove: (() => void) | undefined
}

/** One stretch in words: from where to where, and what goes there. */
function SegmentRow({ segment: { formulaId, toCm }, from, formulas, disabled, onFormula, onRemove }: SegmentProps) {
  const { field } = useUnits()
  const { shown, unit } = field('cm')
  const where = `${shown(from)} ${toCm === Infinity ? `${unit} to the ends` : `– ${shown(toCm)} ${unit}`}`
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
      <Typography variant="body2" sx={{ flex: 1 }}>
        {where}
      </Typography>
      <ListChoice
        label="With"
        value={formulaId ?? ''}
        disabled={disabled}
        sx={{ minWidth: 104 }}
        options={[{ value: '', label: 'bare' }, ...formulas.map(({ id }) => ({ value: id, label: id }))]}
        onChange={(id) => onFormula(id || undefined)}
      />
      {!disabled && onRemove && (
        <Button size="small" color="inherit" onClick={onRemove}>
          Out
        </Button>
      )}
    </Box>
  )
}

/** The root takes more of the drawing than the ends, where centimetres matter less. */
const STEP_CM = 0.5
const placeOf = (cm: number, lengthCm: number): number => 100 * Math.sqrt(Math.min(1, cm / lengthCm))
const cmOf = (place: number, lengthCm: number): number =>
  Math.round((lengthCm * (place / 100) ** 2) / STEP_CM) * STEP_CM

interface StrandProps {
  segments: readonly Segment[]
  lengthCm: number
  disabled: boolean
  onEdges: (edges: number[]) => void
}

/** The strand from the scalp to the ends, with its stretches; their edges are drawn along it. */
function Strand({ segments, lengthCm, disabled, onEdges }: StrandProps) {
  const { field } = useUnits()
  const { shown, unit } = field('cm')
  const formulas = usePlan((state) => state.document.formulas)
  const swatches = usePlan(useShallow((state) => state.answer?.drawing.swatches ?? {}))
  const edges = segments.slice(0, -1).map(({ toCm }) => toCm)
  const places = [0, ...edges.map((cm) => placeOf(cm, lengthCm)), 100]
  return (
    <Box sx={{ px: 1 }}>
      <Box aria-hidden sx={{ display: 'flex', height: 28, border: LINE }}>
        {segments.map(({ formulaId }, i) => (
          <Box
            key={i}
            sx={{
              width: `${places[i + 1]! - places[i]!}%`,
              bgcolor: formulaId ? swatches[formulaId] : 'transparent',
              borderLeft: i > 0 ? LINE : undefined,
              display: 'grid',
              placeItems: 'center',
              overflow: 'hidden',
            }}
          >
            {formulaId ? (
              <FormulaSample
                id={formulaId}
                index={formulas.findIndex(({ id }) => id === formulaId)}
                swatch={swatches[formulaId] ?? '#888888'}
                size={24}
              />
            ) : (
              <Typography variant="caption">bare</Typography>
            )}
          </Box>
        ))}
      </Box>
      {edges.length > 0 && (
        <Slider
          size="small"
          track={false}
          disabled={disabled}
          value={edges.map((cm) => placeOf(cm, lengthCm))}
          step={0.5}
          getAriaLabel={(i) => `End of stretch ${i + 1}`}
          getAriaValueText={(place) => `${shown(cmOf(place, lengthCm))} ${unit}`}
          valueLabelDisplay="auto"
          valueLabelFormat={(place) => `${shown(cmOf(place, lengthCm))} ${unit}`}
          onChange={(_event, value) => onEdges((value as number[]).map((place) => cmOf(place, lengthCm)))}
          sx={{ display: 'block', py: 1 }}
        />
      )}
      <Box aria-hidden sx={{ display: 'flex', justifyContent: 'space-between' }}>
        <Typography variant="caption" color="textSecondary">
          scalp
        </Typography>
        <Typography variant="caption" color="textSecondary">
          ends
        </Typography>
      </Box>
    </Box>
  )
}
