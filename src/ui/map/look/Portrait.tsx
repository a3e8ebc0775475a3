'use client'
import Box from '@mui/material/Box'
import LinearProgress from '@mui/material/LinearProgress'
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react'
import type { Moment } from '@/core/appearance/paint'
import type { View } from '@/core/appearance/picture'
import type { Wear } from '@/core/appearance/strands'
import type { Tapped } from '@/workers/look.worker'
import { PORTRAIT, TURN_STEPS, usePicture, type LookRoom, type Pace } from './useLook'
import { useVeil } from './useVeil'

/** What a portrait shows. */
export interface Pose {
  ideaId: string
  wear: Wear
  moment: Moment
}

interface Props {
  room: LookRoom | undefined
  /** Names the picture in the worker: two beside each other do not take each other's turn. */
  lane: string
  pose: Pose
  view: View
  /** Turned about, as in a mirror. */
  mirrored: boolean
  label: string
  onTurn: (view: View) => void
  onTap?: ((tapped: Tapped) => void) | undefined
  /** Hair of these zones or pieces is pointed out. */
  chosen: readonly string[]
}

/** A hand on the picture: where it came down, the view then, and how far it has turned it. */
interface Drag {
  x: number
  y: number
  view: View
  steps: number
  tilts: number
  moved: boolean
}

/** A drag turns in steps, so that what was seen before is there at once. */
const STEP = (2 * Math.PI) / TURN_STEPS
const PIXELS_A_STEP = 26
const MOST_TILT = 1.4

/** One picture of the Look: drag or arrow keys turn it, a tap says which foil this is. */
export function Portrait({ room, lane, pose, view, mirrored, label, onTurn, onTap, chosen }: Props) {
  const [pace, setPace] = useState<Pace>('leisure')
  const { image, progress } = usePicture(room, { lane, ...pose, view }, pace)
  const frame = useRef<HTMLDivElement>(null)
  const drag = useRef<Drag>(undefined)
  const veil = useVeil(room, lane, image, pace === 'leisure' ? chosen : [])

  const turnBy = (from: View, steps: number, tilts: number) =>
    onTurn({
      turn: from.turn + (mirrored ? -1 : 1) * steps * STEP,
      tilt: Math.min(MOST_TILT, Math.max(-0.3, from.tilt + tilts * STEP)),
    })

  function move(event: PointerEvent) {
    const { current } = drag
    if (!current) return
    const steps = Math.round((event.clientX - current.x) / PIXELS_A_STEP)
    const tilts = Math.round((event.clientY - current.y) / PIXELS_A_STEP)
    if (steps === current.steps && tilts === current.tilts) return
    Object.assign(current, { steps, tilts, moved: true })
    setPace('turning')
    turnBy(current.view, -steps, tilts)
  }

  async function release(event: PointerEvent) {
    const { current } = drag
    drag.current = undefined
    setPace('leisure')
    if (!current || current.moved || !onTap || !room || !frame.current) return
    const box = frame.current.getBoundingClientRect()
    const x = (event.clientX - box.left) / box.width
    const tapped = await room.api.tap(lane, mirrored ? 1 - x : x, (event.clientY - box.top) / box.height)
    if (tapped) onTap(tapped)
  }

  function keys(event: KeyboardEvent) {
    const { key } = event
    const steps = { ArrowLeft: 1, ArrowRight: -1 }[key]
    const tilts = { ArrowUp: 1, ArrowDown: -1 }[key]
    if (steps === undefined && tilts === undefined) return
    event.preventDefault()
    turnBy(view, steps ?? 0, tilts ?? 0)
  }

  return (
    <Box role="group" aria-label={label} data-ready={progress === 1} sx={ROOM}>
      <Box
        ref={frame}
        tabIndex={0}
        role="img"
        aria-label={`${label}; arrow keys turn it`}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId)
          drag.current = { x: event.clientX, y: event.clientY, view, steps: 0, tilts: 0, moved: false }
        }}
        onPointerMove={move}
        onPointerUp={(event) => void release(event)}
        onKeyDown={keys}
        sx={{
          ...FRAME,
          transform: mirrored ? 'scaleX(-1)' : 'none',
          '& canvas': { position: 'absolute', inset: 0, width: '100%', height: '100%' },
        }}
      >
        <Sheet image={image} name={lane} />
        {veil && <Sheet image={veil} />}
      </Box>
      {progress < 1 && (
        <LinearProgress
          variant={image ? 'indeterminate' : 'determinate'}
          value={100 * progress}
          aria-label="Drawing the look"
          sx={{ position: 'absolute', left: 0, right: 0, top: 0, height: 3 }}
        />
      )}
    </Box>
  )
}

/** Pixels as they are. */
function Sheet({ image, name }: { image: ImageData | undefined; name?: string }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    const sheet = canvas.current
    if (!image || !sheet) return
    if (sheet.width !== image.width) Object.assign(sheet, { width: image.width, height: image.height })
    sheet.getContext('2d')!.putImageData(image, 0, 0)
  }, [image])
  return <canvas ref={canvas} width={PORTRAIT.width} height={PORTRAIT.height} data-portrait={name} />
}

const ROOM = {
  position: 'relative',
  minWidth: 0,
  minHeight: 0,
  display: 'grid',
  placeItems: 'center',
  flex: 1,
  containerType: 'size',
} as const
/** As large as there is room, and never out of shape. */
const FRAME = {
  position: 'relative',
  aspectRatio: '3 / 4',
  width: 'min(100cqw, 75cqh)',
  touchAction: 'none',
  cursor: 'grab',
  userSelect: 'none',
} as const
