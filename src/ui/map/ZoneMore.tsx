'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import FormControlLabel from '@mui/material/FormControlLabel'
import Stack from '@mui/material/Stack'
import Switch from '@mui/material/Switch'
import TextField from '@mui/material/TextField'
import { useShallow } from 'zustand/react/shallow'
import { newGrowthCm } from '@/core/hair/fibre'
import {
  COUNTS,
  COVERS,
  DROPOUT_KINDS,
  LIMITS,
  PAINT_SHAPES,
  SELECTIONS,
  type Placement,
  type Ramp,
} from '@/core/model'
import { coverOf, isStitched, saturationOf } from '@/core/placement/foils'
import { Choice, ListChoice, NumberField, Read } from '../parts'
import { optionsOf, WORDS } from '../words'
import { chosenZones, editChosen, editStage, usePlacement, usePlan, usePlanStore } from './context'
import { FigureField } from './FigureField'
import { RampRow } from './RampRow'

/**
 * What goes beyond rows and stitches: paint, cover, what is left out, which hair, the hairline end, ramps, the strand.
 */
export function ZoneMore() {
  const { kind } = usePlacement(({ take }) => take)
  const stitched = usePlacement(({ take }) => isStitched(take))
  return (
    <Stack spacing={1.5}>
      {kind === 'painted' ? <Paint /> : <Saturation />}
      {kind !== 'onScalp' && <CoverChoice />}
      {stitched && <Dropout />}
      <WhichHair />
      <HairlineEnd />
      {kind !== 'onScalp' && (
        <Box>
          <UpTo />
          <FigureField figure="stopBeforeEndsCm" label="Stop before the ends" step={1} />
          <FigureField figure="bufferCm" label="Buffer to a nearer product" step={0.5} />
        </Box>
      )}
      <Ramps />
      <Partings />
      <ZoneNote />
    </Stack>
  )
}

/** Whether the plan may only be read, and how the chosen zones are changed. */
function useChosen() {
  const { store, permissions } = usePlanStore()
  return {
    readOnly: !permissions.write,
    set: (what: string, key: string, recipe: (draft: Placement) => void) => editChosen(store, what, key, recipe),
  }
}

function Paint() {
  const { readOnly, set } = useChosen()
  const { shape = 'v', saturation = 1 } = usePlacement(({ take }) => take)
  return (
    <>
      <Choice
        label="Painted as"
        value={shape}
        disabled={readOnly}
        options={optionsOf(PAINT_SHAPES, WORDS.shape)}
        onChange={(next) => set(`Painted ${WORDS.shape[next]}`, 'shape', (draft) => void (draft.take.shape = next))}
      />
      <NumberField
        layout="row"
        label="How much it is soaked"
        value={Math.round(100 * saturation)}
        limit={LIMITS.percent}
        step={10}
        disabled={readOnly}
        onChange={(percent) =>
          set(`Soaked ${percent} %`, 'soak', (draft) => void (draft.take.saturation = percent / 100))
        }
      />
      <FigureField figure="faceLiftCm" label="Higher towards the face by" step={1} />
    </>
  )
}

/** How generously product goes on: the words for what a take's figure says, 0…1. Our choice. */
const SATURATIONS = { thin: 0.2, usual: 0.5, generous: 0.8 }
type SaturationWord = keyof typeof SATURATIONS
const SATURATION_WORDS = Object.keys(SATURATIONS) as SaturationWord[]

function Saturation() {
  const { readOnly, set } = useChosen()
  const value = usePlacement(({ take }) => saturationOf(take))
  const word = SATURATION_WORDS.find((one) => SATURATIONS[one] === value)
  return (
    <Choice
      label="How generously"
      value={word}
      disabled={readOnly}
      options={SATURATION_WORDS.map((one) => ({ value: one, label: one }))}
      onChange={(next) =>
        set(`Product ${next}`, 'saturation', (draft) => void (draft.take.saturation = SATURATIONS[next]))
      }
    />
  )
}

/** How the partings are drawn, and what is done to a subsection before it is taken. */
function Partings() {
  const { readOnly, set } = useChosen()
  const [teased, onePanel, secondFoil] = usePlacement(useShallow(switchesOf))
  const inFoil = usePlacement((placement) => coverOf(placement) === 'foil')
  const { kind } = usePlacement(({ take }) => take)
  const flip = (label: string, checked: boolean, recipe: (draft: Placement, on: boolean) => void) => (
    <FormControlLabel
      disabled={readOnly}
      control={
        <Switch
          checked={checked}
          onChange={({ target }) =>
            set(`${label}: ${target.checked ? 'yes' : 'no'}`, label, (draft) => recipe(draft, target.checked))
          }
        />
      }
      label={label}
    />
  )
  return (
    <Box>
      <FigureField figure="zigzagMm" label="Partings zigzag by" step={1} />
      {kind !== 'teased' &&
        kind !== 'onScalp' &&
        flip('Back-combed first', teased, (draft, on) => void (draft.take.teased = on))}
      {flip('The section is one panel', onePanel, (draft, on) => void (draft.onePanel = on))}
      {inFoil && flip('A second foil over each', secondFoil, (draft, on) => void (draft.secondFoil = on))}
    </Box>
  )
}

const switchesOf = ({ take, onePanel, secondFoil }: Placement): [boolean, boolean, boolean] => [
  take.teased ?? false,
  onePanel ?? false,
  secondFoil ?? false,
]

/** What a hand should know of this zone. */
function ZoneNote() {
  const { store, permissions } = usePlanStore()
  const note = usePlan((state) => chosenZones(state)[0]?.note ?? '')
  const keep = (words: string) => {
    if (words === note) return
    editStage(store, 'Note of a zone', 'zone/note', (stage) => {
      const chosen = new Set(chosenZones(store.getState()).map(({ id }) => id))
      for (const zone of stage.zones) if (chosen.has(zone.id)) zone.note = words
    })
  }
  return (
    <TextField
      key={note}
      label="Note for this zone"
      size="small"
      multiline
      fullWidth
      defaultValue={note}
      disabled={!permissions.write}
      slotProps={{ htmlInput: { maxLength: COUNTS.noteLength } }}
      onBlur={({ target }) => keep(target.value)}
    />
  )
}

function CoverChoice() {
  const { readOnly, set } = useChosen()
  const cover = usePlacement(coverOf)
  return (
    <Choice
      label="Cover"
      value={cover}
      disabled={readOnly}
      options={optionsOf(COVERS, WORDS.cover)}
      onChange={(next) => set(WORDS.cover[next], 'cover', (draft) => void (draft.cover = next))}
    />
  )
}

/** What becomes of the hair between the stitches. */
function Dropout() {
  const { readOnly, set } = useChosen()
  const dropout = usePlacement((placement) => placement.dropout)
  const formulas = usePlan((state) => state.document.formulas)
  const usual = formulas[1]?.id ?? formulas[0]!.id
  return (
    <Box sx={{ display: 'grid', gridTemplateColumns: dropout ? '1fr 84px' : '1fr', gap: 1 }}>
      <ListChoice
        label="What is not picked up"
        value={dropout?.kind ?? 'none'}
        disabled={readOnly}
        options={optionsOf(['none', ...DROPOUT_KINDS] as const, WORDS.dropout)}
        onChange={(kind) =>
          set(`Dropout ${WORDS.dropout[kind]}`, 'dropout', (draft) => {
            if (kind === 'none') delete draft.dropout
            else draft.dropout = { kind, formulaId: draft.dropout?.formulaId ?? usual }
          })
        }
      />
      {dropout && (
        <ListChoice
          label="With"
          value={dropout.formulaId}
          disabled={readOnly}
          options={formulas.map(({ id }) => ({ value: id, label: id }))}
          onChange={(formulaId) =>
            set(`Dropout ${formulaId}`, 'dropoutFormula', (draft) => void (draft.dropout = { ...dropout, formulaId }))
          }
        />
      )}
    </Box>
  )
}

function WhichHair() {
  const { readOnly, set } = useChosen()
  const select = usePlacement((placement) => placement.select ?? 'all')
  const hasMap = usePlan((state) => state.document.hairMap !== undefined)
  return (
    <ListChoice
      label="Which hair"
      value={select}
      disabled={readOnly || !hasMap}
      help={
        hasMap
          ? undefined
          : 'White and earlier hair come from the consultation; take the record over under Head & hair.'
      }
      options={optionsOf(SELECTIONS, WORDS.select)}
      onChange={(next) => set(WORDS.select[next], 'select', (draft) => void (draft.select = next))}
    />
  )
}

type Panel = NonNullable<Placement['panel']>

/** How rows can end at the hairline: what is taken there, and what becomes of the rest. */
const PANELS = {
  none: { words: 'as the rest', panel: undefined },
  sliceSame: { words: 'a slice, then as set', panel: { take: 'slice', rest: 'same' } },
  sameLeave: { words: 'stitched, the rest left', panel: { take: 'same', rest: 'leave' } },
  sliceLeave: { words: 'a slice, the rest left', panel: { take: 'slice', rest: 'leave' } },
  leaveSame: { words: 'left as it is, the rest worked', panel: { take: 'leave', rest: 'same' } },
} satisfies Record<string, { words: string; panel: Omit<Panel, 'widthCm'> | undefined }>
type PanelKind = keyof typeof PANELS
const PANEL_KINDS = Object.keys(PANELS) as PanelKind[]

/** How wide a new panel is, cm. Common practice. */
const USUAL_PANEL_CM = 2.5

const panelKind = (panel: Panel | undefined): PanelKind | '' =>
  PANEL_KINDS.find((kind) => PANELS[kind].panel?.take === panel?.take && PANELS[kind].panel?.rest === panel?.rest) ?? ''

function HairlineEnd() {
  const { readOnly, set } = useChosen()
  const panel = usePlacement((placement) => placement.panel)
  return (
    <Box>
      <ListChoice
        fullWidth
        label="Hairline end of each row"
        value={panelKind(panel)}
        disabled={readOnly}
        options={PANEL_KINDS.map((value) => ({ value, label: PANELS[value].words }))}
        onChange={(kind) =>
          set('Hairline end', 'panel', (draft) => {
            const chosen = PANELS[kind].panel
            if (chosen) draft.panel = { widthCm: draft.panel?.widthCm ?? USUAL_PANEL_CM, ...chosen }
            else delete draft.panel
          })
        }
      />
      {panel && (
        <NumberField
          layout="row"
          label="Its width"
          value={panel.widthCm}
          limit={LIMITS.panelCm}
          step={0.5}
          disabled={readOnly}
          onChange={(cm) =>
            set(`Panel ${cm} cm`, 'panelWidth', (draft) => void (draft.panel = { ...panel, widthCm: cm }))
          }
        />
      )}
    </Box>
  )
}

/** How far from the scalp product reaches: the new growth, or as typed. */
function UpTo() {
  const { readOnly, set } = useChosen()
  const upToCm = usePlacement((placement) => placement.upToCm)
  const growth = usePlan(({ document }) => newGrowthCm(document.hair))
  return (
    <>
      <NumberField
        layout="row"
        label="Only up to"
        value={upToCm}
        limit={LIMITS.upToCm}
        step={0.5}
        disabled={readOnly}
        help={upToCm === undefined ? 'Empty: to the ends.' : ''}
        onChange={(cm) => set(`Only up to ${cm} cm`, 'upTo', (draft) => void (draft.upToCm = cm))}
        onClear={() => set('To the ends', 'upTo', (draft) => void delete draft.upToCm)}
      />
      {!readOnly && growth >= LIMITS.upToCm.min && upToCm !== growth && (
        <Button
          variant="outlined"
          color="inherit"
          sx={{ borderColor: 'divider', my: 0.5 }}
          onClick={() =>
            set('New growth only', 'upTo', (draft) => void Object.assign(draft, { startCm: 0, upToCm: growth }))
          }
        >
          <Read>{`New growth only: ${growth} cm`}</Read>
        </Button>
      )}
    </>
  )
}

/** Figures that change over the zone. */
function Ramps() {
  const { readOnly, set } = useChosen()
  const ramps = usePlacement((placement) => placement.ramps) ?? []
  return (
    <>
      {ramps.map((ramp, i) => (
        <RampRow
          key={i}
          ramp={ramp}
          readOnly={readOnly}
          onChange={(next) =>
            set(
              `Ramp of ${WORDS.rampFigure[next.figure].toLowerCase()}`,
              `ramp${i}`,
              (draft) => void (draft.ramps![i] = next),
            )
          }
          onRemove={() => set('Ramp removed', `ramp${i}/out`, (draft) => void draft.ramps!.splice(i, 1))}
        />
      ))}
      {!readOnly && ramps.length < COUNTS.ramps && (
        <Button
          variant="outlined"
          color="inherit"
          sx={{ borderColor: 'divider', alignSelf: 'flex-start' }}
          onClick={() => set('Ramp added', 'ramp/add', (draft) => void (draft.ramps ??= []).push(firstRamp(draft)))}
        >
          Let a figure change over the zone
        </Button>
      )}
    </>
  )
}

/** Rows that lie twice as close at the upper edge. */
const firstRamp = ({ rowGapMm }: Placement): Ramp => ({
  figure: 'rowGapMm',
  way: 'upwards',
  to: Math.max(0, Math.round(rowGapMm / 2)),
})
