'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { LookReport, WishCheck, Worth } from '@/core/appearance/look'
import { byId } from '@/core/model'
import { Read } from '../../parts'
import { LINE } from '../../theme'
import { WORDS } from '../../words'
import { stageOf, usePlan, usePlanStore, variantOf } from '../context'
import { WISH_WORDS } from './words'

/** What is counted in the views, each figure with what it rests on. */
export function Counted({ report }: { report: LookReport }) {
  const stripes = report.stripeCm
  return (
    <Stack spacing={0.75} aria-label="Counted in the pictures" role="group">
      <Heading>Counted from five sides</Heading>
      <Figure
        label="Lighter · darker of what is seen"
        value={`${report.lighterPercent} · ${report.darkerPercent} %`}
        why="Places of the hair that are half a level lighter or darker than they were. Other strands of the same head differ by about 2 points."
      />
      <Figure label="Mean level seen" value={`${report.meanLevel}`} why="Of every place of the hair that is seen." />
      <Figure
        label="Contrast"
        value={`${report.contrastLevels} levels`}
        why="The lightest against the deepest 2 % that show."
      />
      <Figure
        label="Stripes"
        value={stripes === null ? 'none that show' : `${stripes} cm broad`}
        why="Twice the area of lighter hair over the length of its outline."
      />
      <Figure
        label="Hair at the face"
        value={signed(report.faceLevels)}
        why="Against the rest that is seen in front."
      />
      <Figure label="Part line" value={signed(report.partLevels)} why="Against all that is seen from above." />
      <Figure label="Left against right" value={signed(report.leftLevels)} why="Mean level from either side." />
      <Figure
        label="Root"
        value={report.rootSoftnessCm === null ? 'nothing lightened' : `over ${report.rootSoftnessCm} cm`}
        why="Way along the strand from a fifth to four fifths of the rise. Short is a hard line."
      />
      <Figure
        label="Shelf"
        value={
          report.shelf
            ? `${Math.abs(report.shelf.levels)} levels ${report.shelf.levels > 0 ? 'deeper' : 'lighter'} below ${heightWords(report.shelf.heightCm)}`
            : 'none'
        }
        why="The greatest step from one height to the next, seen from behind."
      />
      <SeenOf title="Seen of each formula" shares={report.formulaPercents} rest="not touched" />
    </Stack>
  )
}

const signed = (levels: number | null): string =>
  levels === null
    ? 'not seen'
    : levels === 0
      ? 'alike'
      : `${Math.abs(levels)} levels ${levels > 0 ? 'lighter' : 'deeper'}`
const heightWords = (cm: number): string =>
  cm === 0 ? 'the ears' : `${Math.abs(cm)} cm ${cm > 0 ? 'above' : 'below'} the ears`

function SeenOf({ title, shares, rest }: { title: string; shares: Record<string, number>; rest: string }) {
  const entries = Object.entries(shares).filter(([, percent]) => percent > 0)
  return (
    <Figure
      label={title}
      value={entries.map(([name, percent]) => `${name === '' ? rest : name} ${percent} %`).join(' · ')}
      why="Whose product was put last on each place that is seen."
    />
  )
}

const Heading = ({ children }: { children: string }) => (
  <Typography component="h3" sx={{ fontWeight: 700, fontSize: '0.9rem', pt: 0.5 }}>
    {children}
  </Typography>
)

function Figure({ label, value, why }: { label: string; value: string; why: string }) {
  return (
    <Box component="details" sx={{ borderTop: LINE, pt: 0.5, '& summary': { cursor: 'pointer', listStyle: 'none' } }}>
      <Box
        component="summary"
        sx={{ display: 'flex', gap: 1, justifyContent: 'space-between', flexWrap: 'wrap', fontSize: '0.85rem' }}
      >
        <span>{label}</span>
        <b>{value}</b>
      </Box>
      <Typography variant="caption" color="textSecondary">
        <Read>{why}</Read>
      </Typography>
    </Box>
  )
}

/** A wish that is a word, as the consultation says it. */
const wishedWords = (what: WishCheck['what'], wished: WishCheck['wished']): string =>
  what === 'contrast' || what === 'faceFrame' || what === 'root'
    ? ((WORDS[what] as Record<string, string>)[wished] ?? String(wished))
    : String(wished)

const VERDICTS = { met: 'met', near: 'near', missed: 'missed' } as const

/** The wish of the consultation against what is seen. */
export function WishChecks({ checks }: { checks: readonly WishCheck[] }) {
  return (
    <Stack spacing={0.75} role="group" aria-label="Against the wish">
      <Heading>Against the wish, worn as she wears it</Heading>
      {checks.map(({ what, wished, seen, verdict, off }) => {
        const { name, unit, less, more } = WISH_WORDS[what]
        return (
          <Box key={what} sx={{ borderTop: LINE, pt: 0.5, fontSize: '0.85rem' }}>
            <Box sx={{ display: 'flex', justifyContent: 'space-between', gap: 1 }}>
              <span>
                {name}: {wishedWords(what, wished)} wished, {Math.round(10 * seen) / 10} {unit} seen
              </span>
              <b>{VERDICTS[verdict]}</b>
            </Box>
            {off !== 'none' && (
              <Typography variant="caption" color="textSecondary">
                {off === 'less' ? less : more}
              </Typography>
            )}
          </Box>
        )
      })}
    </Stack>
  )
}

/** How many of the foils that show least are listed. Our choice. */
const LISTED = 10

/** Foils by what they add to what is seen, the least first, with what leaving them out would save. */
export function WorthList({ worth }: { worth: readonly Worth[] }) {
  const { store } = usePlanStore()
  const variant = usePlan(variantOf)
  const chosen = usePlan((state) => state.chosenPiece)
  const [all, setAll] = useState(false)
  const listed = all ? worth : worth.slice(0, LISTED)
  const sum = (of: (one: Worth) => number) => Math.round(10 * listed.reduce((total, one) => total + of(one), 0)) / 10
  if (worth.length === 0) return null
  const nameOf = ({ stageId, zoneId }: Worth) => byId(byId(variant.stages, stageId).zones, zoneId).name
  return (
    <Stack spacing={0.5} role="group" aria-label="Foils that show least">
      <Heading>Foils that show least</Heading>
      <Typography variant="caption" color="textSecondary">
        These {listed.length} show {sum(({ seenPercent }) => seenPercent)} % of what is seen, and take{' '}
        {sum(({ minutes }) => minutes)} min of hands and {sum(({ grams }) => grams)} g.
      </Typography>
      {listed.map((one) => (
        <Button
          key={one.pieceId}
          color="inherit"
          aria-pressed={chosen === one.pieceId}
          onClick={() => store.choosePiece(one)}
          sx={{
            justifyContent: 'space-between',
            minHeight: 36,
            px: 0.5,
            fontSize: '0.82rem',
            fontWeight: 500,
            textAlign: 'left',
            bgcolor: chosen === one.pieceId ? 'action.selected' : undefined,
          }}
        >
          <span>{nameOf(one)}</span>
          <span>
            {one.seenPercent} % · {one.minutes} min · {one.grams} g
          </span>
        </Button>
      ))}
      {worth.length > LISTED && (
        <Button color="inherit" size="small" onClick={() => setAll(!all)}>
          {all ? 'Fewer' : `All ${worth.length}`}
        </Button>
      )}
    </Stack>
  )
}

/** What is known of the foil that was pointed out. */
export function ChosenFoil({ worth }: { worth: readonly Worth[] }) {
  const { store } = usePlanStore()
  const chosen = usePlan((state) => state.chosenPiece)
  const stage = usePlan(stageOf)
  const one = worth.find(({ pieceId }) => pieceId === chosen)
  if (!one) return null
  const zone = stage.zones.find(({ id }) => id === one.zoneId)
  return (
    <Typography component="div" role="status" sx={{ fontSize: '0.85rem', borderTop: LINE, pt: 0.5 }}>
      <b>{zone?.name ?? 'A foil'}</b>: this one shows {one.seenPercent} % of what is seen; {one.minutes} min,{' '}
      {one.grams} g.
      <Button size="small" color="inherit" onClick={() => store.select(undefined)}>
        Show all again
      </Button>
    </Typography>
  )
}
