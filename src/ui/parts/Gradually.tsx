'use client'
import { Children, startTransition, useEffect, useState, type ReactNode } from 'react'

/** Puts its children on the page one after another: a page's first styles cost more than a press may take. */
export function Gradually({ children }: { children: ReactNode }) {
  const all = Children.toArray(children)
  const [shown, setShown] = useState(0)
  useEffect(() => {
    if (shown < all.length) startTransition(() => setShown(shown + 1))
  }, [shown, all.length])
  return all.slice(0, shown)
}
