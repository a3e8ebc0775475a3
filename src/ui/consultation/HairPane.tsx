'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Theme } from '@mui/material/styles'
import useMediaQuery from '@mui/material/useMediaQuery'
import { useMemo, useState } from 'react'
import { cutCanvas, daysBetween, kindsOf, regionLengths, setBands, USUAL_WASHES_PER_WEEK } from '@/core/hair/hairRecord'
import { regrowthCm } from '@/core/hair/fibre'
import {
  LIMITS,
  TARGET_REGIONS,
  type Band,
  type Correction,
  type OpenConsultation,
  type Strand,
  type TargetRegion,
} from '@/core/model'
import { sum } from '@/core/numeric'
import { roundToTenth } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { Choice, NumberField, Read } from '../parts'
import { LINE } from '../theme'
import { dateInWords, WORDS } from '../words'
import { BandCard } from './BandCard'
import { historyWords, kindWords, strandsInSight, toneWords, useConsultation, useEntry } from './context'
import { HeadPane } from './HeadPane'
import { StrandDiagram } from './StrandDiagram'
import { seenCorrections } from './store'
import { useVerdict } from './useVerdict'

/** The hair: strands by region, white hair and earlier work on the head, and the band in hand. */
export function HairPane() {
  const { store, writable } = useConsultation()
  // Where there is no room beside the strand the band in hand stands right under it, before the head.
  const wide = useMediaQuery(({ breakpoints }: Theme) => breakpoints.up('md'))
  const region = useEntry((state) => state.region)
  const canvas = useEntry((state) => state.entry.canvas)
  const lengths = useMemo(() => regionLengths(canvas), [canvas])
  const label = (one: TargetRegion) =>
    one === 'all' ? WORDS.targetRegion.all : `${WORDS.region[one]} ${lengths[one]} cm`
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 372px' }, minHeight: 0, flex: 1 }}
    >
      <Box sx={{ p: { xs: 1.5, md: 2 }, overflow: { md: 'auto' }, minWidth: 0 }}>
        <Prediction />
        <Choice
          label="Where on the head"
          value={region}
          options={TARGET_REGIONS.map((value) => ({ value, label: label(value) }))}
          onChange={(value) => store.show(value)}
        />
        <Strands />
        {!wide && (
          <Box sx={{ mt: 2.5 }}>
            <BandCard />
          </Box>
        )}
        <HeadPane />
      </Box>
      {wide && (
        <Box sx={{ p: 2, borderLeft: LINE, overflow: 'auto', bgcolor: 'background.paper' }}>
          <BandCard />
        </Box>
      )}
      {!writable && (
        <Typography variant="caption" color="textSecondary" component="p" sx={{ p: 2 }}>
          Your role may read this record. An owner or colourist can change it.
        </Typography>
      )}
    </Box>
  )
}

/** What today's hair should be, and how it differs from what is seen. */
function Prediction() {
  const { store, open, writable } = useConsultation()
  const { predicted, save } = useEntry((all) => all)
  const from = open.latest?.kind === 'seen' && open.latest.recordedOn === open.today ? open.before : open.latest
  const unsaved = save.kind === 'unsaved'
  if (!predicted || !from)
    return unsaved ? (
      <Alert severity="info" icon={false} sx={{ mb: 1.5 }}>
        First record. It begins as virgin hair at level {open.hair.naturalLevel}: split the strand where its history
        changes, and set what was done.
      </Alert>
    ) : null
  return (
    <Box
      sx={{
        mb: 1.5,
        px: 1.5,
        py: 0.75,
        minHeight: 78,
        border: LINE,
        bgcolor: 'background.paper',
        display: 'flex',
        gap: 2,
        flexWrap: { xs: 'wrap', sm: 'nowrap' },
        alignItems: 'center',
      }}
    >
      <Since from={from} />
      {writable && <CutOff />}
      {unsaved && writable && (
        <Button variant="contained" onClick={() => void store.flush()}>
          It is as predicted
        </Button>
      )}
    </Box>
  )
}

/** Corrections told in sight; the rest is in the title. */
const TOLD = 4

/** What the prediction comes from, and what was seen otherwise. */
function Since({ from }: { from: NonNullable<OpenConsultation['latest']> }) {
  const { open } = useConsultation()
  const { predicted, entry } = useEntry((all) => all)
  const { read } = useUnits()
  const corrections = useMemo(() => seenCorrections({ predicted, entry }), [predicted, entry])
  const weeks = Math.max(0, Math.round(daysBetween(from.recordedOn, open.today) / 7))
  const words = corrections.map(correctionWords)
  const count = corrections.length
  return (
    <Box sx={{ flex: '1 1 300px', minWidth: 0 }}>
      <Typography variant="body2">
        <b>{count === 0 ? 'As predicted' : `${count} correction${count === 1 ? '' : 's'} kept`}</b> from{' '}
        {dateInWords(from.recordedOn)}
        {from.kind === 'done' && ' (plan carried out)'}: {weeks} weeks, roots{' '}
        <Read>{`${roundToTenth(regrowthCm(weeks, entry.hair.growthCmPerMonth))} cm`}</Read> longer, about{' '}
        {Math.round(weeks * (entry.hair.washesPerWeek ?? USUAL_WASHES_PER_WEEK))} washes.
      </Typography>
      {/* One line whatever it says: what lies below must not move under a finger. */}
      <Typography variant="caption" color="textSecondary" noWrap component="p" title={read(words.join(' · '))}>
        {count === 0
          ? 'Correct only what you see otherwise.'
          : read(words.slice(0, TOLD).join(' · ')) + (count > TOLD ? ' · …' : '')}
      </Typography>
    </Box>
  )
}

function CutOff() {
  const { store } = useConsultation()
  const trimmedCm = useEntry((state) => state.entry.trimmedCm)
  return (
    <Box sx={{ width: 190 }}>
      <NumberField
        label="Cut off since then"
        value={trimmedCm}
        limit={LIMITS.trimCm}
        step={0.5}
        onChange={(cm) =>
          store.edit(`Cut ${cm} cm`, 'trim', (before) => {
            try {
              return { ...before, trimmedCm: cm, canvas: cutCanvas(before.canvas, cm - before.trimmedCm) }
            } catch {
              // More than there is: the field keeps what was typed, the hair stays as it is.
              return before
            }
          })
        }
      />
    </Box>
  )
}

const correctionWords = ({ region, what, predicted: was, seen }: Correction): string =>
  `${WORDS.region[region]} ${bandWords(what)}: ${was} → ${seen}`

const bandWords = (what: string): string => {
  const [index, figure] = what.split('.')
  return figure ? `band ${Number(index) + 1} ${figure === 'toCm' ? 'end' : figure}` : what
}

/**
 * The kinds of strand of the region in sight: the one in hand drawn large with its bands in words, the others to
 * choose.
 */
function Strands() {
  const { store, writable } = useConsultation()
  const state = useEntry((all) => all)
  const { strands, strand } = strandsInSight(state)
  const verdict = useVerdict()
  const band = Math.min(state.band, strand.bands.length - 1)
  return (
    <Box sx={{ mt: 1.5 }}>
      {strands.length > 1 && (
        <Kinds kinds={strands} chosen={strand.id} onChoose={(id) => store.show(state.region, id)} />
      )}
      <StrandDiagram
        strand={strand}
        selected={band}
        limiting={
          verdict.limiting.strandId === strand.id && verdict.limiting.state !== 'fine'
            ? verdict.limiting.index
            : undefined
        }
        writable={writable}
        onSelect={(index) => store.pick(strand.id, index)}
        onMove={(index, bands) =>
          change(`Band ${index + 1} ends at ${bands[index]!.toCm} cm`, `${strand.id}/edge/${index}`, bands)
        }
        onLevel={(index, level) =>
          change(
            `Level ${level}, band ${index + 1}`,
            `${strand.id}/${index}/level`,
            strand.bands.map((one, i) => (i === index ? { ...one, level } : one)),
          )
        }
      />
      <Box
        component="ol"
        aria-label="Bands from the scalp to the tip"
        sx={{
          listStyle: 'none',
          p: 0,
          m: 0,
          display: 'grid',
          gridTemplateColumns: 'repeat(auto-fill, minmax(240px, 1fr))',
          columnGap: 2,
        }}
      >
        {strand.bands.map((one, i) => (
          <Box component="li" key={i}>
            <Typography variant="caption" sx={{ fontWeight: i === band ? 700 : 400 }}>
              <Read>{`${i + 1} · ${one.fromCm}–${one.toCm} cm · level ${one.level} ${toneWords(one)} · ${historyWords(one)}`}</Read>
              {one.porosity !== 'normal' && ` · porosity ${one.porosity}`}
              {one.integrity !== 'sound' && ` · ${one.integrity}`}
            </Typography>
          </Box>
        ))}
      </Box>
    </Box>
  )

  function change(label: string, key: string, bands: Band[]) {
    store.edit(label, key, (entry) => ({ ...entry, canvas: setBands(entry.canvas, state.region, strand.id, bands) }))
    keepInHand(strand, band)
  }

  /** An edit for one region may give the strand a name of its own; the eye stays on it. */
  function keepInHand(before: Strand, index: number) {
    const { entry, region } = store.getState()
    const still = kindsOf(entry.canvas, region)
    if (!still.some(({ strand: one }) => one.id === before.id)) store.pick(still[0]!.strand.id, index)
  }
}

/** So many kinds of hair are read at a glance; the rarer ones of a long record are shown when they are asked for. */
const KINDS_AT_A_GLANCE = 8

interface KindsProps {
  kinds: ReturnType<typeof kindsOf>
  chosen: string
  onChoose: (id: string) => void
}

function Kinds({ kinds, chosen, onChoose }: KindsProps) {
  const [all, setAll] = useState(false)
  const { read } = useUnits()
  const rarer = kinds.slice(KINDS_AT_A_GLANCE)
  const shown = all || rarer.some(({ strand }) => strand.id === chosen) ? kinds : kinds.slice(0, KINDS_AT_A_GLANCE)
  return (
    <>
      <Choice
        label="Kinds of hair here"
        value={chosen}
        options={shown.map(({ strand, share }) => ({
          value: strand.id,
          label: `${percentWords(share)} · ${read(kindWords(strand))}`,
        }))}
        onChange={onChoose}
      />
      {shown.length < kinds.length && (
        <Button size="small" onClick={() => setAll(true)}>
          Show {rarer.length} rarer {rarer.length === 1 ? 'kind' : 'kinds'},{' '}
          {percentWords(sum(rarer.map(({ share }) => share)))} together
        </Button>
      )}
    </>
  )
}

const percentWords = (share: number): string => (share < 0.005 ? 'under 1 %' : `${Math.round(100 * share)} %`)
