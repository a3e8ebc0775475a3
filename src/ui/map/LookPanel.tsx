'use client'
import Box from '@mui/material/Box'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { LINE } from '../theme'
import { WORDS } from '../words'
import { usePlan } from './context'
import { Read } from '../parts'

/** What the plan will look like, in figures, each with what it rests on. */
export function LookFiguresView() {
  const look = usePlan((state) => state.judged?.figures.look)
  if (!look) return null
  const { upkeepWeeks, meanLevel } = look
  return (
    <Stack spacing={1}>
      <Line
        label="Lighter : darker : left"
        value={`${look.lightPercent} : ${look.lowPercent} : ${look.leftPercent} %`}
        why="Share of all hairs over the stages that lighten, lowlight, cover or block; stages on everything cross each other by chance."
      />
      <Line
        label="Contrast"
        value={`${look.contrastLevels} levels, ${WORDS.contrastVerdict[look.contrast]}`}
        why="Lightest pieces against what lies beside them: 1–2 barely, 2–3 subtle, 3–4 clear, 5 and more bold."
      />
      <Line label="Left like right" value={`${look.symmetryPercent} %`} why="Cell by cell against its mirror image." />
      <Line
        label="Part line"
        value={look.partLinePercent === null ? 'no light on top' : `${look.partLinePercent} % of the top`}
        why="Light within 3 cm of the part against light on the whole top. Below about 80 % the part line stays darker."
      />
      <Line
        label="Face against back"
        value={look.faceToBackPercent === null ? 'no light at the back' : `${look.faceToBackPercent} %`}
        why="Share of light at the front hairline against the back."
      />
      <Line
        label="Mean level worn straight · waved · tied up"
        value={`${meanLevel.straight} · ${meanLevel.waved} · ${meanLevel.tied}`}
        why="By what is seen of each part of the scalp’s hair, counted in small pictures from five sides; the Look counts it on her own head."
      />
      <Line
        label="Carries"
        value={upkeepWeeks ? `${upkeepWeeks.low}–${upkeepWeeks.high} weeks` : 'nothing lightened'}
        why="By how far from the scalp light begins and how softly: to the scalp 3–4, rooted 6–8, soft 8–12 weeks."
      />
      <Typography variant="caption" color="textSecondary">
        Estimated from where the hair grows, for judging placement.
      </Typography>
    </Stack>
  )
}

function Line({ label, value, why }: { label: string; value: string; why: string }) {
  return (
    <Box sx={{ borderTop: LINE, pt: 0.75 }}>
      <Typography sx={{ display: 'flex', gap: 2, justifyContent: 'space-between', flexWrap: 'wrap' }}>
        <span>{label}</span>
        <b>{value}</b>
      </Typography>
      <Typography variant="caption" color="textSecondary">
        <Read>{why}</Read>
      </Typography>
    </Box>
  )
}
