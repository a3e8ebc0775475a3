'use client'
import { useSyncExternalStore } from 'react'

const never = () => () => {}

/** Whether this is a browser that has taken the page over; not on the server, nor while it is being taken over. */
export const useIsDrawing = (): boolean =>
  useSyncExternalStore(
    never,
    () => true,
    () => false,
  )
