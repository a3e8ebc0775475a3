'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import {
  isLightener,
  LIMITS,
  TONES,
  USUAL_ROOT_CM,
  type More as MoreAsked,
  type MorePlace,
  type RunFormula,
  type Tone,
} from '@/core/model'
import { failureWords } from '../hooks/api'
import { NumberField } from '../parts'
import { TALL } from './look'

const PLACES: Record<MorePlace, string> = {
  everything: 'All of the hair',
  root: 'The root',
  lightened: 'What was lightened',
}
const NOTHING_TO_MIX =
  'This visit has no colour to mix it like. Lightener is planned on the Map page, with its cautions.'

interface Props {
  formulas: readonly RunFormula[]
  /** @throws what the server says against it */
  add: (more: MoreAsked) => Promise<void>
  onClose: () => void
}

/** One thing more in a visit that goes on: where it goes, what it is mixed like, and what it is to show. */
export function More({ formulas, add, onClose }: Props) {
  const colours = formulas.filter(({ kind }) => kind !== undefined && !isLightener(kind))
  const [place, setPlace] = useState<MorePlace>('root')
  const [like, setLike] = useState(colours.at(-1))
  const [level, setLevel] = useState(like?.level ?? 5)
  const [tone, setTone] = useState<Tone>(like?.tone ?? 'neutral')
  const [bandCm, setBandCm] = useState(USUAL_ROOT_CM)
  const [failure, setFailure] = useState<unknown>()
  const [busy, setBusy] = useState(false)

  const choose = (formula: RunFormula) => {
    setLike(formula)
    setLevel(formula.level ?? level)
    setTone(formula.tone ?? tone)
  }

  async function put() {
    setBusy(true)
    try {
      await add({ place, like: like!.id, level, tone, ...(place === 'root' && { bandCm }) })
      onClose()
    } catch (error) {
      setFailure(error)
      setBusy(false)
    }
  }

  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="more-title">
      <DialogTitle id="more-title">Put on something more</DialogTitle>
      <DialogContent sx={{ display: 'grid', gap: 2 }}>
        {!like && <Alert severity="info">{NOTHING_TO_MIX}</Alert>}
        {like && (
          <>
            <Choice label="Where" of={places} chosen={place} words={(one) => PLACES[one]} onChoose={setPlace} />
            {place === 'root' && (
              <NumberField
                label="From the scalp"
                value={bandCm}
                limit={LIMITS.bandCm}
                step={0.5}
                onChange={setBandCm}
              />
            )}
            <Choice
              label="Mixed like"
              of={colours}
              chosen={like}
              words={({ id, product }) => `${id} · ${product}`}
              onChoose={choose}
            />
            <NumberField
              label="Level it shows"
              value={level}
              limit={LIMITS.targetLevel}
              step={0.5}
              onChange={setLevel}
            />
            <Choice label="Tone" of={TONES} chosen={tone} words={(one) => one} onChoose={setTone} />
            <Typography variant="body2" color="textSecondary">
              It comes after what is on now, under a letter of its own; every device gets its steps, and the record says
              it. Product directions and what was agreed with the client hold for it as for the rest.
            </Typography>
          </>
        )}
        {failure !== undefined && <Alert severity="warning">{failureWords(failure)}</Alert>}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" sx={TALL} onClick={onClose}>
          Cancel
        </Button>
        {like && (
          <Button variant="contained" sx={TALL} loading={busy} onClick={() => void put()}>
            Add it to the visit
          </Button>
        )}
      </DialogActions>
    </Dialog>
  )
}

const places = Object.keys(PLACES) as MorePlace[]

interface ChoiceProps<One> {
  label: string
  of: readonly One[]
  chosen: One
  words: (one: One) => string
  onChoose: (one: One) => void
}

/** One of a few, as buttons for gloved hands. */
function Choice<One>({ label, of, chosen, words, onChoose }: ChoiceProps<One>) {
  return (
    <Box role="group" aria-label={label}>
      <Typography>{label}</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, mt: 0.5 }}>
        {of.map((one) => (
          <Button
            key={words(one)}
            variant={one === chosen ? 'contained' : 'outlined'}
            color={one === chosen ? 'primary' : 'inherit'}
            aria-pressed={one === chosen}
            sx={{ minHeight: 48 }}
            onClick={() => onChoose(one)}
          >
            {words(one)}
          </Button>
        ))}
      </Box>
    </Box>
  )
}
