'use client'
import { proxy, wrap, type Remote } from 'comlink'
import { useEffect, useState } from 'react'
import type { LookWorker, PictureAnswer, PictureWish } from '@/workers/look.worker'
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
    let loaded: unknown
    let version = 0
    async function load() {
      const { document, canvas } = store.getState()
      if (loaded === document) return
      loaded = document
      await api.load(document, canvas)
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

export const imageOf = ({ width, height, rgba }: NonNullable<PictureAnswer>): ImageData =>
  new ImageData(rgba as Uint8ClampedArray<ArrayBuffer>, width, height)

/** A picture, as far as it has come. */
export interface Shown {
  image: ImageData | undefined
  /** 0…1 while one is being made. */
  progress: number
}

/** Asks for a picture whenever what is asked for changes: first a quick one, then the fine one. */
export function usePicture(room: LookRoom | undefined, wish: Omit<PictureWish, 'quality'>): Shown {
  const [shown, setShown] = useState<Shown>({ image: undefined, progress: 0 })
  const key = JSON.stringify(wish)
  useEffect(() => {
    if (!room) return
    let current = true
    const own = JSON.parse(key) as typeof wish
    const onProgress = proxy((progress: number) => current && setShown((before) => ({ ...before, progress })))
    async function ask() {
      for (const quality of ['quick', 'fine'] as const) {
        const answer = await room!.api.picture({ ...own, quality }, onProgress)
        if (!current) return
        if (!answer) break
        setShown({ image: imageOf(answer), progress: quality === 'fine' ? 1 : 0.9 })
      }
    }
    void ask()
    return () => {
      current = false
    }
  }, [room, key])
  return shown
}
