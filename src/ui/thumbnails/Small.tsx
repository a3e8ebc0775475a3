'use client'
import Box from '@mui/material/Box'
import { useEffect, useRef } from 'react'
import { THUMBNAIL } from '@/workers/thumbnail'
import type { Thumbnail } from '@/workers/gallery.worker'
import { imageOf } from '../parts/imageOf'

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

export const SmallMap = ({ thumbnail }: Props) => (
  <Sheet of={thumbnail} paint={(pen, { map }) => pen.drawImage(map, 0, 0)} />
)

const SmallHead = ({ thumbnail }: Props) => (
  <Sheet of={thumbnail} paint={(pen, { look }) => look && pen.putImageData(imageOf(look), 0, 0)} />
)

interface SheetProps {
  of: Thumbnail | undefined
  paint: (pen: CanvasRenderingContext2D, thumbnail: Thumbnail) => void
}

function Sheet({ of, paint }: SheetProps) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const pen = canvas.current?.getContext('2d')
    if (!pen || !of) return
    pen.clearRect(0, 0, THUMBNAIL.width, THUMBNAIL.height)
    paint(pen, of)
    // How it is painted never changes; what is painted does.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [of])
  return <canvas ref={canvas} {...THUMBNAIL} aria-hidden style={{ width: 62, height: 83 }} />
}
