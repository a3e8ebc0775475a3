'use client'
import { wrap } from 'comlink'
import { useEffect, useState } from 'react'
import type { GalleryWorker, Thumbnail, ThumbnailOf } from '@/workers/gallery.worker'

/** A thumbnail that is wanted, and what it is called by the one who wants it. */
export interface Wanted {
  name: string
  /** Says all that the drawing follows from: what was drawn under it once is not drawn again. */
  key: string
  of: () => ThumbnailOf | Promise<ThumbnailOf>
}

/** So many are kept while one goes from page to page. Our choice: about 5 MB. */
const MOST_KEPT = 120
const kept = new Map<string, Thumbnail>()

function keep(key: string, thumbnail: Thumbnail) {
  kept.set(key, thumbnail)
  if (kept.size > MOST_KEPT) kept.delete(kept.keys().next().value!)
}

/**
 * Draws one after another in a worker, the first first; those that cannot be drawn stay without a picture.
 * @returns by their names, those that are done
 */
export function useThumbnails(wanted: readonly Wanted[]): ReadonlyMap<string, Thumbnail | undefined> {
  /** By their keys. */
  const [drawn, setDrawn] = useState<ReadonlyMap<string, Thumbnail | undefined>>(new Map())
  const keys = wanted.map(({ key }) => key).join('\n')
  useEffect(() => {
    const missing = wanted.filter(({ key }) => !kept.has(key))
    if (missing.length === 0) return
    const worker = new Worker(new URL('../../workers/gallery.worker.ts', import.meta.url), { type: 'module' })
    const api = wrap<GalleryWorker>(worker)
    let current = true
    async function drawAll() {
      for (const { key, of } of missing) {
        const thumbnail = await Promise.resolve()
          .then(of)
          .then(api.thumbnail)
          .catch(() => undefined)
        if (!current) return
        if (thumbnail) keep(key, thumbnail)
        setDrawn((before) => new Map(before).set(key, thumbnail))
      }
      worker.terminate()
    }
    void drawAll()
    return () => {
      current = false
      worker.terminate()
    }
    // The list is new with every drawing of the page; its keys say whether it differs.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [keys])
  const done = wanted.filter(({ key }) => kept.has(key) || drawn.has(key))
  return new Map(done.map(({ name, key }) => [name, drawn.get(key) ?? kept.get(key)]))
}
