'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useEffect, useRef, useState } from 'react'
import { v7 as newId } from 'uuid'
import {
  corrected,
  describeStep,
  madeOf,
  nextTarget,
  poured,
  pouringOf,
  withDeveloper,
  type Pouring,
} from '@/core/product/bowls'
import type { MixRecord, PourEvent } from '@/core/model'
import { roundToTenth } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { callApi, OfflineError } from '../hooks/api'
import { usePlan } from '../map/context'
import { LINE } from '../theme'
import { handAtScale, useScale } from './useScale'

interface Props {
  id: string
  bowl: number
  onClose: () => void
  onMessage: (message: string) => void
}

/**
 * A bowl that is being weighed, as this device keeps it: what was poured, and what of that the server has yet to hear.
 */
interface Kept {
  mixId: string
  /** Whether the server knows of the bowl. */
  begun: boolean
  pouring: Pouring
  unsent: PourEvent[]
  /** What the scale showed when the line in hand was begun; what it showed first, where nothing was poured yet. */
  from?: number
}

/** Below this a scale's noise and drift are taken for nothing, g. Our estimate. */
const STILL_EMPTY_G = 0.3

/** What is added at a time to a bowl that has thickened, g. Our estimate. */
const THINNING_G = 5

const keptKey = (planId: string, id: string, bowl: number) => `falto-bowl-${planId}-${id}-${bowl}`

function restore(key: string): Kept | undefined {
  const text = localStorage.getItem(key)
  return text ? (JSON.parse(text) as Kept) : undefined
}

/**
 * One bowl on the scale: what to pour next, how much is in, and what an overshoot led to. Typing works without a scale.
 */
export function WeighDialog({ id, bowl: number, onClose, onMessage }: Props) {
  const planId = usePlan((state) => state.id)
  const bowl = usePlan(
    (state) => state.judged!.figures.mix.find(({ formulaId }) => formulaId === id)!.bowls[number - 1]!,
  )
  const name = usePlan((state) => state.document.formulas.find((formula) => formula.id === id)!.name)
  const key = keptKey(planId, id, number)
  const [kept, setKept] = useState<Kept>(
    () => restore(key) ?? { mixId: newId(), begun: false, pouring: pouringOf(bowl.parts), unsent: [] },
  )
  const [typed, setTyped] = useState('')
  const [trouble, setTrouble] = useState<string>()
  const [ending, setEnding] = useState(false)
  const { reading, first, state } = useScale()
  const { read, field } = useUnits()
  const mass = field('g')
  const zero = kept.from ?? first ?? 0
  /**
   * The newest state, for what is sent after something else was; and the sending in hand, which the next one waits for.
   */
  const latest = useRef(kept)
  const sending = useRef<Promise<unknown>>(Promise.resolve())
  const at = nextTarget(kept.pouring)
  const line = kept.pouring.lines[at]
  const now = reading ? roundToTenth(Math.max(0, reading.grams - zero)) : 0
  const wanted = line ? roundToTenth(line.target - line.actual) : 0

  function keep(next: Kept) {
    localStorage.setItem(key, JSON.stringify(next))
    latest.current = next
    setKept(next)
  }

  /**
   * Tells the server what it has not heard, one sending after the other; what cannot be sent stays on this device and
   * goes with the next try.
   */
  function send(end?: 'done' | 'abandoned'): Promise<MixRecord['state'] | undefined> {
    const sent = sending.current.then(() => sendLatest(end))
    sending.current = sent
    return sent
  }

  async function sendLatest(end?: 'done' | 'abandoned'): Promise<MixRecord['state'] | undefined> {
    const { begun, mixId, pouring, unsent } = latest.current
    try {
      if (!begun)
        await callApi(`/api/plans/${planId}/mixes`, 'POST', {
          id: mixId,
          formulaId: id,
          bowl: number,
          planned: pouring.lines.map(({ name: part, productId, role, grams }) => ({
            name: part,
            productId: productId ?? null,
            role,
            grams,
          })),
        })
      const { state: became } = await callApi<{ state: MixRecord['state'] }>(`/api/mixes/${mixId}/pours`, 'POST', {
        events: unsent,
        ...(end && { end }),
      })
      const heard = new Set(unsent.map((event) => event.id))
      setTrouble(undefined)
      keep({ ...latest.current, begun: true, unsent: latest.current.unsent.filter((event) => !heard.has(event.id)) })
      return became
    } catch (error) {
      setTrouble(
        error instanceof OfflineError
          ? 'Falto cannot be reached. The bowl is kept on this device; weigh on.'
          : error instanceof Error
            ? error.message
            : 'That did not work. Try again.',
      )
      return undefined
    }
  }

  function log(pouring: Pouring, event: Omit<PourEvent, 'id'>, from = zero) {
    keep({ ...latest.current, pouring, from, unsent: [...latest.current.unsent, { id: newId(), ...event }] })
    void send()
  }

  /** Takes what lies on the scale as the line in hand. */
  function takeReading() {
    if (at < 0 || !reading) return
    log(poured(kept.pouring, at, now), { kind: 'poured', line: at, grams: now, source: 'scale' }, reading.grams)
  }

  function takeTyped() {
    const grams = mass.kept(Number(typed.replace(',', '.')))
    if (at < 0 || !(grams > 0)) return
    log(poured(kept.pouring, at, grams), { kind: 'poured', line: at, grams, source: 'typed' }, reading?.grams ?? zero)
    setTyped('')
  }

  // The scale went or came: that is part of the bowl's log, with what it showed last.
  const before = useRef(state)
  useEffect(() => {
    const was = before.current
    before.current = state
    if (was === 'there' && state === 'lost')
      log(kept.pouring, { kind: 'lost', line: Math.max(0, at), grams: now, source: 'scale' })
    else if (was === 'lost' && state === 'there')
      log(kept.pouring, { kind: 'back', line: Math.max(0, at), grams: now, source: 'scale' })
  })

  async function end(how: 'done' | 'abandoned') {
    setEnding(true)
    const became = await send(how)
    setEnding(false)
    if (!became) return
    localStorage.removeItem(key)
    onMessage(
      became === 'done'
        ? `Bowl ${number} of ${name} is mixed; the shelf is counted down.`
        : `Bowl ${number} was given up; the shelf stays as it is.`,
    )
    onClose()
  }

  const { verdict } = kept.pouring
  const made = madeOf(kept.pouring, bowl.vol)
  const developerLine = kept.pouring.lines.findIndex(({ role }) => role === 'developer')
  const share = line ? Math.min(1.3, (line.actual + now) / line.target) : 0
  const ready = reading?.steady === true && now > STILL_EMPTY_G
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="weigh-title">
      <DialogTitle id="weigh-title" sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Box sx={{ flex: 1 }}>
          Formula {id}, bowl {number}: {read(`${bowl.grams} g`)}
        </Box>
        <Chip
          size="small"
          color={state === 'lost' ? 'warning' : 'default'}
          label={state === 'there' ? 'scale: simulated' : state === 'lost' ? 'scale: silent' : 'looking for the scale'}
        />
      </DialogTitle>
      <DialogContent>
        {trouble && <Alert severity="warning">{trouble}</Alert>}
        <Typography role="status" sx={{ fontSize: '1.6rem', fontWeight: 600 }}>
          {read(describeStep(kept.pouring))}
        </Typography>
        {line && (
          <>
            <Box
              sx={{ position: 'relative', height: 56, border: LINE, borderRadius: 1, overflow: 'hidden', my: 1 }}
              role="meter"
              aria-label={`${line.name} in the bowl`}
              aria-valuemin={0}
              aria-valuemax={line.target}
              aria-valuenow={roundToTenth(line.actual + now)}
            >
              <Box
                sx={{
                  position: 'absolute',
                  inset: 0,
                  right: 'auto',
                  width: `${(100 * share) / 1.3}%`,
                  bgcolor: share > 1.02 ? 'warning.main' : 'text.primary',
                  opacity: 0.75,
                }}
              />
              <Box
                sx={{
                  position: 'absolute',
                  top: 0,
                  bottom: 0,
                  left: `${100 / 1.3}%`,
                  borderLeft: '3px solid',
                  borderColor: 'text.primary',
                }}
              />
            </Box>
            <Typography sx={{ fontSize: '1.2rem', fontVariantNumeric: 'tabular-nums', textAlign: 'right', mb: 0.5 }}>
              {read(
                `${(state === 'there' ? roundToTenth(line.actual + now) : line.actual).toFixed(1)} of ${line.target.toFixed(1)} g`,
              )}
            </Typography>
            <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap', alignItems: 'center' }}>
              <Button variant="contained" disabled={!ready} onClick={takeReading} sx={{ minHeight: 52, minWidth: 150 }}>
                {ready
                  ? read(`Take ${now.toFixed(1)} g`)
                  : reading && now > STILL_EMPTY_G
                    ? 'settling…'
                    : 'nothing poured yet'}
              </Button>
              <TextField
                size="small"
                label={`Or type what went in, ${mass.unit}`}
                value={typed}
                slotProps={{ htmlInput: { inputMode: 'decimal' } }}
                onChange={({ target }) => setTyped(target.value)}
                onKeyDown={({ key: pressed }) => pressed === 'Enter' && takeTyped()}
                sx={{ width: 210 }}
              />
              <Button
                variant="outlined"
                color="inherit"
                disabled={!(Number(typed.replace(',', '.')) > 0)}
                onClick={takeTyped}
              >
                Take
              </Button>
            </Box>
            {state === 'lost' && (
              <Alert severity="warning" sx={{ mt: 1 }}>
                The scale fell silent at {read(`${now.toFixed(1)} g`)} of this line. Nothing is lost: it goes on when
                the scale is back, or type what went in.
              </Alert>
            )}
            <HandAtScale wanted={wanted} lost={state === 'lost'} />
          </>
        )}
        {'words' in verdict && (
          <Alert severity={verdict.kind === 'kept' ? 'info' : 'warning'} sx={{ mt: 1.5 }}>
            {read(verdict.words)}
          </Alert>
        )}
        <Box
          component="table"
          sx={{
            width: '100%',
            mt: 2,
            borderCollapse: 'collapse',
            '& td, & th': { borderTop: LINE, py: 0.5, fontVariantNumeric: 'tabular-nums' },
            '& td + td, & th + th': { textAlign: 'right' },
            '& th': { fontWeight: 400, fontSize: '0.8rem', textAlign: 'left' },
          }}
        >
          <thead>
            <tr>
              <th>in turn</th>
              <th>planned</th>
              <th>now</th>
              <th>in the bowl</th>
            </tr>
          </thead>
          <tbody>
            {kept.pouring.lines.map((one, i) => (
              <Box
                component="tr"
                key={`${one.name}-${i}`}
                sx={i === at ? { bgcolor: 'action.selected', fontWeight: 600 } : undefined}
              >
                <td>{read(one.name)}</td>
                <td>{mass.fixed(one.grams)}</td>
                <td>{mass.fixed(one.target)}</td>
                <td>
                  <InBowl
                    line={one.name}
                    value={one.actual}
                    onCorrect={(grams) =>
                      log(corrected(kept.pouring, i, grams), { kind: 'corrected', line: i, grams, source: 'typed' })
                    }
                  />
                </td>
              </Box>
            ))}
          </tbody>
        </Box>
        {made && (
          <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mt: 1 }}>
            <Typography>
              In the bowl: <b>1 : {Math.round(100 * made.ratio) / 100}</b>,{' '}
              <b>{roundToTenth(made.peroxidePercent)} %</b> peroxide
            </Typography>
            {at < 0 && developerLine >= 0 && (
              <Button
                color="inherit"
                variant="outlined"
                onClick={() =>
                  log(withDeveloper(kept.pouring, developerLine, THINNING_G), {
                    kind: 'poured',
                    line: developerLine,
                    grams: THINNING_G,
                    source: 'typed',
                  })
                }
              >
                Thickened: {read(`${THINNING_G} g`)} more developer
              </Button>
            )}
          </Box>
        )}
        <Typography variant="caption" color="textSecondary">
          Every pour is kept at once, also without the network; a reload goes on where it was.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" disabled={ending} onClick={() => void end('abandoned')}>
          Give this bowl up
        </Button>
        <Button color="inherit" onClick={onClose}>
          Later
        </Button>
        <Button
          variant="contained"
          disabled={ending || kept.pouring.lines.every(({ actual }) => actual === 0)}
          onClick={() => void end('done')}
        >
          {verdict.kind === 'done' || at < 0 ? 'Mixed' : 'Mixed as it is'}
        </Button>
      </DialogActions>
    </Dialog>
  )
}

/** What is in of one line; can be put right by hand. */
function InBowl({ line, value, onCorrect }: { line: string; value: number; onCorrect: (grams: number) => void }) {
  const { read, field } = useUnits()
  const { unit, shown, kept, fixed } = field('g')
  const [text, setText] = useState<string>()
  if (text === undefined)
    return (
      <Button
        size="small"
        color="inherit"
        aria-label={read(`${line}: ${value.toFixed(1)} g in the bowl, correct it`)}
        onClick={() => setText(String(shown(value)))}
        sx={{ fontVariantNumeric: 'tabular-nums', minHeight: 40 }}
      >
        {fixed(value)}
      </Button>
    )
  const commit = () => {
    const typed = Number(text.replace(',', '.'))
    // What was only looked at stays to the tenth of a gram, also where ounces show less of it.
    if (typed >= 0 && typed !== shown(value) && roundToTenth(kept(typed)) !== value)
      onCorrect(roundToTenth(kept(typed)))
    setText(undefined)
  }
  return (
    <TextField
      size="small"
      autoFocus
      value={text}
      onChange={({ target }) => setText(target.value)}
      onBlur={commit}
      onKeyDown={({ key }) => (key === 'Enter' ? commit() : key === 'Escape' && setText(undefined))}
      slotProps={{ htmlInput: { inputMode: 'decimal', 'aria-label': `${line}, ${unit} in the bowl` } }}
      sx={{ width: 96 }}
    />
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
