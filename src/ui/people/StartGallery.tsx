'use client'
import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { wrap } from 'comlink'
import { useEffect, useRef, useState } from 'react'
import type { GalleryWorker, Sitter, Thumbnail } from '@/workers/gallery.worker'
import { LINE } from '../theme'

interface Props {
  starts: readonly { value: string; label: string }[]
  chosen: string
  sitter: Sitter
  onChoose: (value: string) => void
}

/** What a plan can be started from, each on this client's own map and head, small. */
export function StartGallery({ starts, chosen, sitter, onChoose }: Props) {
  const thumbnails = useThumbnails(starts, sitter)
  const left = starts.length - thumbnails.size
  return (
    <Box role="radiogroup" aria-label="Starts to look at">
      {left > 0 && (
        <LinearProgress
          variant="determinate"
          value={(100 * thumbnails.size) / starts.length}
          aria-label="Drawing what there is to start from"
        />
      )}
      <Box sx={GRID}>
        {starts.map(({ value, label }) => (
          <ButtonBase
            key={value}
            role="radio"
            aria-checked={chosen === value}
            onClick={() => onChoose(value)}
            sx={{ ...CARD, ...(chosen === value && { borderColor: 'text.primary', bgcolor: 'action.selected' }) }}
          >
            <Box sx={{ display: 'flex', gap: 0.5, height: 88, alignItems: 'center' }}>
              <Small thumbnail={thumbnails.get(value)} part="map" />
              <Small thumbnail={thumbnails.get(value)} part="look" />
            </Box>
            <Typography variant="body2" sx={{ lineHeight: 1.2 }}>
              {label}
            </Typography>
          </ButtonBase>
        ))}
      </Box>
    </Box>
  )
}

const GRID = {
  display: 'grid',
  gap: 1,
  mt: 1,
  gridTemplateColumns: 'repeat(auto-fill, minmax(148px, 1fr))',
  maxHeight: 330,
  overflow: 'auto',
} as const
const CARD = {
  flexDirection: 'column',
  justifyContent: 'flex-start',
  border: LINE,
  borderRadius: 1,
  p: 1,
  textAlign: 'center',
  '&:focus-visible': { outline: '2px solid', outlineOffset: '-2px' },
} as const

/** Draws one start after another, the first first; what cannot be drawn for her stays without pictures. */
function useThumbnails(starts: Props['starts'], sitter: Sitter): ReadonlyMap<string, Thumbnail | undefined> {
  const [drawn, setDrawn] = useState<ReadonlyMap<string, Thumbnail | undefined>>(new Map())
  const wanted = useRef({ starts, sitter })
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/gallery.worker.ts', import.meta.url), { type: 'module' })
    const api = wrap<GalleryWorker>(worker)
    let current = true
    async function drawAll() {
      for (const { value } of wanted.current.starts) {
        const thumbnail = await api.thumbnail(value, wanted.current.sitter).catch(() => undefined)
        if (!current) return
        setDrawn((before) => new Map(before).set(value, thumbnail))
      }
    }
    void drawAll()
    return () => {
      current = false
      worker.terminate()
    }
  }, [])
  return drawn
}

function Small({ thumbnail, part }: { thumbnail: Thumbnail | undefined; part: keyof Thumbnail }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const pen = canvas.current?.getContext('2d')
    if (!pen || !thumbnail) return
    if (part === 'map') pen.drawImage(thumbnail.map, 0, 0)
    else {
      const { rgba, width, height } = thumbnail.look
      pen.putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0)
    }
  }, [thumbnail, part])
  return <canvas ref={canvas} width={96} height={128} aria-hidden style={{ width: 62, height: 83 }} />
}
