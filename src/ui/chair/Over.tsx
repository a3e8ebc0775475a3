'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useEffect, useState } from 'react'
import { gramsByFormula } from '@/core/product/bowls'
import { LIMITS, type MixRecord, type OpenRun } from '@/core/model'
import { levelsToConfirm, runOutcome, type RunScript } from '@/core/time/run'
import { roundToTenth } from '@/core/units'
import { duration, taskWords } from '../clock/words'
import { callApi, failureWords } from '../hooks/api'
import { NumberField, Read } from '../parts'
import { TALLEST, TALL } from './look'
import type { LiveRun } from './useRun'

const PLAIN = {
  width: '100%',
  borderCollapse: 'collapse',
  my: 1,
  '& td, & th': { textAlign: 'left', py: 0.25, fontVariantNumeric: 'tabular-nums' },
  '& td + td, & th + th': { textAlign: 'right' },
} as const

/** The end of a visit: planned against what came of it, and the hair it left, for the eye to confirm. */
export function Over({
  live,
  open,
  mayTell,
  mayRecord,
}: {
  live: LiveRun
  open: OpenRun<RunScript>
  mayTell: boolean
  mayRecord: boolean
}) {
  const { planned, actual, steps, levels } = runOutcome(open.script, live.state)
  const ended = live.state.endedAt !== undefined
  return (
    <Box
      component="section"
      aria-label="Next step"
      sx={{ p: 2, border: '2px solid', borderColor: 'text.primary', borderRadius: 1, bgcolor: 'background.paper' }}
    >
      <Typography sx={{ fontSize: '1.7rem', fontWeight: 600 }}>
        {ended ? 'This visit is over.' : 'All steps are done.'}
      </Typography>
      {!ended && mayTell && (
        <Button variant="contained" sx={{ ...TALLEST, my: 2 }} fullWidth onClick={() => live.tell({ kind: 'ended' })}>
          End the visit
        </Button>
      )}
      {ended && <HairLeft live={live} open={open} mayRecord={mayRecord} />}
      <Typography sx={{ mt: 1 }}>
        Planned {duration(planned)}
        {actual !== null && `, took ${duration(actual)}`}.
      </Typography>
      <Box component="table" sx={PLAIN}>
        <thead>
          <tr>
            <th>Step</th>
            <th>planned</th>
            <th>took</th>
          </tr>
        </thead>
        <tbody>
          {steps.map((step) => (
            <tr key={step.id}>
              <td>{taskWords(step)}</td>
              <td>{duration(step.planned)}</td>
              <td>{step.skipped ? 'skipped' : step.actual === null ? '–' : duration(step.actual)}</td>
            </tr>
          ))}
        </tbody>
      </Box>
      {ended && <Grams planId={open.planId} />}
      {levels.map(({ about, seen, minute, expected }, i) => (
        <Typography key={i} variant="body2">
          {about}: seen {seen} after {duration(minute)}
          {expected && `, expected ${roundToTenth(expected.low)}–${roundToTenth(expected.high)} when it comes out`}
        </Typography>
      ))}
      <Typography sx={{ mt: 1 }}>
        <Link href={`/plans/${open.planId}`} style={{ color: 'inherit' }}>
          Back to the plan
        </Link>
      </Typography>
    </Box>
  )
}

/** What was weighed for this visit against what was planned. */
function Grams({ planId }: { planId: string }) {
  const [mixes, setMixes] = useState<MixRecord[]>([])
  useEffect(() => {
    // Without a network there is nothing to show, and nothing is lost.
    callApi<{ mixes: MixRecord[] }>(`/api/plans/${planId}/mixes`).then(
      (answer) => setMixes(answer.mixes),
      () => {},
    )
  }, [planId])
  const grams = gramsByFormula(mixes)
  return grams.map(({ formulaId, planned, weighed }) => (
    <Typography key={formulaId} variant="body2">
      <Read>{`${formulaId}: ${weighed} g weighed, ${planned} g planned`}</Read>
    </Typography>
  ))
}

const keyOf = ({ stageId, zoneId, formulaId }: { stageId: string; zoneId: string; formulaId: string }) =>
  `${stageId}/${zoneId}/${formulaId}`

/**
 * The levels the hair came to, proposed from what was seen and expected; confirmed, they become the client's record.
 */
function HairLeft({ live, open, mayRecord }: { live: LiveRun; open: OpenRun<RunScript>; mayRecord: boolean }) {
  const levels = levelsToConfirm(open, live.state)
  const [changed, setChanged] = useState<Record<string, number>>({})
  const [done, setDone] = useState<'no' | 'going' | 'yes'>(open.recorded ? 'yes' : 'no')
  const [problem, setProblem] = useState<string>()
  const toClient = (
    <Link href={`/people/${open.client.id}/consultation`} style={{ color: 'inherit' }}>
      {open.client.name}’s record
    </Link>
  )
  if (done === 'yes') return <Alert severity="success">The hair this visit left is in {toClient}.</Alert>
  if (!mayRecord)
    return <Alert severity="info">A colourist confirms what the hair came to; then it goes into {toClient}.</Alert>

  async function record() {
    setDone('going')
    setProblem(undefined)
    try {
      const on = new Date(live.now()).toLocaleDateString('en-CA')
      await callApi(`/api/runs/${open.id}/hair`, 'POST', {
        on,
        levels: levels.map((one) => ({
          zoneId: one.zoneId,
          formulaId: one.formulaId,
          level: changed[keyOf(one)] ?? one.proposed,
        })),
      })
      setDone('yes')
    } catch (error) {
      setProblem(failureWords(error))
      setDone('no')
    }
  }

  return (
    <Box component="section" aria-label="The hair now" sx={{ my: 1.5 }}>
      <Typography variant="h2">What the hair came to</Typography>
      <Typography sx={{ mb: 1 }}>
        Proposed from what was seen, else from the time it had. Look at the dry hair and correct it; then it becomes the
        record that the next plan starts from.
      </Typography>
      {levels.map((one) => (
        <Box
          key={keyOf(one)}
          sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) 176px', alignItems: 'center', gap: 1, py: 0.5 }}
        >
          <Typography>
            {one.name}, {one.formulaId}
            <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
              meant {one.meant}, expected {one.expected}
              {one.seen !== undefined && `, seen ${one.seen}`}
            </Typography>
          </Typography>
          <NumberField
            label={`Level, ${one.name}`}
            value={changed[keyOf(one)] ?? one.proposed}
            limit={LIMITS.bandLevel}
            step={0.5}
            onChange={(level) => setChanged({ ...changed, [keyOf(one)]: level })}
          />
        </Box>
      ))}
      {levels.length === 0 && (
        <Typography>Nothing was lightened; what was coloured is taken to have come out as meant.</Typography>
      )}
      {problem && (
        <Alert severity="error" sx={{ my: 1 }}>
          {problem}
        </Alert>
      )}
      <Button
        variant="contained"
        sx={{ ...TALL, mt: 1 }}
        fullWidth
        disabled={done === 'going' || live.unsent > 0}
        onClick={() => void record()}
      >
        {live.unsent > 0 ? 'Waits until all is sent' : 'This is the hair now'}
      </Button>
    </Box>
  )
}
