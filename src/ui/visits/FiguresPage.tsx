'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useState } from 'react'
import type { Factor, Job, Learned, LearningChoice } from '@/core/record/learning'
import { callApi } from '../hooks/api'
import { useAttempt } from '../hooks/useAttempt'
import { LINE } from '../theme'
import { dateInWords, WORDS } from '../words'
import { Course } from './Course'
import { LogBar } from './LogBar'
import { FACTOR_WORDS } from './words'

interface Props {
  learned: Learned
}

/** One's own figures: how much one uses, how fast one works, how hair lifts, and which jobs say so. */
export function FiguresPage({ learned: { factors, excluded, people, me } }: Props) {
  const { attempt, problem: error } = useAttempt()
  const choose = (kind: LearningChoice, about: string) =>
    attempt(() => callApi('/api/learning', 'POST', { kind, about }))
  const own = factors.filter(({ who }) => who === me)
  return (
    <Box>
      <LogBar here="/log/figures" />
      <Box sx={{ maxWidth: 900, mx: 'auto', p: { xs: 1.5, md: 3 }, display: 'grid', gap: 2 }}>
        {error && <Alert severity="error">{error}</Alert>}
        <Typography color="textSecondary">
          Learned from visits that were weighed, timed and looked at. 1 is what Falto starts with; the range holds the
          true figure in four cases of five. New plans can be made with them.
        </Typography>
        {own.length === 0 && (
          <Typography>
            Nothing is learned of you yet: weigh your bowls, carry a visit out at the chair, and tell what was left
            over.
          </Typography>
        )}
        {own.map((factor) => (
          <FactorCard
            key={`${factor.of} ${factor.context}`}
            factor={factor}
            others={factors.filter(
              ({ who, of, context }) => who !== me && of === factor.of && context === factor.context,
            )}
            nameOf={(id) => people.find((one) => one.id === id)?.name ?? 'Somebody'}
            onChoose={(kind, about) => void choose(kind, about)}
          />
        ))}
        {excluded.length > 0 && (
          <Paper variant="outlined" component="section" aria-label="Left out" sx={{ p: 2 }}>
            <Typography component="h2" sx={{ fontWeight: 700 }}>
              Left out
            </Typography>
            {excluded.map((job) => (
              <JobRow
                key={job.id}
                job={job}
                weight={0}
                action="Take in again"
                onAct={() => void choose('include', job.id)}
              />
            ))}
          </Paper>
        )}
      </Box>
    </Box>
  )
}

const contextWords = ({ of, context }: Pick<Factor, 'of' | 'context'>): string =>
  of === 'pace' ? WORDS.take[context as keyof typeof WORDS.take] : WORDS.product[context as keyof typeof WORDS.product]

const times = (value: number): string => value.toFixed(2)

interface CardProps {
  factor: Factor
  others: readonly Factor[]
  nameOf: (id: string) => string
  onChoose: (kind: LearningChoice, about: string) => void
}

function FactorCard({ factor, others, nameOf, onChoose }: CardProps) {
  const { of, context, mean, low, high, jobs } = factor
  const [isOpen, setOpen] = useState(false)
  const { name, help } = FACTOR_WORDS[of]
  return (
    <Paper variant="outlined" component="section" aria-label={`${name}, ${contextWords(factor)}`} sx={{ p: 2 }}>
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'baseline' }}>
        <Typography component="h2" sx={{ fontWeight: 700, flex: 1 }}>
          {name}, {contextWords(factor)}
        </Typography>
        <Typography>
          {jobs.length} {jobs.length === 1 ? 'job' : 'jobs'}: {times(mean)} of the usual ({times(low)}–{times(high)})
        </Typography>
      </Box>
      <Typography variant="body2" color="textSecondary">
        {help}
      </Typography>
      <Range factor={factor} />
      {others.map((other) => (
        <Typography key={other.who} variant="body2">
          {nameOf(other.who)}: {times(other.mean)} ({times(other.low)}–{times(other.high)}), {other.jobs.length}{' '}
          {other.jobs.length === 1 ? 'job' : 'jobs'}
        </Typography>
      ))}
      <Box
        component="details"
        sx={{ mt: 1 }}
        onToggle={(event) => setOpen((event.currentTarget as HTMLDetailsElement).open)}
      >
        <summary>What it rests on</summary>
        {isOpen && <Course factor={factor} others={others} />}
        {jobs.slice(0, NEWEST).map(({ job, weight }) => (
          <JobRow key={job.id} job={job} weight={weight} action="Leave out" onAct={() => onChoose('exclude', job.id)} />
        ))}
        {jobs.length > NEWEST && <Typography variant="body2">and {jobs.length - NEWEST} earlier ones</Typography>}
        <Button color="inherit" sx={{ mt: 1 }} onClick={() => onChoose('reset', `${of} ${context}`)}>
          Begin this figure anew
        </Button>
      </Box>
    </Paper>
  )
}

/** Newest jobs that are shown. Our choice. */
const NEWEST = 40

/** From and to of the strip a range is drawn on, × the usual. Our choice. */
const STRIP = { from: 0.5, to: 2 } as const
const placeOf = (value: number): number =>
  (100 * Math.log(Math.min(STRIP.to, Math.max(STRIP.from, value)) / STRIP.from)) / Math.log(STRIP.to / STRIP.from)

/** The range and the jobs on a strip from half the usual to twice of it. */
function Range({ factor: { mean, low, high, jobs } }: { factor: Factor }) {
  return (
    <Box
      role="img"
      aria-label={`${times(mean)} of the usual, from ${times(low)} to ${times(high)}`}
      sx={{ position: 'relative', height: 34, my: 1, '& > *': { position: 'absolute' } }}
    >
      <Box sx={{ left: 0, right: 0, top: 16, borderTop: LINE }} />
      <Box sx={{ left: `${placeOf(1)}%`, top: 4, height: 24, borderLeft: '2px solid', borderColor: 'text.disabled' }} />
      <Box
        sx={{
          left: `${placeOf(low)}%`,
          width: `${placeOf(high) - placeOf(low)}%`,
          top: 11,
          height: 10,
          bgcolor: 'text.primary',
          opacity: 0.75,
          borderRadius: 1,
        }}
      />
      {jobs.slice(0, NEWEST).map(({ job: { id, planned, actual }, weight }) => (
        <Box
          key={id}
          sx={{
            left: `calc(${placeOf(actual / planned)}% - 4px)`,
            top: 12,
            width: 8,
            height: 8,
            borderRadius: '50%',
            border: '2px solid',
            borderColor: 'text.primary',
            bgcolor: weight > 0.5 ? 'background.paper' : 'transparent',
            opacity: weight > 0.5 ? 1 : 0.4,
          }}
        />
      ))}
    </Box>
  )
}

interface JobProps {
  job: Job
  weight: number
  action: string
  onAct: () => void
}

function JobRow({ job: { visitId, on, planned, actual }, weight, action, onAct }: JobProps) {
  const round = (value: number) => Math.round(10 * value) / 10
  return (
    <Box sx={{ display: 'flex', gap: 1, alignItems: 'center', borderTop: LINE, py: 0.5 }}>
      <Typography variant="body2" sx={{ flex: 1 }}>
        <Link href={`/visits/${visitId}`} style={{ color: 'inherit' }}>
          {dateInWords(on)}
        </Link>
        : {round(actual)} where {round(planned)} was usual, {times(actual / planned)}
        {weight > 0 && weight < 0.95 && `, counts ${Math.round(100 * weight)} %`}
      </Typography>
      <Button color="inherit" size="small" onClick={onAct}>
        {action}
      </Button>
    </Box>
  )
}
