'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import FormControlLabel from '@mui/material/FormControlLabel'
import Stack from '@mui/material/Stack'
import Switch from '@mui/material/Switch'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { partX } from '@/core/hair/fibre'
import {
  circleRadiusFor,
  createLayout,
  LayoutParameterError,
  partOffsetFor,
  pastPartFor,
  TEMPLATE_PARAMETERS,
} from '@/core/placement/layout'
import { LAYOUT_TEMPLATES, LIMITS, type HairState, type LayoutParameters, type LayoutTemplate } from '@/core/model'
import { Choice, NumberField, Read, SaveButton } from '../../parts'
import { WORDS } from '../../words'
import { editStage, stageOf, usePlan, usePlanStore } from '../context'
import { lostBy, relay } from '../relay'
import { OwnLayouts } from './OwnLayouts'

/** Chooses the sections. Zones that both layouts have keep their placement and their place in the order. */
export function LayoutDialog({ onClose }: { onClose: () => void }) {
  const { store } = usePlanStore()
  const current = usePlan((state) => stageOf(state).layout)
  const hair = usePlan((state) => state.document.hair)
  const [template, setTemplate] = useState(current.template)
  const [parameters, setParameters] = useState<LayoutParameters>(current.parameters)
  const [problem, setProblem] = useState<LayoutParameterError>()

  const stage = usePlan(stageOf)

  /** @throws LayoutParameterError */
  function created() {
    const measures = Object.fromEntries(
      TEMPLATE_PARAMETERS[template].flatMap((key) =>
        key === 'separateNape' ? [] : [[key, parameters[key] ?? FIELDS[key].usual(hair)]],
      ),
    )
    return createLayout(template, { ...parameters, ...measures })
  }

  /** Zones whose settings would go; none where the measures do not fit yet. */
  function lost() {
    try {
      return lostBy(stage, created().sections)
    } catch (error) {
      if (!(error instanceof LayoutParameterError)) throw error
      return []
    }
  }
  const going = lost()

  function apply() {
    try {
      const laid = created()
      editStage(store, `${WORDS.template[template]} layout`, 'layout', (draft) => relay(draft, laid))
      store.select(undefined)
      onClose()
    } catch (error) {
      if (!(error instanceof LayoutParameterError)) throw error
      setProblem(error)
    }
  }

  /** Another layout begins with the panel over the client's own part. */
  function choose(next: LayoutTemplate) {
    setTemplate(next)
    set(
      next === current.template
        ? { partOffsetCm: current.parameters.partOffsetCm, pastPartCm: current.parameters.pastPartCm }
        : { partOffsetCm: partOffsetFor(hair, next, parameters), pastPartCm: pastPartFor(hair, next) },
    )
  }

  const set = (change: Partial<LayoutParameters>) => {
    setProblem(undefined)
    setParameters({ ...parameters, ...change })
  }
  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-labelledby="layout-title">
      <DialogTitle id="layout-title">Sections</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <Choice
            label="Layout"
            value={template}
            options={LAYOUT_TEMPLATES.map((value) => ({ value, label: WORDS.template[value] }))}
            onChange={choose}
          />
          <Typography color="textSecondary">{WORDS.templateHelp[template]}</Typography>
          {problem && (
            <Alert severity="warning">
              <Read>{problem.message}</Read>
            </Alert>
          )}
          {TEMPLATE_PARAMETERS[template].map((key) =>
            key === 'separateNape' ? (
              <FormControlLabel
                key={key}
                control={
                  <Switch
                    checked={parameters.separateNape}
                    onChange={(event) => set({ separateNape: event.target.checked })}
                  />
                }
                label="Nape as a section of its own, under the occipital bone"
              />
            ) : (
              <NumberField
                key={key}
                layout="row"
                label={FIELDS[key].label}
                value={parameters[key] ?? FIELDS[key].usual(hair)}
                limit={LIMITS[key]}
                step={FIELDS[key].step}
                help={key === 'partOffsetCm' ? `${FIELDS[key].help} ${partWords(hair)}` : FIELDS[key].help}
                onChange={(value) => set({ [key]: value })}
              />
            ),
          )}
          <OwnLayouts onUsed={onClose} />
          {going.length > 0 ? (
            <Alert severity="warning">
              What was set in {going.map(({ name }) => name).join(', ')} goes: these sections do not have{' '}
              {going.length === 1 ? 'that zone' : 'those zones'}. The others keep what was set in them. This can be
              undone.
            </Alert>
          ) : (
            <Alert severity="info">All zones that are set keep what was set in them.</Alert>
          )}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <SaveButton onSave={apply}>Use these sections</SaveButton>
      </DialogActions>
    </Dialog>
  )
}

/** Where the client's own part is recorded. */
function partWords(hair: HairState): string {
  const x = partX(hair)
  return x === 0 ? '' : `It is recorded on the ${x > 0 ? 'left' : 'right'}, about ${Math.abs(x)} cm.`
}

type Measure = Exclude<keyof LayoutParameters, 'separateNape'>

/** How far a zigzag part is usually drawn to either side, mm. Our estimate. */
const ZIGZAG_MM = 4

const FIELDS: Record<Measure, { label: string; step: number; help?: string; usual: (hair: HairState) => number }> = {
  stripWidthCm: {
    label: 'Panel along the part',
    step: 0.5,
    help: 'For a rim, 0 leaves the part alone.',
    usual: () => 6,
  },
  partOffsetCm: {
    label: 'Part from the middle',
    step: 0.5,
    help: 'Positive towards the client’s left.',
    usual: () => 0,
  },
  pastPartCm: {
    label: 'Past a side part by',
    step: 0.5,
    help: '2.5–5 cm, so that the part line is worked together.',
    usual: () => 0,
  },
  zigzagMm: {
    label: 'Zigzag',
    step: 1,
    help: '0 is straight; more is softer.',
    usual: ({ part }) => (part === 'zigzag' ? ZIGZAG_MM : 0),
  },
  radiusCm: {
    label: 'Radius of the circle',
    step: 0.5,
    help: 'Finer hair carries a larger one, denser hair a smaller one.',
    usual: (hair) => circleRadiusFor(hair.density),
  },
  rimCm: { label: 'Width of the rim', step: 0.5, usual: () => 2.5 },
  pieces: { label: 'Pieces', step: 1, usual: () => 4 },
  cutCornersCm: { label: 'Corners cut off by', step: 0.5, usual: () => 0 },
}
