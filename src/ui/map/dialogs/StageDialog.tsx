'use client'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import FormControlLabel from '@mui/material/FormControlLabel'
import Stack from '@mui/material/Stack'
import Switch from '@mui/material/Switch'
import {
  BEGINS,
  COMES_OFF,
  COUNTS_FROM,
  LIMITS,
  METHODS,
  shortestLabel,
  type Begins,
  type ComesOff,
  type CountsFrom,
  type Method,
  type Stage,
} from '@/core/model'
import { ListChoice, NumberField } from '../../parts'
import { optionsOf, WORDS } from '../../words'
import { editStage, stageOf, usePlan, usePlanStore, variantOf } from '../context'

/** Minutes that a stage is planned for where nothing was said yet. Our choice: a gloss. */
const USUAL_MINUTES = 15
/** How long after another stage one begins where nothing was said yet, min. Our choice. */
const USUAL_WAIT = 5

/** When a stage begins, how it comes off, how long it is to last and how it goes on. */
export function StageDialog({ onClose }: { onClose: () => void }) {
  const stage = usePlan(stageOf)
  return (
    <Dialog open onClose={onClose} maxWidth="xs" fullWidth aria-labelledby="stage-title">
      <DialogTitle id="stage-title">{stage.name}: on, off and how long</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <BeginsField />
          <ComesOffField />
          <LastsFields />
          <MethodField />
          {stage.kind === 'cut' && <CutFields />}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}

function useStage() {
  const { store } = usePlanStore()
  const stage = usePlan(stageOf)
  const stages = usePlan((state) => variantOf(state).stages)
  return {
    stage,
    stages,
    set: (words: string, recipe: (draft: Stage) => void) =>
      editStage(store, `${stage.name}: ${words}`, `stage/${words}`, recipe),
  }
}

function BeginsField() {
  const { stage, stages, set } = useStage()
  const before = stages.slice(0, stages.indexOf(stage))
  const { begins } = stage
  if (before.length === 0) return null
  const put = (next: Begins) =>
    set(WORDS.begins[next.kind], (draft) => {
      if (next.kind === 'afterRinse') delete draft.begins
      else draft.begins = next
    })
  const stageId = begins?.stageId ?? before.at(-1)!.id
  const kind = begins?.kind ?? 'afterRinse'
  return (
    <>
      <ListChoice
        label="Begins"
        value={kind}
        options={optionsOf(BEGINS, WORDS.begins)}
        onChange={(next) => put({ kind: next, stageId, ...(next === 'minutesAfter' && { minutes: USUAL_WAIT }) })}
      />
      {begins && (
        <ListChoice
          label="Which one"
          value={stageId}
          options={before.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(id) => put({ ...begins, stageId: id })}
        />
      )}
      {begins?.kind === 'minutesAfter' && (
        <NumberField
          layout="row"
          label="Minutes after it began"
          value={begins.minutes ?? USUAL_WAIT}
          limit={LIMITS.beginsMinutes}
          step={1}
          onChange={(minutes) => put({ ...begins, minutes })}
        />
      )}
    </>
  )
}

function ComesOffField() {
  const { stage, stages, set } = useStage()
  const others = stages.filter((other) => other !== stage)
  const kind = stage.comesOff?.kind ?? 'ownRinse'
  const put = (next: ComesOff) =>
    set(WORDS.comesOff[next.kind], (draft) => {
      if (next.kind === 'ownRinse') delete draft.comesOff
      else draft.comesOff = next
    })
  const options = optionsOf(COMES_OFF, WORDS.comesOff).filter(({ value }) => value !== 'together' || others.length > 0)
  const partner = stage.comesOff?.stageId ?? stage.begins?.stageId ?? others[0]?.id
  return (
    <>
      <ListChoice
        label="Comes off"
        value={kind}
        options={options}
        onChange={(next) => put(next === 'together' ? { kind: next, stageId: partner } : { kind: next })}
      />
      {kind === 'together' && (
        <ListChoice
          label="Together with"
          value={partner ?? ''}
          options={others.map(({ id, name }) => ({ value: id, label: name }))}
          onChange={(stageId) => put({ kind: 'together', stageId })}
        />
      )}
    </>
  )
}

function LastsFields() {
  const { stage, set } = useStage()
  const longest = usePlan(
    (state) => shortestLabel(state.document, stageOf(state))?.maximumMinutes ?? LIMITS.lastsMinutes.max,
  )
  const { lasts } = stage
  return (
    <>
      <FormControlLabel
        control={
          <Switch
            checked={lasts !== undefined}
            onChange={({ target: { checked } }) =>
              set(checked ? 'planned minutes' : 'as long as its label says', (draft) => {
                if (checked) draft.lasts = { minutes: Math.min(USUAL_MINUTES, longest) }
                else delete draft.lasts
              })
            }
          />
        }
        label="Planned minutes, instead of what label and goal ask for"
      />
      {lasts && (
        <>
          <NumberField
            layout="row"
            label="Lasts"
            value={lasts.minutes}
            limit={{ ...LIMITS.lastsMinutes, max: longest }}
            step={1}
            help={
              longest < LIMITS.lastsMinutes.max ? `At most ${longest} min by the labels of what is worked with` : ''
            }
            onChange={(minutes) => set('minutes', (draft) => void (draft.lasts = { ...lasts, minutes }))}
          />
          <ListChoice
            label="Counts from"
            value={lasts.from ?? ''}
            options={[{ value: '', label: 'as is usual for the product' }, ...optionsOf(COUNTS_FROM, WORDS.countsFrom)]}
            onChange={(from: CountsFrom | '') =>
              set('counts from', (draft) => {
                draft.lasts = from ? { minutes: lasts.minutes, from } : { minutes: lasts.minutes }
              })
            }
          />
        </>
      )}
    </>
  )
}

function MethodField() {
  const { stage, set } = useStage()
  return (
    <ListChoice
      label="Goes on, outside foils"
      value={stage.method ?? ''}
      options={[
        { value: '', label: 'as is usual for take and product' },
        ...optionsOf(
          METHODS.filter((method) => method !== 'foil'),
          WORDS.method,
        ),
      ]}
      onChange={(method: Method | '') =>
        set('how it goes on', (draft) => {
          if (method) draft.method = method
          else delete draft.method
        })
      }
    />
  )
}

function CutFields() {
  const { stage, set } = useStage()
  const lengthCm = usePlan((state) => state.document.hair.lengthCm)
  return (
    <NumberField
      layout="row"
      label="Length that is left at the crown"
      value={stage.cut?.lengthCm ?? lengthCm}
      limit={LIMITS.lengthCm}
      step={1}
      onChange={(next) => set('length that is left', (draft) => void (draft.cut = { ...draft.cut, lengthCm: next }))}
    />
  )
}
