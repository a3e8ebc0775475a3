'use client'
import { useSyncExternalStore } from 'react'

const KEY = 'falto-chair-whose'

function subscribe(changed: () => void): () => void {
  window.addEventListener('storage', changed)
  return () => window.removeEventListener('storage', changed)
}
const kept = () => localStorage.getItem(KEY)
/** The server draws everybody's steps. */
const everybodys = () => null

/** Whose steps this device shows, kept on it; undefined for everybody's. */
export function useWhose(people: readonly { id: string }[]): [string | undefined, (personId?: string) => void] {
  const whose = useSyncExternalStore(subscribe, kept, everybodys)
  const keep = (personId?: string) => {
    if (personId === undefined) localStorage.removeItem(KEY)
    else localStorage.setItem(KEY, personId)
    // Browsers tell other pages only.
    window.dispatchEvent(new StorageEvent('storage', { key: KEY }))
  }
  return [people.find(({ id }) => id === whose)?.id, keep]
}
