'use client'
import { useEffect, useState } from 'react'
import { imageOf } from '../../parts/imageOf'
import type { LookRoom } from './useLook'

/** A veil over all but the hair that is pointed out; none where nothing is. */
export function useVeil(
  room: LookRoom | undefined,
  lane: string,
  image: ImageData | undefined,
  chosen: readonly string[],
): ImageData | undefined {
  const [veil, setVeil] = useState<ImageData>()
  const key = chosen.join(' ')
  useEffect(() => {
    if (!room || !image || key === '') return
    let current = true
    void room.api.veil(lane, key.split(' ')).then((answer) => current && setVeil(answer && imageOf(answer)))
    return () => {
      current = false
    }
  }, [room, lane, image, key])
  return key === '' ? undefined : veil
}
