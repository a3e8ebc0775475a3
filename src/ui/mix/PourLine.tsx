'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { PourEvent } from '@/core/model'
import type { Pouring } from '@/core/product/bowls'
import { roundToTenth } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { LINE } from '../theme'
import { handAtScale, type Scale } from './useScale'

/** Below this a scale's noise and drift are taken for nothing, g. Our estimate. */
const STILL_EMPTY_G = 0.3
/** How far beyond its target a line can be drawn. Our choice. */
const BEYOND = 1.3

interface Props {
  line: Pouring['lines'][number]
  /** What the scale shows of this line, g. */
  now: number
  steady: boolean
  scale: Scale['state']
  onTake: (grams: number, source: PourEvent['source']) => void
}

/** The line in hand: how much is in, and what takes it, from the scale or by hand. */
export function PourLine({ line, now, steady, scale, onTake }: Props) {
  const { read } = useUnits()
  const inBowl = scale === 'there' ? roundToTenth(line.actual + now) : line.actual
  return (
    <>
      <Meter line={line} grams={roundToTenth(line.actual + now)} />
      <Typography sx={{ fontSize: '1.2rem', fontVariantNumeric: 'tabular-nums', textAlign: 'right', mb: 0.5 }}>
        {read(`${inBowl.toFixed(1)} of ${line.target.toFixed(1)} g`)}
      </Typography>
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
        <TakeReading now={now} steady={steady} onTake={() => onTake(now, 'scale')} />
        <TakeTyped onTake={(grams) => onTake(grams, 'typed')} />
      </Box>
      {scale === 'lost' && (
        <Alert severity="warning" sx={{ mt: 1 }}>
          The scale fell silent at {read(`${now.toFixed(1)} g`)} of this line. Nothing is lost: it goes on when the
          scale is back, or type what went in.
        </Alert>
      )}
      <HandAtScale wanted={roundToTenth(line.target - line.actual)} lost={scale === 'lost'} />
    </>
  )
}

function Meter({ line, grams }: { line: Props['line']; grams: number }) {
  const share = Math.min(BEYOND, grams / line.target)
  return (
    <Box
      sx={{ position: 'relative', height: 56, border: LINE, borderRadius: 1, overflow: 'hidden', my: 1 }}
      role="meter"
      aria-label={`${line.name} in the bowl`}
      aria-valuemin={0}
      aria-valuemax={line.target}
      aria-valuenow={grams}
    >
      <Box
        sx={{
          position: 'absolute',
          inset: 0,
          right: 'auto',
          width: `${(100 * share) / BEYOND}%`,
          bgcolor: share > 1.02 ? 'warning.main' : 'text.primary',
          opacity: 0.75,
        }}
      />
      <Box
        sx={{
          position: 'absolute',
          top: 0,
          bottom: 0,
          left: `${100 / BEYOND}%`,
          borderLeft: '3px solid',
          borderColor: 'text.primary',
        }}
      />
    </Box>
  )
}

function TakeReading({ now, steady, onTake }: { now: number; steady: boolean; onTake: () => void }) {
  const { read } = useUnits()
  const there = now > STILL_EMPTY_G
  return (
    <Button variant="contained" disabled={!there || !steady} onClick={onTake} sx={{ minHeight: 52, minWidth: 150 }}>
      {there ? (steady ? read(`Take ${now.toFixed(1)} g`) : 'settling…') : 'nothing poured yet'}
    </Button>
  )
}

function TakeTyped({ onTake }: { onTake: (grams: number) => void }) {
  const [typed, setTyped] = useState('')
  const mass = useUnits().field('g')
  const number = Number(typed.replace(',', '.'))
  function take() {
    if (!(number > 0)) return
    onTake(mass.kept(number))
    setTyped('')
  }
  return (
    <>
      <TextField
        size="small"
        label={`Or type what went in, ${mass.unit}`}
        value={typed}
        slotProps={{ htmlInput: { inputMode: 'decimal' } }}
        onChange={({ target }) => setTyped(target.value)}
        onKeyDown={({ key }) => key === 'Enter' && take()}
        sx={{ width: 210 }}
      />
      <Button variant="outlined" color="inherit" disabled={!(number > 0)} onClick={take}>
        Take
      </Button>
    </>
  )
}

/** The hand at the simulated scale, which a real one would not need. */
function HandAtScale({ wanted, lost }: { wanted: number; lost: boolean }) {
  const release = () => void handAtScale('stop')
  return (
    <Box
      sx={{
        mt: 1.5,
        p: 1,
        border: '1px dashed',
        borderColor: 'divider',
        borderRadius: 1,
        display: 'flex',
        gap: 1,
        alignItems: 'center',
        flexWrap: 'wrap',
      }}
    >
      <Typography variant="caption" color="textSecondary">
        Simulated hand:
      </Typography>
      <Button
        variant="outlined"
        color="inherit"
        disabled={lost}
        onPointerDown={() => void handAtScale('pour')}
        onPointerUp={release}
        onPointerLeave={release}
      >
        Hold to pour
      </Button>
      <Button
        variant="outlined"
        color="inherit"
        disabled={lost}
        onClick={() => void handAtScale('pour', Math.max(0.1, wanted - 0.5))}
      >
        Pour what is asked
      </Button>
      <Button color="inherit" onClick={() => void handAtScale(lost ? 'plug' : 'unplug')}>
        {lost ? 'Plug it in again' : 'Pull the plug'}
      </Button>
    </Box>
  )
}
