'use client'
import { transfer, wrap, type Remote } from 'comlink'
import { useEffect, useRef, useState, type RefObject } from 'react'
import type { HeadModel } from '@/core/plan/sheets'
import type { HeadShown, HeadWorker } from '@/workers/head.worker'

/** What the caller knows; size and sharpness are measured here. */
export type HeadWish = Omit<HeadShown, 'width' | 'height' | 'sharpness'>

/** The head is drawn so sharp at most, pixels to one of CSS: more is not told apart. Our choice. */
const MOST_SHARPNESS = 2

/**
 * Has the head drawn in a worker, on a canvas that is put into `frame`: the page's own thread stays free while the
 * drawing library is loaded and while it draws. Of several wishes only the newest is drawn.
 */
export function useHeadPicture(frame: RefObject<HTMLElement | null>, model: HeadModel | undefined, wish: HeadWish) {
  const [room, setRoom] = useState<{ api: Remote<HeadWorker> } | 'cannot'>()
  const [size, setSize] = useState({ width: 0, height: 0 })
  const [loaded, setLoaded] = useState<HeadModel>()
  const [isShown, setShown] = useState(false)
  const [isBusy, setBusy] = useState(false)
  const newest = useRef<HeadShown>(undefined)
  const isDrawing = useRef(false)

  useEffect(() => {
    const place = frame.current
    if (!place) return
    const worker = new Worker(new URL('../../../workers/head.worker.ts', import.meta.url), { type: 'module' })
    const api = wrap<HeadWorker>(worker)
    // A canvas can be handed over once, so each worker gets a new one.
    const canvas = document.createElement('canvas')
    canvas.setAttribute('aria-hidden', 'true')
    place.append(canvas)
    const drawn = canvas.transferControlToOffscreen()
    void api.begin(transfer(drawn, [drawn])).then((can) => setRoom(can ? { api } : 'cannot'))
    const sizes = new ResizeObserver(([entry]) => {
      if (entry) setSize({ width: entry.contentRect.width, height: entry.contentRect.height })
    })
    sizes.observe(place)
    return () => {
      sizes.disconnect()
      worker.terminate()
      canvas.remove()
    }
  }, [frame])

  useEffect(() => {
    if (!room || room === 'cannot' || !model) return
    let isCurrent = true
    void room.api.load(model).then(() => isCurrent && setLoaded(model))
    return () => {
      isCurrent = false
    }
  }, [room, model])

  const key = JSON.stringify(wish)
  useEffect(() => {
    if (!room || room === 'cannot' || !loaded || size.width === 0) return
    newest.current = { ...wish, ...size, sharpness: Math.min(MOST_SHARPNESS, window.devicePixelRatio) }
    async function draw(api: Remote<HeadWorker>) {
      isDrawing.current = true
      setBusy(true)
      while (newest.current) {
        const shown = newest.current
        newest.current = undefined
        await api.show(shown)
      }
      isDrawing.current = false
      setShown(true)
      setBusy(false)
    }
    if (!isDrawing.current) void draw(room.api)
    // The wish is new with every drawing of the page; its key says whether it differs.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [room, loaded, size, key])

  return {
    state: room === 'cannot' ? ('cannot' as const) : isShown ? ('shown' as const) : ('waits' as const),
    /** Whether what is wished now is still being drawn. */
    isBusy,
    pick: room && room !== 'cannot' ? room.api.pick : undefined,
  }
}
