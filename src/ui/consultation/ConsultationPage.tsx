'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Tab from '@mui/material/Tab'
import Tabs from '@mui/material/Tabs'
import Typography from '@mui/material/Typography'
import { useEffect, useMemo, useState } from 'react'
import { createHead } from '@/core/scalp/head'
import type { OpenConsultation } from '@/core/model'
import { useKeys, useUndoKeys } from '../keys'
import { ClientHeader, Read, UndoButtons } from '../parts'
import { dateInWords } from '../words'
import { ConsultationContext, strandsInSight, useConsultation, useEntry } from './context'
import { GoalPane } from './GoalPane'
import { HairPane } from './HairPane'
import { MeasuresPane } from './MeasuresPane'
import { createConsultationStore, type ConsultationSave } from './store'

const PANES = [
  { value: 'hair', label: 'Hair' },
  { value: 'measures', label: 'Fibre & scalp' },
  { value: 'goal', label: 'Wish & verdict' },
] as const
type Pane = (typeof PANES)[number]['value']

/** The consultation: what the hair is, what is wished, what is possible. Saved as it is made. */
export function ConsultationPage({ open, writable }: { open: OpenConsultation; writable: boolean }) {
  const [store] = useState(() => createConsultationStore(open))
  const head = useMemo(() => createHead(open.head), [open.head])
  const context = useMemo(() => ({ store, open, head, writable }), [store, open, head, writable])
  return (
    <ConsultationContext.Provider value={context}>
      <Consultation />
    </ConsultationContext.Provider>
  )
}

function Consultation() {
  const { store, open, writable } = useConsultation()
  const [pane, setPane] = useState<Pane>('hair')

  useEffect(() => {
    if (writable) store.resume()
  }, [store, writable])

  useUndoKeys(store, writable)

  /** Digits bring the hand to a band: it is chosen and takes the keyboard. */
  function focusBand(number: number) {
    const { strand } = strandsInSight(store.getState())
    if (number > strand.bands.length) return
    store.pick(strand.id, number - 1)
    document.querySelectorAll<SVGGElement>('[aria-label^="Strand of"] [role="button"]')[number - 1]?.focus()
  }
  useKeys({ bands: pane === 'hair' ? ({ key }) => focusBand(Number(key)) : undefined })

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: { md: '100dvh' }, minHeight: '100%' }}>
      <ClientHeader id={open.client.id} name={open.client.name}>
        <SaveWords />
        {writable && <UndoRecord />}
      </ClientHeader>
      <SaveTrouble />
      <Box sx={{ px: { xs: 1.5, md: 2 }, display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
        <Tabs
          value={pane}
          onChange={(_event, next: Pane) => setPane(next)}
          aria-label="Consultation"
          sx={{ minHeight: 44 }}
        >
          {PANES.map(({ value, label }) => (
            <Tab
              key={value}
              value={value}
              label={label}
              sx={{ minHeight: 44, textTransform: 'none', fontWeight: 600 }}
            />
          ))}
        </Tabs>
        <Typography variant="caption" color="textSecondary" sx={{ display: { xs: 'none', md: 'block' } }}>
          {dateInWords(open.today)}
          {pane === 'hair' && '. Keys: 1–9 choose a band, ↑ ↓ its level, ← → the next one, Ctrl Z undoes.'}
        </Typography>
      </Box>
      {pane === 'hair' && <HairPane />}
      {pane === 'measures' && <MeasuresPane />}
      {pane === 'goal' && <GoalPane />}
    </Box>
  )
}

const SAVE_WORDS: Record<ConsultationSave['kind'], string> = {
  unsaved: 'nothing recorded today yet',
  waiting: 'not yet saved',
  saving: 'saving…',
  saved: 'saved ✓',
  offline: 'kept on this device; retrying',
  signedOut: 'signed out',
  stale: 'changed elsewhere',
  refused: 'not saved',
}

function SaveWords() {
  const { kind } = useEntry((state) => state.save)
  const trouble = kind === 'offline' || kind === 'signedOut' || kind === 'stale' || kind === 'refused'
  return (
    <Typography
      variant="caption"
      role="status"
      data-save={kind}
      color={trouble ? 'warning' : 'textSecondary'}
      sx={{ whiteSpace: 'nowrap', fontWeight: trouble ? 700 : 400 }}
    >
      {SAVE_WORDS[kind]}
    </Typography>
  )
}

function UndoRecord() {
  const { store } = useConsultation()
  const undo = useEntry((state) => state.undo.at(-1)?.label)
  const redo = useEntry((state) => state.redo[0]?.label)
  return <UndoButtons undo={undo} redo={redo} onUndo={store.undo} onRedo={store.redo} />
}

function SaveTrouble() {
  const { store, open } = useConsultation()
  const save = useEntry((state) => state.save)
  if (save.kind === 'signedOut')
    return (
      <Alert
        severity="warning"
        action={
          <Button color="inherit" href={`/sign-in?next=/people/${open.client.id}/consultation`}>
            Sign in
          </Button>
        }
      >
        Your session has ended. What you entered is kept on this device and saved once you have signed in again.
      </Alert>
    )
  if (save.kind === 'stale')
    return (
      <Alert
        severity="warning"
        action={
          <>
            <Button color="inherit" onClick={() => void store.resolve('theirs')}>
              Take theirs
            </Button>
            <Button color="inherit" onClick={() => void store.resolve('mine')}>
              Keep mine
            </Button>
          </>
        }
      >
        {save.error.message}
      </Alert>
    )
  if (save.kind === 'refused')
    return (
      <Alert
        severity="error"
        action={
          <Button color="inherit" onClick={store.undo}>
            Undo
          </Button>
        }
      >
        The last change was not saved: <Read>{save.error.message}</Read>
      </Alert>
    )
  return null
}
