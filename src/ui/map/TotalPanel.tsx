'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useEffect, useRef, useState, type ReactNode } from 'react'
import type { Derivation } from '@/core/plan/planner'
import { callApi, failureWords } from '../hooks/api'
import { Choice, Read } from '../parts'
import { LINE } from '../theme'
import { momentInWords } from '../words'
import { useCautions, usePlan, usePlanStore } from './context'
import type { Acknowledgement, Caution } from '@/core/model'

const AdviceList = dynamic(() => import('./AdviceList').then((module) => module.AdviceList))
const LookFiguresView = dynamic(() => import('./LookPanel').then((module) => module.LookFiguresView))

/** A total, opened, beside the map; the map dims what does not contribute. */
export function TotalPanel() {
  const { store } = usePlanStore()
  const open = usePlan((state) => state.openTotal)
  const derivations = usePlan((state) => state.judged?.derivations)
  const panel = useRef<HTMLDivElement>(null)
  useEffect(() => panel.current?.focus(), [open])
  if (!open || !derivations) return null
  const close = () => store.setState({ openTotal: undefined })
  const formula = open.startsWith('grams:') ? open.slice(6) : undefined
  const derivation = formula
    ? derivations.grams[formula]
    : open === 'foils' || open === 'minutes' || open === 'share'
      ? derivations[open]
      : undefined

  return (
    <Paper
      ref={panel}
      tabIndex={-1}
      role="dialog"
      aria-label={
        formula
          ? `Formula ${formula}: where the grams come from`
          : open === 'cautions'
            ? 'Cautions and notes'
            : open === 'look'
              ? 'How it will look'
              : 'Where this figure comes from'
      }
      onKeyDown={(event) => event.key === 'Escape' && close()}
      sx={{
        position: { xs: 'fixed', md: 'absolute' },
        right: 0,
        bottom: 0,
        width: { xs: '100%', md: 333 },
        height: { md: '100%' },
        maxHeight: '100%',
        overflow: 'auto',
        p: 2,
        borderRadius: 0,
        borderTop: { xs: LINE, md: 'none' },
        borderLeft: { md: LINE },
        zIndex: 3,
        outline: 'none',
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          {formula ? `Formula ${formula}: ` : ''}
          <Read>{open === 'look' ? 'How it will look' : (derivation?.total ?? 'To look at')}</Read>
        </Typography>
        <Button color="inherit" onClick={close}>
          Close
        </Button>
      </Box>
      {open === 'look' ? <LookFiguresView /> : derivation ? <Opened derivation={derivation} /> : <ToLookAt />}
    </Paper>
  )
}

function Opened({ derivation }: { derivation: Derivation }) {
  const { store } = usePlanStore()
  return (
    <Stack spacing={1.5}>
      <Lines title="Adds up from">
        {derivation.adds.map(({ label, value, zoneId }) => (
          <Line key={label} label={label} value={value} onClick={zoneId ? () => store.select(zoneId) : undefined} />
        ))}
      </Lines>
      <Lines title="Inputs">
        {derivation.inputs.map(({ label, value }) => (
          <Line key={label} label={label} value={value} />
        ))}
      </Lines>
      <Typography>
        <b>Rule. </b>
        <Read>{derivation.rule}</Read>
      </Typography>
      <Typography>
        <b>Uncertainty. </b>
        <Read>{derivation.uncertainty}</Read>
      </Typography>
    </Stack>
  )
}

function Lines({ title, children }: { title: string; children: ReactNode }) {
  return (
    <Box>
      <Typography variant="h3" color="textSecondary">
        {title}
      </Typography>
      {children}
    </Box>
  )
}

function Line({ label, value, onClick }: { label: string; value: string; onClick?: (() => void) | undefined }) {
  const content = (
    <>
      <Read>{label}</Read>
      <span style={{ textAlign: 'right' }}>
        <Read>{value}</Read>
      </span>
    </>
  )
  const sx = {
    display: 'flex',
    justifyContent: 'space-between',
    gap: 2,
    py: 0.25,
    width: '100%',
    fontSize: '0.9rem',
  } as const
  return onClick ? (
    <Button color="inherit" onClick={onClick} sx={{ ...sx, fontWeight: 500, px: 0, minHeight: 36, textAlign: 'left' }}>
      {content}
    </Button>
  ) : (
    <Box sx={sx}>{content}</Box>
  )
}

/** Cautions, which have to be acknowledged, and advice, which may be taken. */
function ToLookAt() {
  const cautions = useCautions()
  const advice = usePlan((state) => state.judged?.figures.advice) ?? []
  const [shown, setShown] = useState<'cautions' | 'advice'>('cautions')
  return (
    <Stack spacing={2}>
      <Choice
        label="Show"
        value={shown}
        options={[
          { value: 'cautions', label: `Cautions (${cautions.length})` },
          { value: 'advice', label: `Advice (${advice.length})` },
        ]}
        onChange={setShown}
      />
      {shown === 'cautions' ? <Cautions /> : <AdviceList />}
    </Stack>
  )
}

function Cautions() {
  const { store, permissions } = usePlanStore()
  const cautions = useCautions()
  const acknowledged = usePlan((state) => state.acknowledgements)
  return (
    <Stack spacing={2}>
      {cautions.length === 0 && (
        <Typography>Nothing to acknowledge: nothing is taken, or all care checks are current.</Typography>
      )}
      {cautions.map((caution) => (
        <OneCaution
          key={caution.id}
          caution={caution}
          acknowledged={acknowledged.find(({ cautionId }) => cautionId === caution.id)}
          mayAcknowledge={permissions.acknowledge}
          onAcknowledged={(done) =>
            store.setState((state) => ({ acknowledgements: [done, ...state.acknowledgements] }))
          }
        />
      ))}
      <Typography variant="caption" color="textSecondary">
        The products’ instructions, local rules and licensed practice come before anything said here.
      </Typography>
    </Stack>
  )
}

interface CautionProps {
  caution: Caution
  acknowledged: Acknowledgement | undefined
  mayAcknowledge: boolean
  onAcknowledged: (done: Acknowledgement) => void
}

function OneCaution({ caution, acknowledged, mayAcknowledge, onAcknowledged }: CautionProps) {
  const { store } = usePlanStore()
  const [reason, setReason] = useState('')
  const [problem, setProblem] = useState<string>()

  async function acknowledge() {
    try {
      // What is judged is what the server holds, so it has to have everything first.
      await store.flush()
      onAcknowledged(
        await callApi<Acknowledgement>(`/api/plans/${store.getState().id}/acknowledgements`, 'POST', {
          cautionId: caution.id,
          reason,
        }),
      )
    } catch (error) {
      setProblem(failureWords(error))
    }
  }

  return (
    <Box sx={{ borderLeft: 3, borderColor: caution.severity === 'caution' ? 'warning.main' : 'divider', pl: 1.5 }}>
      <Typography>
        <b>{caution.severity === 'caution' ? 'Caution. ' : 'Note. '}</b>
        <Read>{caution.text}</Read>
      </Typography>
      <Typography color="textSecondary">
        <Read>{caution.remedy}</Read>
      </Typography>
      {acknowledged ? (
        <Typography variant="caption" color="textSecondary">
          Acknowledged by {acknowledged.by}, {momentInWords(acknowledged.at)}
          {acknowledged.reason && `: ${acknowledged.reason}`}
        </Typography>
      ) : (
        caution.severity === 'caution' &&
        mayAcknowledge && (
          <Stack spacing={1} sx={{ mt: 1, alignItems: 'flex-start' }}>
            <TextField
              size="small"
              label="What was checked"
              fullWidth
              value={reason}
              onChange={(event) => setReason(event.target.value)}
              slotProps={{ htmlInput: { maxLength: 500 } }}
            />
            <Button variant="outlined" color="inherit" onClick={() => void acknowledge()}>
              Acknowledge
            </Button>
          </Stack>
        )
      )}
      {problem && (
        <Typography color="error" role="alert">
          <Read>{problem}</Read>
        </Typography>
      )}
    </Box>
  )
}
