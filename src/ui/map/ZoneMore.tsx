'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import { newGrowthCm } from '@/core/hair/fibre'
import {
  COUNTS,
  COVERS,
  DROPOUT_KINDS,
  LIMITS,
  PAINT_SHAPES,
  RAMP_FIGURES,
  SELECTIONS,
  type DropoutKind,
  type Placement,
  type Ramp,
  type RampFigure,
  type RampWay,
} from '@/core/model'
import { coverOf, isStitched, rampWays } from '@/core/placement/foils'
import { Choice, NumberField, Read } from '../parts'
import { optionsOf, WORDS } from '../words'
import { editChosen, usePlacement, usePlan, usePlanStore } from './context'
import { FigureField } from './FigureField'

/**
 * What goes beyond rows and stitches: paint, cover, what is left out, which hair, the hairline end, ramps, the strand.
 */
export function ZoneMore() {
  const { store, permissions } = usePlanStore()
  const placement = usePlacement((whole) => whole)
  const readOnly = !permissions.write
  const set = (what: string, key: string, recipe: (draft: Placement) => void) => editChosen(store, what, key, recipe)
  const formulas = usePlan((state) => state.document.formulas)
  const hasMap = usePlan((state) => state.document.hairMap !== undefined)
  const { take, dropout, panel, ramps = [] } = placement
  const kind = dropout?.kind ?? 'none'
  return (
    <Stack spacing={1.5}>
      {take.kind === 'painted' && (
        <>
          <Choice
            label="Painted as"
            value={take.shape ?? 'v'}
            disabled={readOnly}
            options={optionsOf(PAINT_SHAPES, WORDS.shape)}
            onChange={(shape) =>
              set(`Painted ${WORDS.shape[shape]}`, 'shape', (draft) => void (draft.take.shape = shape))
            }
          />
          <NumberField
            layout="row"
            label="How much it is soaked"
            value={Math.round(100 * (take.saturation ?? 1))}
            limit={{ min: 0, max: 100, unit: '%' }}
            step={10}
            disabled={readOnly}
            onChange={(percent) =>
              set(`Soaked ${percent} %`, 'soak', (draft) => void (draft.take.saturation = percent / 100))
            }
          />
          <FigureField figure="faceLiftCm" label="Higher towards the face by" step={1} />
        </>
      )}
      {take.kind !== 'onScalp' && (
        <Choice
          label="Cover"
          value={coverOf(placement)}
          disabled={readOnly}
          options={optionsOf(COVERS, WORDS.cover)}
          onChange={(cover) => set(WORDS.cover[cover], 'cover', (draft) => void (draft.cover = cover))}
        />
      )}
      {isStitched(take) && (
        <Box sx={{ display: 'grid', gridTemplateColumns: dropout ? '1fr 84px' : '1fr', gap: 1 }}>
          <TextField
            select
            size="small"
            label="What is not picked up"
            value={kind}
            disabled={readOnly}
            onChange={({ target }) =>
              set(`Dropout ${WORDS.dropout[target.value as keyof typeof WORDS.dropout]}`, 'dropout', (draft) => {
                if (target.value === 'none') delete draft.dropout
                else
                  draft.dropout = {
                    kind: target.value as DropoutKind,
                    formulaId: draft.dropout?.formulaId ?? formulas[1]?.id ?? formulas[0]!.id,
                  }
              })
            }
          >
            {(['none', ...DROPOUT_KINDS] as const).map((value) => (
              <MenuItem key={value} value={value}>
                {WORDS.dropout[value]}
              </MenuItem>
            ))}
          </TextField>
          {dropout && (
            <TextField
              select
              size="small"
              label="With"
              value={dropout.formulaId}
              disabled={readOnly}
              onChange={({ target }) =>
                set(
                  `Dropout ${target.value}`,
                  'dropoutFormula',
                  (draft) => void (draft.dropout = { ...dropout, formulaId: target.value }),
                )
              }
            >
              {formulas.map(({ id }) => (
                <MenuItem key={id} value={id}>
                  {id}
                </MenuItem>
              ))}
            </TextField>
          )}
        </Box>
      )}
      <TextField
        select
        size="small"
        label="Which hair"
        value={placement.select ?? 'all'}
        disabled={readOnly || !hasMap}
        helperText={
          hasMap
            ? undefined
            : 'White and earlier hair come from the consultation; take the record over under Head & hair.'
        }
        onChange={({ target }) =>
          set(
            WORDS.select[target.value as keyof typeof WORDS.select],
            'select',
            (draft) => void (draft.select = target.value as Placement['select']),
          )
        }
      >
        {SELECTIONS.map((value) => (
          <MenuItem key={value} value={value}>
            {WORDS.select[value]}
          </MenuItem>
        ))}
      </TextField>
      <Box>
        <TextField
          select
          fullWidth
          size="small"
          label="Hairline end of each row"
          value={panel ? `${panel.take}-${panel.rest}` : 'none'}
          disabled={readOnly}
          onChange={({ target }) =>
            set('Hairline end', 'panel', (draft) => {
              const [panelTake, rest] = target.value.split('-') as ['slice' | 'same', 'same' | 'leave']
              if (target.value === 'none') delete draft.panel
              else draft.panel = { widthCm: draft.panel?.widthCm ?? 2.5, take: panelTake, rest }
            })
          }
        >
          <MenuItem value="none">as the rest</MenuItem>
          <MenuItem value="slice-same">a slice, then as set</MenuItem>
          <MenuItem value="same-leave">stitched, the rest left</MenuItem>
          <MenuItem value="slice-leave">a slice, the rest left</MenuItem>
        </TextField>
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
      {take.kind !== 'onScalp' && (
        <Box>
          <UpTo readOnly={readOnly} />
          <FigureField figure="stopBeforeEndsCm" label="Stop before the ends" step={1} />
          <FigureField figure="bufferCm" label="Buffer to a nearer product" step={0.5} />
        </Box>
      )}
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
          onClick={() =>
            set(
              'Ramp added',
              'ramp/add',
              (draft) =>
                void (draft.ramps = [
                  ...(draft.ramps ?? []),
                  { figure: 'rowGapMm', way: 'upwards', to: Math.max(0, Math.round(draft.rowGapMm / 2)) },
                ]),
            )
          }
        >
          Let a figure change over the zone
        </Button>
      )}
    </Stack>
  )
}

/** How far from the scalp product reaches: the new growth, or as typed. */
function UpTo({ readOnly }: { readOnly: boolean }) {
  const { store } = usePlanStore()
  const upToCm = usePlacement((placement) => placement.upToCm)
  const growth = usePlan(({ document }) => newGrowthCm(document.hair))
  const set = (what: string, recipe: (draft: Placement) => void) => editChosen(store, what, 'upTo', recipe)
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
        onChange={(cm) => set(`Only up to ${cm} cm`, (draft) => void (draft.upToCm = cm))}
        onClear={() => set('To the ends', (draft) => void delete draft.upToCm)}
      />
      {!readOnly && growth >= LIMITS.upToCm.min && upToCm !== growth && (
        <Button
          variant="outlined"
          color="inherit"
          sx={{ borderColor: 'divider', my: 0.5 }}
          onClick={() => set('New growth only', (draft) => void Object.assign(draft, { startCm: 0, upToCm: growth }))}
        >
          <Read>{`New growth only: ${growth} cm`}</Read>
        </Button>
      )}
    </>
  )
}

const RAMP_ENDS: Record<RampWay, string> = {
  upwards: 'At the upper edge',
  alongRow: 'Away from the hairline',
  alternating: 'Then',
  afterRows: 'Then',
}

function RampRow({
  ramp,
  readOnly,
  onChange,
  onRemove,
}: {
  ramp: Ramp
  readOnly: boolean
  onChange: (ramp: Ramp) => void
  onRemove: () => void
}) {
  return (
    <Box
      role="group"
      aria-label={`${WORDS.rampFigure[ramp.figure]} ${WORDS.rampWay[ramp.way]}`}
      sx={{ border: 1, borderColor: 'divider', p: 1, display: 'grid', gap: 1 }}
    >
      <Box sx={{ display: 'flex', gap: 1 }}>
        <TextField
          select
          size="small"
          label="Figure"
          value={ramp.figure}
          disabled={readOnly}
          sx={{ flex: 1 }}
          onChange={({ target }) => {
            const figure = target.value as RampFigure
            const { min, max } = LIMITS[figure]
            onChange({
              ...ramp,
              figure,
              to: Math.min(max, Math.max(min, ramp.to)),
              way: rampWays(figure).includes(ramp.way) ? ramp.way : 'upwards',
            })
          }}
        >
          {RAMP_FIGURES.map((value) => (
            <MenuItem key={value} value={value}>
              {WORDS.rampFigure[value]}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label="Changes"
          value={ramp.way}
          disabled={readOnly}
          sx={{ flex: 1 }}
          onChange={({ target }) =>
            onChange({
              ...ramp,
              way: target.value as Ramp['way'],
              rows: target.value === 'afterRows' ? (ramp.rows ?? 3) : undefined,
            })
          }
        >
          {rampWays(ramp.figure).map((value) => (
            <MenuItem key={value} value={value}>
              {WORDS.rampWay[value]}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      <NumberField
        layout="row"
        label={RAMP_ENDS[ramp.way]}
        value={ramp.to}
        limit={LIMITS[ramp.figure]}
        step={ramp.figure.endsWith('Cm') ? 0.5 : 1}
        disabled={readOnly}
        onChange={(to) => onChange({ ...ramp, to })}
      />
      {ramp.way === 'afterRows' && (
        <NumberField
          layout="row"
          label="After rows"
          value={ramp.rows ?? 3}
          limit={LIMITS.rampRows}
          step={1}
          disabled={readOnly}
          onChange={(rows) => onChange({ ...ramp, rows })}
        />
      )}
      {!readOnly && (
        <Button color="inherit" size="small" onClick={onRemove} sx={{ justifySelf: 'start' }}>
          Remove
        </Button>
      )}
    </Box>
  )
}
