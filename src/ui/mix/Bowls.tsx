'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Chip from '@mui/material/Chip'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { splitExactly } from '@/core/product/formula'
import type { BowlOption, MixedBowl } from '@/core/product/bowls'
import type { MixRecord } from '@/core/model'
import { roundToTenth } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { usePlan, usePlanStore } from '../map/context'
import { Choice, Grams, Read } from '../parts'
import { LINE } from '../theme'
import { editFormula } from './context'

interface Props {
  id: string
  mixes: MixRecord[]
  mayMix: boolean
  onWeigh: (bowl: number) => void
}

const SCALES = { half: 0.5, whole: 1, double: 2 } as const

/** A formula's bowls in the order in which they are mixed, and the choice between large and fresh. */
export function Bowls({ id, mixes, mayMix, onWeigh }: Props) {
  const mix = usePlan((state) => state.judged?.figures.mix.find(({ formulaId }) => formulaId === id))
  const grams = usePlan((state) => state.answer?.figures.grams[id])
  const [scale, setScale] = useState<keyof typeof SCALES>('whole')
  if (!mix || !grams) return <Typography sx={{ p: 2 }}>Working it out…</Typography>
  if (mix.bowls.length === 0)
    return (
      <Alert severity="info" sx={{ m: 2 }}>
        No zone uses formula {id} yet. Put it into a row rhythm on the map, and its bowls stand here.
      </Alert>
    )
  return (
    <Box component="section" aria-label="Bowls" sx={{ p: 2 }}>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mb: 1 }}>
        <Typography component="h2" sx={{ fontWeight: 600 }}>
          Bowls
        </Typography>
        <Typography>
          <Grams {...grams} />
        </Typography>
      </Box>
      <Options id={id} options={mix.options} />
      <Box sx={{ my: 1 }}>
        <Choice
          label="Mix"
          value={scale}
          options={[
            { value: 'half', label: 'half' },
            { value: 'whole', label: 'as planned' },
            { value: 'double', label: 'double' },
          ]}
          onChange={setScale}
        />
      </Box>
      {mix.bowls.map((bowl) => (
        <BowlCard
          key={bowl.number}
          bowl={bowl}
          factor={SCALES[scale]}
          done={mixes.filter((one) => one.formulaId === id && one.bowl === bowl.number && one.state === 'done').length}
          mayMix={mayMix && scale === 'whole'}
          onWeigh={() => onWeigh(bowl.number)}
        />
      ))}
      <Typography variant="caption" color="textSecondary">
        Mix a bowl when its turn comes. Left-over gloss can serve an all-over pass; lightener that has dried or swollen
        is done.
      </Typography>
    </Box>
  )
}

interface OptionsProps {
  id: string
  options: readonly BowlOption[]
}

/** Fewer and larger bowls, or more and fresher ones. */
function Options({ id, options }: OptionsProps) {
  const { unit } = useUnits().field('g')
  if (options.length < 2) return null
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        '& td, & th': {
          borderTop: LINE,
          textAlign: 'right',
          fontWeight: 400,
          py: 0.25,
          fontVariantNumeric: 'tabular-nums',
        },
        '& th': { fontSize: '0.75rem' },
        '& td:first-of-type, & th:first-of-type': { textAlign: 'left' },
      }}
    >
      <thead>
        <tr>
          <th>bowls</th>
          <th>mix, {unit}</th>
          <th>mixing, min</th>
          <th>oldest, min</th>
          <th aria-label="Choose" />
        </tr>
      </thead>
      <tbody>
        {options.map((option) => (
          <OptionRow key={option.bowls} id={id} option={option} />
        ))}
      </tbody>
    </Box>
  )
}

function OptionRow({ id, option }: { id: string; option: BowlOption }) {
  const { shown } = useUnits().field('g')
  const { bowls, grams, walkMinutes, oldestMinutes, chosen } = option
  return (
    <Box
      component="tr"
      sx={chosen ? { bgcolor: 'action.selected', '& td': { fontWeight: '600 !important' } } : undefined}
    >
      <td style={{ paddingLeft: 6 }}>{bowls}</td>
      <td>{shown(Math.round(grams))}</td>
      <td>{walkMinutes}</td>
      <td>{Math.round(oldestMinutes)}</td>
      <td>
        <OptionButton id={id} option={option} />
      </td>
    </Box>
  )
}

/** Takes an option, lets go of one that a hand took, or says that it is taken. */
function OptionButton({ id, option: { bowls, chosen } }: { id: string; option: BowlOption }) {
  const { store, permissions } = usePlanStore()
  const byHand = usePlan((state) => state.document.formulas.find((formula) => formula.id === id)?.bowls)
  if (!chosen)
    return (
      <Button
        size="small"
        color="inherit"
        disabled={!permissions.write}
        aria-label={`Mix in ${bowls} bowls`}
        onClick={() => editFormula(store, id, `${bowls} bowls`, (draft) => void (draft.bowls = bowls))}
      >
        take
      </Button>
    )
  if (byHand !== undefined && permissions.write)
    return (
      <Button
        size="small"
        color="inherit"
        onClick={() => editFormula(store, id, 'bowls as suggested', (draft) => delete draft.bowls)}
      >
        reset
      </Button>
    )
  return (
    <Box component="span" sx={{ display: 'inline-block', px: 1, minHeight: 30, pt: 0.75, fontSize: '0.8125rem' }}>
      taken
    </Box>
  )
}

function BowlCard({
  bowl,
  factor,
  done,
  mayMix,
  onWeigh,
}: {
  bowl: MixedBowl
  factor: number
  done: number
  mayMix: boolean
  onWeigh: () => void
}) {
  const total = roundToTenth(bowl.grams * factor)
  const parts = splitExactly(
    total,
    bowl.parts.map(({ grams }) => grams),
  )
  return (
    <Box component="article" aria-label={`Bowl ${bowl.number}`} sx={{ borderTop: LINE, py: 1.25 }}>
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <Typography sx={{ fontWeight: 600, flex: 1 }}>
          Bowl {bowl.number} · <Read>{`${total} g`}</Read>
          <Typography component="span" color="textSecondary">
            {' '}
            at <Read>{`${bowl.vol} vol`}</Read>
          </Typography>
        </Typography>
        {done > 0 && <Chip size="small" label="mixed" />}
        {mayMix && (
          <Button
            variant={done > 0 ? 'outlined' : 'contained'}
            onClick={onWeigh}
            aria-label={`Weigh bowl ${bowl.number}`}
          >
            Weigh
          </Button>
        )}
      </Box>
      <Box
        component="table"
        sx={{
          width: '100%',
          my: 0.5,
          '& td': { py: 0.125, fontVariantNumeric: 'tabular-nums' },
          '& td + td': { textAlign: 'right', whiteSpace: 'nowrap' },
        }}
      >
        <tbody>
          {bowl.parts.map(({ name, ml, grams }, i) => (
            <tr key={`${name}-${i}`}>
              <td>
                <Read>{name}</Read>
              </td>
              <td>
                <b>
                  <Read>{`${parts[i]!.toFixed(1)} g`}</Read>
                </b>
              </td>
              <Box component="td" sx={{ color: 'text.secondary', pl: 1, fontSize: '0.8rem' }}>
                <Read>{`${roundToTenth(grams > 0 ? (ml * parts[i]!) / grams : 0)} ml`}</Read>
              </Box>
            </tr>
          ))}
        </tbody>
      </Box>
      <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
        {bowl.stageName}: {bowl.zones.join(', ')}, {bowl.serves}. Mixed at {Math.round(bowl.mixedAtMinutes)} min,{' '}
        {Math.round(bowl.ageAtLastMinutes)} min old at the last. {bowl.peroxidePercent} % peroxide in it. Bowl and brush
        on the {bowl.side} of the trolley.
      </Typography>
    </Box>
  )
}
