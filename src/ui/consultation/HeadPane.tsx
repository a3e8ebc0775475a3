'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { Link } from '../link'
import { useState } from 'react'
import {
  mainStrand,
  meanWhite,
  paintWhite,
  SCALP_CELLS,
  setLength,
  strandLength,
  whiteOfCell,
} from '@/core/hair/hairRecord'
import { mapFromPlace, type Head } from '@/core/scalp/head'
import { LENGTH_REGIONS, LIMITS, type LengthRegion } from '@/core/model'
import { Choice, NumberField } from '../parts'
import { dateInWords, WORDS } from '../words'
import { useConsultation, useEntry } from './context'
import { EarlierWork } from './EarlierWork'
import { HeadMap } from './HeadMap'

const MODES = [
  { value: 'white', label: 'White hair' },
  { value: 'regions', label: 'Lengths' },
  { value: 'earlier', label: 'Earlier work' },
] as const
export type Mode = (typeof MODES)[number]['value']

const SHARES = [0, 0.1, 0.25, 0.5, 0.75, 1] as const
/** Radius of the brush on the map, cm; 0 paints single spots. */
const BRUSHES = [
  { value: '0', label: 'one spot' },
  { value: '2.2', label: '4 cm' },
  { value: '4', label: '8 cm' },
] as const

/** The head from above: white hair painted on it, lengths by region, what earlier visits treated. */
export function HeadPane() {
  const { store, writable, open } = useConsultation()
  const [mode, setMode] = useState<Mode>('white')
  const [cursor, setCursor] = useState<number>()
  const brush = useBrush()

  function press(cell: number) {
    if (mode === 'white' && writable) brush.paintAt(cell)
    else if (mode === 'regions') store.show(SCALP_CELLS[cell]!.region)
  }

  return (
    <Box
      component="section"
      aria-label="The head"
      sx={{
        display: 'grid',
        gridTemplateColumns: { xs: '1fr', sm: 'minmax(260px, 1fr) minmax(240px, 1fr)' },
        gap: 2,
        mt: 2,
      }}
    >
      <Box sx={{ minWidth: 0, maxWidth: 460 }}>
        {mode === 'earlier' && open.lastVisit ? (
          <EarlierWork visit={open.lastVisit} />
        ) : (
          <HeadMap
            mode={mode}
            paintable={mode === 'white' && writable}
            cursor={mode === 'white' ? cursor : undefined}
            onCursor={setCursor}
            onCell={press}
          />
        )}
      </Box>
      <Stack spacing={1.25}>
        <Choice label="Show on the head" value={mode} options={MODES} onChange={setMode} />
        {mode === 'white' && <WhiteHair brush={brush} cursor={cursor} />}
        {mode === 'regions' && <Lengths />}
        {mode === 'earlier' && <EarlierWords />}
      </Stack>
    </Box>
  )
}

type Brush = ReturnType<typeof useBrush>

/** What white is painted with, and the painting. */
function useBrush() {
  const { store, head } = useConsultation()
  const [share, setShare] = useState<number>(0.5)
  const [radius, setRadius] = useState<string>('2.2')
  const paint = (cells: Iterable<number>, what: string) =>
    store.edit(`${Math.round(100 * share)} % white, ${what}`, 'white', (entry) => ({
      ...entry,
      canvas: paintWhite(entry.canvas, new Set(cells), share),
    }))
  return {
    share,
    setShare,
    radius,
    setRadius,
    paintAt: (cell: number) => paint(brushCells(head, cell, Number(radius)), 'painted'),
    /** Fills a region, or the whole head without one. */
    fill: (region?: LengthRegion) =>
      paint(
        SCALP_CELLS.filter((cell) => region === undefined || cell.region === region).map(({ index }) => index),
        region ? WORDS.region[region] : 'whole head',
      ),
  }
}

function WhiteHair({ brush, cursor }: { brush: Brush; cursor: number | undefined }) {
  const { head, writable } = useConsultation()
  const canvas = useEntry((state) => state.entry.canvas)
  const hair = useEntry((state) => state.entry.hair)
  return (
    <>
      <Typography>
        <b>{Math.round(100 * meanWhite(head, hair, canvas))} %</b> white on the whole head
        {cursor !== undefined && `; ${Math.round(100 * whiteOfCell(canvas.cells[cursor]!))} % under the brush`}
      </Typography>
      {writable && <BrushFields brush={brush} />}
    </>
  )
}

function BrushFields({ brush: { share, setShare, radius, setRadius, fill } }: { brush: Brush }) {
  return (
    <>
      <Choice
        label="Paint with"
        value={String(share)}
        options={SHARES.map((value) => ({ value: String(value), label: `${Math.round(100 * value)} %` }))}
        onChange={(value) => setShare(Number(value))}
      />
      <Choice label="Brush" value={radius} options={BRUSHES} onChange={setRadius} />
      <Box>
        <Typography variant="caption" color="textSecondary">
          Or fill a region with {Math.round(100 * share)} %
        </Typography>
        <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5 }}>
          {[...LENGTH_REGIONS, undefined].map((region) => (
            <Button
              key={region ?? 'all'}
              size="small"
              variant="outlined"
              color="inherit"
              sx={{ borderColor: 'divider' }}
              onClick={() => fill(region)}
            >
              {region ? WORDS.region[region] : 'Whole head'}
            </Button>
          ))}
        </Box>
      </Box>
      <Typography variant="caption" color="textSecondary">
        Drag on the head. By keyboard: arrow keys move the brush, space paints.
      </Typography>
    </>
  )
}

function Lengths() {
  const region = useEntry((state) => state.region)
  return (
    <>
      <Typography variant="caption" color="textSecondary">
        Stretched lengths, measured at each region. Tap one on the head to see its strand.
      </Typography>
      {(region === 'all' ? LENGTH_REGIONS : [region]).map((one) => (
        <RegionLength key={one} region={one} />
      ))}
    </>
  )
}

function EarlierWords() {
  const { lastVisit } = useConsultation().open
  return (
    <Typography color="textSecondary">
      {lastVisit
        ? `“${lastVisit.document.name}”, carried out on ${dateInWords(lastVisit.on)}. Its foils lie under the next plan’s map too; what they took is a kind of hair of its own above.`
        : 'No plan has been recorded as carried out yet. When one is, under Overview, its foils show here and the hair they treated becomes a kind of its own.'}
      {lastVisit && (
        <>
          {' '}
          <Link href={`/visits/${lastVisit.id}`} style={{ color: 'inherit' }}>
            Its record
          </Link>
        </>
      )}
    </Typography>
  )
}

function RegionLength({ region }: { region: LengthRegion }) {
  const { store, writable } = useConsultation()
  const length = useEntry((state) => strandLength(mainStrand(state.entry.canvas, region).bands))
  return (
    <NumberField
      layout="row"
      label={WORDS.region[region]}
      value={length}
      limit={{ ...LIMITS.bandEdgeCm, min: 1 }}
      step={1}
      disabled={!writable}
      onChange={(cm) =>
        store.edit(`${WORDS.region[region]} ${cm} cm`, `length/${region}`, (entry) => ({
          ...entry,
          canvas: setLength(entry.canvas, region, cm),
        }))
      }
    />
  )
}

/** Cells whose middle lies within a brush laid on a cell. */
function brushCells(head: Head, cell: number, radius: number): number[] {
  const at = mapFromPlace(head, SCALP_CELLS[cell]!.centre)
  return SCALP_CELLS.filter(({ index, centre }) => {
    if (index === cell) return true
    const { x, y } = mapFromPlace(head, centre)
    return Math.hypot(x - at.x, y - at.y) <= radius
  }).map(({ index }) => index)
}
