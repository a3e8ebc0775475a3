'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Paper from '@mui/material/Paper'
import Typography from '@mui/material/Typography'
import Link from 'next/link'
import { useMemo } from 'react'
import { careStates } from '@/core/judgement/care'
import { mainStrand, meanWhite } from '@/core/hair/hairRecord'
import { hexFromLab, labOfHair } from '@/core/hair/colour'
import { assess } from '@/core/judgement/feasibility'
import { createHead } from '@/core/scalp/head'
import type { OpenCare, OpenConsultation } from '@/core/model'
import { useUnits } from '../hooks/useUnits'
import { opening } from '../consultation/store'
import { LINE } from '../theme'
import { dateInWords, REACH_WORDS, WORDS } from '../words'

/** How things stand today: the hair as recorded or predicted, what is possible, which checks are due. */
export function TodayCard({ consultation, care }: { consultation: OpenConsultation; care: OpenCare }) {
  const { latest, client, today } = consultation
  const { read } = useUnits()
  const { entry } = useMemo(() => opening(consultation), [consultation])
  const verdict = useMemo(() => {
    const head = createHead(consultation.head)
    return assess({
      hair: entry.hair,
      canvas: entry.canvas,
      goal: entry.goal,
      meanWhite: meanWhite(head, entry.hair, entry.canvas),
    })
  }, [consultation.head, entry])
  const due = careStates(care, today).filter(({ standing }) => standing !== 'current')
  const { bands } = mainStrand(entry.canvas, 'all')
  const length = bands.at(-1)!.toCm
  return (
    <Paper variant="outlined" component="section" aria-labelledby="today" sx={{ p: 2 }}>
      <Typography id="today" variant="h2">
        Today, {dateInWords(today)}
      </Typography>
      <Typography variant="caption" color="textSecondary" component="p">
        {latest
          ? latest.kind === 'seen' && latest.recordedOn === today
            ? `As seen by ${latest.by}.`
            : `Predicted from ${dateInWords(latest.recordedOn)}${latest.kind === 'done' ? ', when a plan was carried out' : ''}.`
          : 'No consultation yet; this is virgin hair at the level that was entered.'}
      </Typography>
      <Box
        role="img"
        aria-label={read(
          `Main strand: ${bands.map(({ fromCm, toCm, level }) => `${fromCm} to ${toCm} cm level ${level}`).join(', ')}`,
        )}
        sx={{ display: 'flex', height: 36, border: LINE, my: 1 }}
      >
        {bands.map((band) => (
          <Box
            key={band.fromCm}
            sx={{ borderRight: LINE }}
            style={{
              width: `${(100 * (band.toCm - band.fromCm)) / length}%`,
              backgroundColor: hexFromLab(labOfHair(band.level, band.hue, band.strength)),
            }}
          />
        ))}
      </Box>
      <Typography variant="body2">
        {read(bands.map(({ fromCm, toCm, level }) => `${fromCm}–${toCm} cm level ${level}`).join(' · '))}
      </Typography>
      {latest && (
        <Box sx={{ mt: 2 }}>
          <Typography sx={{ fontWeight: 600 }}>
            {REACH_WORDS[verdict.reach]}
            {verdict.reach !== 'notNow' &&
              `, ${verdict.visits.low === verdict.visits.high ? verdict.visits.low : `${verdict.visits.low}–${verdict.visits.high}`} visit${verdict.visits.high === 1 ? '' : 's'}`}
          </Typography>
          <Typography variant="body2" color="textSecondary">
            {read(verdict.reasons[0]?.text ?? '')}
          </Typography>
        </Box>
      )}
      <Button
        component={Link}
        href={`/people/${client.id}/consultation`}
        variant={latest ? 'outlined' : 'contained'}
        color={latest ? 'inherit' : 'primary'}
        sx={{ mt: 1.5, borderColor: 'divider' }}
      >
        {latest ? 'Open the consultation' : 'Start the consultation'}
      </Button>
      <Box sx={{ borderTop: LINE, mt: 2, pt: 1.5 }}>
        <Typography sx={{ fontWeight: 600 }}>
          {due.length === 0
            ? 'All care checks are current'
            : `${due.length} care check${due.length === 1 ? '' : 's'} due`}
        </Typography>
        <Typography variant="body2" color="textSecondary">
          {due.map(({ kind }) => WORDS.care[kind]).join(' · ')}
        </Typography>
        <Button
          component={Link}
          href={`/people/${client.id}/care`}
          color="inherit"
          variant="outlined"
          sx={{ mt: 1, borderColor: 'divider' }}
        >
          Care checks
        </Button>
      </Box>
      {consultation.history.length > 0 && (
        <Box component="section" aria-label="Records" sx={{ borderTop: LINE, mt: 2, pt: 1.5 }}>
          <Typography sx={{ fontWeight: 600 }}>Records</Typography>
          {consultation.history.slice(0, 8).map(({ number, kind, recordedOn, by, corrections }) => (
            <Typography key={number} variant="body2" sx={{ py: 0.25 }}>
              {dateInWords(recordedOn)}: {kind === 'done' ? 'plan carried out' : 'consultation'}, {by}
              {corrections.length > 0 && `, ${corrections.length} correction${corrections.length === 1 ? '' : 's'}`}
            </Typography>
          ))}
        </Box>
      )}
    </Paper>
  )
}
