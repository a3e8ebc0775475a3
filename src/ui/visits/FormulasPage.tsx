'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { hexFromLab, labFromLevel } from '@/core/hair/colour'
import { LIMITS, TONES } from '@/core/model'
import type { FoundFormula } from '@/core/record/visit'
import type { FormulaWishDto } from '@/dto'
import { ListChoice, NumberField, Read } from '../parts'
import { LINE } from '../theme'
import { dateInWords, optionsOf, WORDS } from '../words'
import { LogBar } from './LogBar'

interface Props {
  wish: FormulaWishDto
  found: readonly FoundFormula[]
}

/** Formulas that were used, found by words and by the colour they were to show. */
export function FormulasPage({ wish, found }: Props) {
  const router = useRouter()
  const [words, setWords] = useState(wish.words ?? '')
  const [level, setLevel] = useState(wish.level)
  const [tone, setTone] = useState(wish.tone ?? 'neutral')
  function search() {
    const asked = { ...(words && { words }), ...(level !== undefined && { level: String(level), tone }) }
    router.push(`/log/formulas?${new URLSearchParams(asked).toString()}`)
  }
  return (
    <Box>
      <LogBar here="/log/formulas">
        <Button color="inherit" component="a" href="/api/visits/formulas" download>
          Save as table
        </Button>
      </LogBar>
      <Box sx={{ maxWidth: 900, mx: 'auto', p: { xs: 1.5, md: 3 }, display: 'grid', gap: 3 }}>
        <Box
          component="form"
          role="search"
          onSubmit={(event) => {
            event.preventDefault()
            search()
          }}
          sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'end', '& > *': { flex: '1 1 150px' } }}
        >
          <TextField
            size="small"
            label="Product or client"
            value={words}
            onChange={({ target }) => setWords(target.value)}
          />
          <NumberField
            label="Level it is to show"
            value={level}
            limit={LIMITS.targetLevel}
            step={0.5}
            onChange={setLevel}
            onClear={() => setLevel(undefined)}
          />
          <ListChoice label="Tone" value={tone} options={optionsOf(TONES, WORDS.tone)} onChange={setTone} />
          <Button type="submit" variant="outlined" color="inherit" sx={{ flex: '0 0 auto !important' }}>
            Find
          </Button>
        </Box>
        <Paper variant="outlined" component="section" aria-label="Formulas">
          {found.length === 0 && (
            <Typography sx={{ p: 3 }} color="textSecondary">
              No visit used a formula like that.
            </Typography>
          )}
          {found.map((one) => (
            <FormulaRow key={JSON.stringify(one)} found={one} />
          ))}
        </Paper>
      </Box>
    </Box>
  )
}

function FormulaRow({ found }: { found: FoundFormula }) {
  const { name, product, level, tone, developerVol, ratio, times, visitId, on, client, apart } = found
  return (
    <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', px: 2, py: 1.25, '& + &': { borderTop: LINE } }}>
      <Box
        aria-hidden
        sx={{ width: 36, height: 36, border: LINE, flexShrink: 0 }}
        style={{ backgroundColor: hexFromLab(labFromLevel(level, tone)) }}
      />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Read>{`${product}, ${developerVol} vol, 1 : ${ratio}`}</Read>
        <Typography variant="body2" color="textSecondary">
          {name}, level {level} {WORDS.tone[tone]}
          {apart !== null && `, ${apart === 0 ? 'the very colour' : `ΔE₀₀ ${apart} from it`}`}
        </Typography>
      </Box>
      <Typography variant="body2" sx={{ textAlign: 'right' }}>
        {times} {times === 1 ? 'time' : 'times'}, last{' '}
        <Link href={`/visits/${visitId}`} style={{ color: 'inherit' }}>
          {client}, {dateInWords(on)}
        </Link>
      </Typography>
    </Box>
  )
}
