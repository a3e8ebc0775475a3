'use client'
import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useState } from 'react'
import type { LookWorker, PictureWish } from '@/workers/look.worker'
import { imageOf } from '../../parts/imageOf'
import { usePlanStore } from '../context'

/** A worker that knows the plan in hand, and how often that has changed. */
export interface LookRoom {
  api: Remote<LookWorker>
  /** Grows with every change of the plan. */
  version: number
}

/** Starts a worker for the Look and tells it of every change of the plan, as soon as the plan worker has judged it. */
export function useLook(): LookRoom | undefined {
  const { store } = usePlanStore()
  const [room, setRoom] = useState<LookRoom>()
  useEffect(() => {
    const worker = new Worker(new URL('../../../workers/look.worker.ts', import.meta.url), { type: 'module' })
    const api = wrap<LookWorker>(worker)
    const { canvas } = store.getState()
    if (canvas) void api.knowHair(canvas)
    let loaded: unknown
    let version = 0
    async function load() {
      const { document } = store.getState()
      if (loaded === document) return
      loaded = document
      await api.load(document)
      setRoom({ api, version: ++version })
    }
    const unsubscribe = store.subscribe(() => void load())
    void load()
    return () => {
      unsubscribe()
      worker.terminate()
    }
  }, [store])
  return room
}

/** A picture, as far as it has come. */
export interface Shown {
  image: ImageData | undefined
  /** 0…1 while one is being made. */
  progress: number
}

/** How a picture is asked for: at leisure, or while a hand turns it. */
export type Pace = 'leisure' | 'turning'

/** Sizes of pictures at leisure (drawn at twice that) and while a hand turns them, pixels. */
export const PORTRAIT = { width: 480, height: 640 } as const
const TURNING = { width: 240, height: 320 } as const
/** Views all round that a turning hand steps through. Our choice. */
export const TURN_STEPS = 24

/**
 * Asks for a picture whenever what is asked for changes: first a quick one, then the fine one, and then makes ready
 * what turning it will show. While a hand turns it, small quick ones keep up.
 */
export function usePicture(
  room: LookRoom | undefined,
  wish: Omit<PictureWish, 'quality' | 'width' | 'height'>,
  pace: Pace,
): Shown {
  const [shown, setShown] = useState<Shown>({ image: undefined, progress: 0 })
  const key = JSON.stringify(wish)
  useEffect(() => {
    if (!room) return
    let current = true
    const own = JSON.parse(key) as typeof wish
    const { api } = room
    const onProgress = proxy((progress: number) => current && setShown((before) => ({ ...before, progress })))
    const take = async (quality: PictureWish['quality'], size: { width: number; height: number }) => {
      const answer = await api.picture({ ...own, ...size, quality }, onProgress)
      if (!current || !answer) return false
      setShown({ image: imageOf(answer), progress: quality === 'fine' || pace === 'turning' ? 1 : 0.9 })
      return true
    }
    async function ask() {
      if (pace === 'turning') return take('quick', TURNING)
      if ((await take('quick', PORTRAIT)) && (await take('fine', PORTRAIT)))
        return api.warm({ ...own, ...TURNING, quality: 'quick' }, TURN_STEPS)
    }
    void ask()
    return () => {
      current = false
    }
  }, [room, key, pace])
  return shown
}
