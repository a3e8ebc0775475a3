'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import {
  copyBands,
  lastDyeOf,
  mergeBand,
  moveEdge,
  NOT_YET_COME,
  SHORTEST_BAND_CM,
  splitBand,
  strandLength,
  toQuarterLevel,
} from '@/core/hair/hairRecord'
import { hexFromLab, labOfHair, underlyingPigment } from '@/core/hair/colour'
import {
  INTEGRITIES,
  LENGTH_REGIONS,
  LIMITS,
  POROSITIES,
  TONE_HUES,
  TREATMENTS,
  type Band,
  type LengthRegion,
} from '@/core/model'
import { Choice, Choices, NumberField, Read } from '../parts'
import { DateField } from '../parts/DateField'
import { optionsOf, WORDS } from '../words'
import { editBands, historyWords, strandsInSight, useConsultation, useEntry } from './context'

const STRENGTHS = [
  { value: '0', label: 'none' },
  { value: '0.3', label: 'soft' },
  { value: '0.6', label: 'clear' },
  { value: '1', label: 'full' },
] as const
const nearestStrength = (strength: number) =>
  STRENGTHS.reduce((best, one) =>
    Math.abs(Number(one.value) - strength) < Math.abs(Number(best.value) - strength) ? one : best,
  ).value

/** Everything about one band, and what can be done with it. */
export function BandCard() {
  const part = useBand()
  const { band, index, strand } = part
  return (
    <Stack spacing={1.25} component="section" aria-label={`Band ${index + 1}`}>
      <Box>
        <Typography variant="h2">
          Band {index + 1} of {strand.bands.length}
        </Typography>
        <Typography variant="caption" color="textSecondary">
          <Read>{`${band.fromCm}–${band.toCm} cm, ${historyWords(band)}; ${underlyingPigment(band.level).name} beneath`}</Read>
        </Typography>
      </Box>
      <LevelAndEnd {...part} />
      <Tone {...part} />
      <History {...part} />
      <Condition {...part} />
      {part.writable && <BandActions {...part} />}
    </Stack>
  )
}

type Part = ReturnType<typeof useBand>

/** The band in hand, and how it is changed. */
function useBand() {
  const { store, writable, open } = useConsultation()
  const { strand } = strandsInSight(useEntry((state) => state))
  const chosen = useEntry((state) => state.band)
  const index = Math.min(chosen, strand.bands.length - 1)
  return {
    store,
    writable,
    today: open.today,
    strand,
    index,
    band: strand.bands[index]!,
    next: strand.bands[index + 1],
    set: (label: string, key: string, change: Partial<Band>) =>
      editBands(store, `${label}, band ${index + 1}`, `${strand.id}/${index}/${key}`, (bands) =>
        bands.map((one, i) => (i === index ? { ...one, ...change } : one)),
      ),
  }
}

function LevelAndEnd({ store, writable, strand, index, band, next, set }: Part) {
  return (
    <>
      <NumberField
        layout="row"
        label="Level as seen"
        value={band.level}
        limit={LIMITS.bandLevel}
        step={0.25}
        disabled={!writable}
        onChange={(level) => set(`Level ${toQuarterLevel(level)}`, 'level', { level: toQuarterLevel(level) })}
      />
      {next ? (
        <NumberField
          layout="row"
          label="Ends at"
          value={band.toCm}
          limit={{ min: band.fromCm + SHORTEST_BAND_CM, max: next.toCm - SHORTEST_BAND_CM, unit: 'cm' }}
          step={0.5}
          disabled={!writable}
          onChange={(cm) =>
            editBands(store, `Band ${index + 1} ends at ${cm} cm`, `${strand.id}/edge/${index}`, (bands) =>
              moveEdge(bands, index, cm),
            )
          }
        />
      ) : (
        <Typography variant="caption" color="textSecondary">
          This band ends at the tip, <Read>{`${strandLength(strand.bands)} cm`}</Read> from the scalp.
        </Typography>
      )}
    </>
  )
}

/** What a tone shows at first, 0…1. */
const FIRST_STRENGTH = 0.3

function Tone({ writable, band, set }: Part) {
  return (
    <>
      <Choice
        label="Tone"
        value={band.hue}
        disabled={!writable}
        options={TONE_HUES.map((hue) => ({
          value: hue,
          name: WORDS.hue[hue],
          label: <ToneLabel level={band.level} hue={hue} />,
        }))}
        onChange={(hue) =>
          set(`Tone ${WORDS.hue[hue]}`, 'hue', {
            hue,
            strength: hue === 'neutral' ? 0 : band.strength || FIRST_STRENGTH,
          })
        }
      />
      <Choice
        label="How strongly it shows"
        value={nearestStrength(band.strength)}
        disabled={!writable || band.hue === 'neutral'}
        options={STRENGTHS}
        onChange={(value) => set('Strength', 'strength', { strength: Number(value) })}
      />
    </>
  )
}

const ToneLabel = ({ level, hue }: Pick<Band, 'level' | 'hue'>) => (
  <Box component="span" sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
    <Box
      component="span"
      aria-hidden
      sx={{ width: 16, height: 16, border: 1, borderColor: 'divider', flex: 'none' }}
      style={{ backgroundColor: hexFromLab(labOfHair(level, hue, 1)) }}
    />
    {WORDS.hue[hue]}
  </Box>
)

function History({ writable, today, band, set }: Part) {
  const { treatments } = band
  return (
    <>
      <Choices
        label="History (none: virgin)"
        values={treatments.map(({ kind }) => kind)}
        disabled={!writable}
        options={optionsOf(TREATMENTS, WORDS.treatment)}
        onChange={(kinds) =>
          set('History', 'history', {
            treatments: [
              ...treatments.filter(({ kind }) => kinds.includes(kind)),
              ...kinds.filter((kind) => !treatments.some((one) => one.kind === kind)).map((kind) => ({ kind })),
            ],
          })
        }
      />
      {treatments.map((treatment, i) => (
        <DateField
          key={i}
          label={`${WORDS.treatment[treatment.kind]} on (if known)`}
          value={treatment.on ?? ''}
          max={today}
          optional
          disabled={!writable}
          problem={treatment.on !== undefined && treatment.on > today ? NOT_YET_COME : undefined}
          onChange={(on) =>
            set('Date', `on${i}`, {
              treatments: treatments.map((one, k) => (k === i ? { kind: one.kind, ...(on && { on }) } : one)),
            })
          }
        />
      ))}
      {lastDyeOf(band) && (
        <NumberField
          layout="row"
          label="Level under the dye"
          value={band.beneathLevel}
          limit={LIMITS.bandLevel}
          step={0.25}
          disabled={!writable}
          onChange={(beneathLevel) => set('Level under the dye', 'beneath', { beneathLevel })}
          onClear={() => set('Level under the dye', 'beneath', { beneathLevel: undefined })}
        />
      )}
    </>
  )
}

function Condition({ writable, band, set }: Part) {
  return (
    <>
      <Choice
        label="Porosity"
        value={band.porosity}
        disabled={!writable}
        options={optionsOf(POROSITIES, WORDS.porosity)}
        onChange={(porosity) => set(`Porosity ${porosity}`, 'porosity', { porosity })}
      />
      <Choice
        label="Condition (stretch a wet strand)"
        value={band.integrity}
        disabled={!writable}
        options={optionsOf(INTEGRITIES, WORDS.integrity)}
        onChange={(integrity) => set(`Condition ${integrity}`, 'integrity', { integrity })}
      />
    </>
  )
}

function BandActions({ store, index, band, next }: Part) {
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      <Button
        variant="outlined"
        color="inherit"
        disabled={band.toCm - band.fromCm < 2 * SHORTEST_BAND_CM}
        onClick={() => editBands(store, `Split band ${index + 1}`, 'split', (bands) => splitBand(bands, index))}
      >
        Split
      </Button>
      <Button
        variant="outlined"
        color="inherit"
        disabled={!next}
        onClick={() =>
          editBands(
            store,
            `Merge bands ${index + 1} and ${index + 2}`,
            'merge',
            (bands) => mergeBand(bands, index),
            index,
          )
        }
      >
        Merge with next
      </Button>
      <CopyStrand />
    </Box>
  )
}

/** Takes the strand of one region over to another. */
function CopyStrand() {
  const { store } = useConsultation()
  const region = useEntry((state) => state.region)
  const [anchor, setAnchor] = useState<HTMLElement>()
  function copyTo(to: LengthRegion) {
    setAnchor(undefined)
    if (region === 'all') return
    store.edit(`Strand of ${WORDS.region[region]} copied to ${WORDS.region[to]}`, 'copy', (entry) => ({
      ...entry,
      canvas: copyBands(entry.canvas, region, [to]),
    }))
  }
  return (
    <>
      <Button
        variant="outlined"
        color="inherit"
        aria-haspopup="menu"
        disabled={region === 'all'}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
      >
        Copy strand to…
      </Button>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        {LENGTH_REGIONS.filter((one) => one !== region).map((to) => (
          <MenuItem key={to} onClick={() => copyTo(to)}>
            {WORDS.region[to]}
          </MenuItem>
        ))}
      </Menu>
    </>
  )
}
