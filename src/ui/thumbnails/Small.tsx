'use client'
import Box from '@mui/material/Box'
import { useEffect, useRef } from 'react'
import { THUMBNAIL } from '@/workers/thumbnail'
import type { Thumbnail } from '@/workers/gallery.worker'

interface Props {
  /** Missing while it is drawn, and where it cannot be. */
  thumbnail: Thumbnail | undefined
}

/** Its map beside its head. The words beside it say what it is, so it is hidden from who cannot see it. */
export const SmallPair = ({ thumbnail }: Props) => (
  <Box sx={{ display: 'flex', gap: 0.5, alignItems: 'center' }}>
    <SmallMap thumbnail={thumbnail} />
    <SmallHead thumbnail={thumbnail} />
  </Box>
)

export function SmallMap({ thumbnail }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const pen = canvas.current?.getContext('2d')
    if (!pen || !thumbnail) return
    pen.clearRect(0, 0, THUMBNAIL.width, THUMBNAIL.height)
    pen.drawImage(thumbnail.map, 0, 0)
  }, [thumbnail])
  return <canvas ref={canvas} {...SHEET} />
}

function SmallHead({ thumbnail }: Props) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const pen = canvas.current?.getContext('2d')
    if (!pen || !thumbnail?.look) return
    const { rgba, width, height } = thumbnail.look
    pen.putImageData(new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height), 0, 0)
  }, [thumbnail])
  return <canvas ref={canvas} {...SHEET} />
}

const SHEET = {
  width: THUMBNAIL.width,
  height: THUMBNAIL.height,
  'aria-hidden': true,
  style: { width: 62, height: 83 },
} as const
