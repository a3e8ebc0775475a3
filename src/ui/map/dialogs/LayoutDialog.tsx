'use client'
import Alert from '@mui/material/Alert'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { createLayout, LayoutParameterError, partOffsetFor, pastPartFor } from '@/core/placement/layout'
import { type LayoutParameters, type LayoutTemplate } from '@/core/model'
import { Choice, Read, SaveButton } from '../../parts'
import { useLayoutOptions } from '../../thumbnails'
import { WORDS } from '../../words'
import { editStage, stageOf, usePlan, usePlanStore } from '../context'
import { lostBy, relay } from '../relay'
import { MeasureFields, measuresOf } from './MeasureFields'
import { OwnLayouts } from './OwnLayouts'

/** Chooses the sections. Zones that both layouts have keep their placement and their place in the order. */
export function LayoutDialog({ onClose }: { onClose: () => void }) {
  const { head, hair } = usePlan((state) => state.document)
  const options = useLayoutOptions({ head, hair })
  const { template, parameters, problem, going, choose, set, apply } = useLayoutDraft(onClose)
  return (
    <Dialog open onClose={onClose} maxWidth="sm" aria-labelledby="layout-title">
      <DialogTitle id="layout-title">Sections</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <Choice label="Layout" value={template} options={options} onChange={choose} />
          <Typography color="textSecondary">{WORDS.templateHelp[template]}</Typography>
          {problem && (
            <Alert severity="warning">
              <Read>{problem.message}</Read>
            </Alert>
          )}
          <MeasureFields template={template} parameters={parameters} hair={hair} onChange={set} />
          <OwnLayouts onUsed={onClose} />
          <Going names={going} />
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

/** Whose settings a change of sections takes with it. */
function Going({ names }: { names: string[] }) {
  if (names.length === 0) return <Alert severity="info">All zones that are set keep what was set in them.</Alert>
  return (
    <Alert severity="warning">
      What was set in {names.join(', ')} goes: these sections do not have{' '}
      {names.length === 1 ? 'that zone' : 'those zones'}. The others keep what was set in them. This can be undone.
    </Alert>
  )
}

/** A layout that is being chosen, what it would do to the zones there are, and how it is put to use. */
function useLayoutDraft(onDone: () => void) {
  const { store } = usePlanStore()
  const stage = usePlan(stageOf)
  const hair = usePlan((state) => state.document.hair)
  const current = stage.layout
  const [template, setTemplate] = useState(current.template)
  const [parameters, setParameters] = useState<LayoutParameters>(current.parameters)
  const [problem, setProblem] = useState<LayoutParameterError>()

  /** @throws LayoutParameterError */
  const created = () => createLayout(template, { ...parameters, ...measuresOf(template, parameters, hair) })

  function set(change: Partial<LayoutParameters>) {
    setProblem(undefined)
    setParameters({ ...parameters, ...change })
  }

  return {
    template,
    parameters,
    problem,
    set,
    /** Names of zones whose settings would go. */
    going: unlessUnfit(() => lostBy(stage, created().sections).map(({ name }) => name)) ?? [],
    /** Another layout begins with the panel over the client's own part. */
    choose(next: LayoutTemplate) {
      setTemplate(next)
      set(
        next === current.template
          ? { partOffsetCm: current.parameters.partOffsetCm, pastPartCm: current.parameters.pastPartCm }
          : { partOffsetCm: partOffsetFor(hair, next, parameters), pastPartCm: pastPartFor(hair, next) },
      )
    },
    apply() {
      const laid = unlessUnfit(created, setProblem)
      if (!laid) return
      editStage(store, `${WORDS.template[template]} layout`, 'layout', (draft) => relay(draft, laid))
      store.select(undefined)
      onDone()
    },
  }
}

/** What a layout gives, or nothing where its measures do not fit one another. */
function unlessUnfit<T>(work: () => T, told: (problem: LayoutParameterError) => void = () => {}): T | undefined {
  try {
    return work()
  } catch (error) {
    if (!(error instanceof LayoutParameterError)) throw error
    told(error)
    return undefined
  }
}
