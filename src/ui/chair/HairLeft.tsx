'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useState } from 'react'
import { LIMITS, STRAND_SPOTS, type OpenRun, type StrandSpot } from '@/core/model'
import { levelsToConfirm, type LevelToConfirm, type RunScript } from '@/core/time/run'
import { SPOT_WORDS } from '@/words'
import { callApi, failureWords } from '../hooks/api'
import { NumberField } from '../parts'
import { TALL } from './look'
import type { LiveRun } from './useRun'

const keyOf = ({ stageId, zoneId, formulaId }: LevelToConfirm) => `${stageId}/${zoneId}/${formulaId}`

/** What the eye says of a zone: one level, or one for each part of its strands. */
interface Answer {
  level: number
  bands: Record<StrandSpot, number> | undefined
}

/** As proposed; along the strand only where that was read. */
function answerFor({ proposed, bands, seen }: LevelToConfirm): Answer {
  const apart = bands.some((band) => band.seen !== undefined && band.seen !== seen)
  return { level: proposed, bands: apart ? bandsOf(bands) : undefined }
}

const bandsOf = (bands: LevelToConfirm['bands']) =>
  Object.fromEntries(bands.map(({ spot, proposed }) => [spot, proposed])) as Record<StrandSpot, number>

/** What the server is told: a zone's level is the mean of its parts. */
function toldOf({ level, bands }: Answer): { level: number; bands?: { spot: StrandSpot; level: number }[] } {
  if (!bands) return { level }
  const parts = STRAND_SPOTS.map((spot) => ({ spot, level: bands[spot] }))
  return { level: parts.reduce((sum, one) => sum + one.level, 0) / parts.length, bands: parts }
}

/** One zone's hair as it came out, to be confirmed or corrected. */
function ZoneLeft({
  zone,
  answer: { level, bands },
  onAnswer,
}: {
  zone: LevelToConfirm
  answer: Answer
  onAnswer: (answer: Answer) => void
}) {
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: 'minmax(0, 1fr) 176px', alignItems: 'start', gap: 1, py: 0.5 }}
      role="group"
      aria-label={`${zone.name}, ${zone.formulaId}`}
    >
      <Typography>
        {zone.name}, {zone.formulaId}
        <Typography component="span" variant="body2" color="textSecondary" sx={{ display: 'block' }}>
          meant {zone.meant}, expected {zone.expected}
          {zone.seen !== undefined && `, seen ${zone.seen}`}
        </Typography>
        {zone.bands.length > 0 && (
          <Button
            size="small"
            color="inherit"
            sx={{ minHeight: 40, px: 0, textDecoration: 'underline' }}
            onClick={() => onAnswer({ level, bands: bands ? undefined : bandsOf(zone.bands) })}
          >
            {bands ? 'Alike from root to ends' : 'Root, middle, ends apart'}
          </Button>
        )}
      </Typography>
      <Box sx={{ display: 'flex', flexDirection: 'column', gap: 1 }}>
        {bands ? (
          STRAND_SPOTS.map((spot) => (
            <NumberField
              key={spot}
              label={`The ${SPOT_WORDS[spot]}, ${zone.name}`}
              value={bands[spot]}
              limit={LIMITS.bandLevel}
              step={0.5}
              onChange={(next) => onAnswer({ level, bands: { ...bands, [spot]: next } })}
            />
          ))
        ) : (
          <NumberField
            label={`Level, ${zone.name}`}
            value={level}
            limit={LIMITS.bandLevel}
            step={0.5}
            onChange={(next) => onAnswer({ level: next, bands })}
          />
        )}
      </Box>
    </Box>
  )
}

/**
 * The levels the hair came to, proposed from what was seen and expected; confirmed, they become the client's record.
 */
export function HairLeft({ live, open, mayRecord }: { live: LiveRun; open: OpenRun<RunScript>; mayRecord: boolean }) {
  const levels = levelsToConfirm(open, live.state)
  const [answers, setAnswers] = useState<Record<string, Answer>>({})
  const answerOf = (one: LevelToConfirm) => answers[keyOf(one)] ?? answerFor(one)
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
        levels: levels.map((one) => ({ zoneId: one.zoneId, formulaId: one.formulaId, ...toldOf(answerOf(one)) })),
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
        <ZoneLeft
          key={keyOf(one)}
          zone={one}
          answer={answerOf(one)}
          onAnswer={(answer) => setAnswers({ ...answers, [keyOf(one)]: answer })}
        />
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
