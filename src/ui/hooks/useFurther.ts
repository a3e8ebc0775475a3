'use client'
import { useState } from 'react'
import { useNotice } from '../notices'
import { callApi, failureWords } from './api'

/** A list that comes a page at a time; `next` says where the next page begins. */
export interface Page<T> {
  items: readonly T[]
  next: string | null
}

/**
 * A list whose first page is there and whose further ones are asked for, one after the other.
 * @param further asks for the page that begins at a place
 */
export function useFurther<T>(first: Page<T>, further: (after: string) => Promise<Page<T>>) {
  const [more, setMore] = useState<Page<T> & { to: readonly T[] }>({ to: first.items, items: [], next: first.next })
  const [busy, setBusy] = useState(false)
  const notice = useNotice()
  // What belongs to a list that was asked for before is not part of this one.
  const { items, next } = more.to === first.items ? more : { items: [], next: first.next }
  async function goOn(): Promise<void> {
    if (next === null) return
    setBusy(true)
    try {
      const page = await further(next)
      setMore({ to: first.items, items: [...items, ...page.items], next: page.next })
    } catch (problem) {
      notice(failureWords(problem))
    }
    setBusy(false)
  }
  return { items: [...first.items, ...items], hasMore: next !== null, busy, goOn: () => void goOn() }
}

/** Asks a route of ours for a page under the name that it gives its list. */
export const pageOf =
  <T>(name: string, pathTo: (after: string) => string) =>
  async (after: string): Promise<Page<T>> => {
    const answer = await callApi<Record<string, unknown>>(pathTo(after))
    return { items: answer[name] as T[], next: answer['next'] as string | null }
  }
