'use client'
import { useCallback, useState } from 'react'

/** Width of an element in CSS pixels, followed as it changes; attach `ref` to it. */
export function useWidth(): { ref: (element: HTMLElement | null) => (() => void) | undefined; width: number } {
  const [width, setWidth] = useState(0)
  const ref = useCallback((element: HTMLElement | null) => {
    if (!element) return undefined
    const observer = new ResizeObserver(([entry]) => setWidth(entry!.contentRect.width))
    observer.observe(element)
    return () => observer.disconnect()
  }, [])
  return { ref, width }
}
