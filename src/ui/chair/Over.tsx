'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useEffect, useState } from 'react'
import { gramsByFormula } from '@/core/product/bowls'
import { type MixRecord, type OpenRun } from '@/core/model'
import { runOutcome, type RunScript } from '@/core/time/run'
import { roundToTenth } from '@/core/units'
import { SPOT_WORDS, taskWords } from '@/words'
import { duration } from '../clock/words'
import { callApi } from '../hooks/api'
import { Read } from '../parts'
import { HairLeft } from './HairLeft'
import { TALLEST } from './look'
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
  const { planned, actual, steps, levels, pieces } = runOutcome(open.script, live.state)
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
      {pieces.map(({ about, unplanned, leftOut }) => (
        <Typography key={about} variant="body2">
          {about}: {changedWords(unplanned, leftOut)}
        </Typography>
      ))}
      {levels.map(({ about, seen, spot, minute, expected }, i) => (
        <Typography key={i} variant="body2">
          {about}: seen {seen}
          {spot && ` at the ${SPOT_WORDS[spot]}`} after {duration(minute)}
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

type Unplanned = ReturnType<typeof runOutcome>['pieces'][number]['unplanned']

/** Pieces beside the plan, in words. */
const changedWords = (unplanned: Unplanned, leftOut: number): string =>
  [
    ...unplanned.map(({ place, grams }) => `one not planned${place && ` (${place})`}${grams ? `, ${grams} g` : ''}`),
    ...(leftOut > 0 ? [`${leftOut} left out`] : []),
  ].join('; ')

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
