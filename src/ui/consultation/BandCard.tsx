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
} from '@/core/hair/hairRecord'
import { hexFromLab, labOfHair, underlyingPigment } from '@/core/hair/colour'
import { INTEGRITIES, LENGTH_REGIONS, LIMITS, POROSITIES, TONE_HUES, TREATMENTS, type Band } from '@/core/model'
import { Choice, Choices, NumberField, Read } from '../parts'
import { DateField } from '../parts/DateField'
import { WORDS } from '../words'
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
  const { store, writable, open } = useConsultation()
  const { strand } = strandsInSight(useEntry((state) => state))
  const index = Math.min(
    useEntry((state) => state.band),
    strand.bands.length - 1,
  )
  const region = useEntry((state) => state.region)
  const [copying, setCopying] = useState<HTMLElement | null>(null)
  const band = strand.bands[index]!
  const next = strand.bands[index + 1]
  const set = (label: string, key: string, change: Partial<Band>) =>
    editBands(store, `${label}, band ${index + 1}`, `${strand.id}/${index}/${key}`, (bands) =>
      bands.map((one, i) => (i === index ? { ...one, ...change } : one)),
    )
  const beneath = underlyingPigment(band.level)
  const dye = lastDyeOf(band)

  return (
    <Stack spacing={1.25} component="section" aria-label={`Band ${index + 1}`}>
      <Box>
        <Typography variant="h2">
          Band {index + 1} of {strand.bands.length}
        </Typography>
        <Typography variant="caption" color="textSecondary">
          <Read>{`${band.fromCm}–${band.toCm} cm, ${historyWords(band)}; ${beneath.name} beneath`}</Read>
        </Typography>
      </Box>
      <NumberField
        layout="row"
        label="Level as seen"
        value={band.level}
        limit={LIMITS.bandLevel}
        step={0.25}
        disabled={!writable}
        onChange={(level) => set(`Level ${Math.round(level * 4) / 4}`, 'level', { level: Math.round(level * 4) / 4 })}
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
      <Choice
        label="Tone"
        value={band.hue}
        disabled={!writable}
        options={TONE_HUES.map((hue) => ({
          value: hue,
          name: WORDS.hue[hue],
          label: (
            <Box component="span" sx={{ display: 'flex', alignItems: 'center', gap: 0.5 }}>
              <Box
                component="span"
                aria-hidden
                sx={{ width: 16, height: 16, border: 1, borderColor: 'divider', flex: 'none' }}
                style={{ backgroundColor: hexFromLab(labOfHair(band.level, hue, 1)) }}
              />
              {WORDS.hue[hue]}
            </Box>
          ),
        }))}
        onChange={(hue) =>
          set(`Tone ${WORDS.hue[hue]}`, 'hue', { hue, strength: hue === 'neutral' ? 0 : band.strength || 0.3 })
        }
      />
      <Choice
        label="How strongly it shows"
        value={nearestStrength(band.strength)}
        disabled={!writable || band.hue === 'neutral'}
        options={STRENGTHS}
        onChange={(value) => set('Strength', 'strength', { strength: Number(value) })}
      />
      <Choices
        label="History (none: virgin)"
        values={band.treatments.map(({ kind }) => kind)}
        disabled={!writable}
        options={TREATMENTS.map((value) => ({ value, label: WORDS.treatment[value] }))}
        onChange={(kinds) =>
          set('History', 'history', {
            treatments: [
              ...band.treatments.filter(({ kind }) => kinds.includes(kind)),
              ...kinds.filter((kind) => !band.treatments.some((one) => one.kind === kind)).map((kind) => ({ kind })),
            ],
          })
        }
      />
      {band.treatments.map((treatment, i) => (
        <DateField
          key={i}
          label={`${WORDS.treatment[treatment.kind]} on (if known)`}
          value={treatment.on ?? ''}
          max={open.today}
          optional
          disabled={!writable}
          problem={treatment.on !== undefined && treatment.on > open.today ? NOT_YET_COME : undefined}
          onChange={(on) =>
            set('Date', `on${i}`, {
              treatments: band.treatments.map((one, k) => (k === i ? { kind: one.kind, ...(on && { on }) } : one)),
            })
          }
        />
      ))}
      {dye && (
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
      <Choice
        label="Porosity"
        value={band.porosity}
        disabled={!writable}
        options={POROSITIES.map((value) => ({ value, label: WORDS.porosity[value] }))}
        onChange={(porosity) => set(`Porosity ${porosity}`, 'porosity', { porosity })}
      />
      <Choice
        label="Condition (stretch a wet strand)"
        value={band.integrity}
        disabled={!writable}
        options={INTEGRITIES.map((value) => ({ value, label: WORDS.integrity[value] }))}
        onChange={(integrity) => set(`Condition ${integrity}`, 'integrity', { integrity })}
      />
      {writable && (
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
          <Button
            variant="outlined"
            color="inherit"
            aria-haspopup="menu"
            disabled={region === 'all'}
            onClick={(event) => setCopying(event.currentTarget)}
          >
            Copy strand to…
          </Button>
          <Menu open={copying !== null} anchorEl={copying} onClose={() => setCopying(null)}>
            {LENGTH_REGIONS.filter((one) => one !== region).map((to) => (
              <MenuItem
                key={to}
                onClick={() => {
                  setCopying(null)
                  if (region !== 'all')
                    store.edit(`Strand of ${WORDS.region[region]} copied to ${WORDS.region[to]}`, 'copy', (entry) => ({
                      ...entry,
                      canvas: copyBands(entry.canvas, region, [to]),
                    }))
                }}
              >
                {WORDS.region[to]}
              </MenuItem>
            ))}
          </Menu>
        </Box>
      )}
    </Stack>
  )
}
