import { useCallback, useEffect, useRef, useState } from 'react'
import type { ClientRecord } from '@/core/model'
import { differences } from '../differences'
import { callApi } from '../hooks/api'

type Entry = Pick<ClientRecord, 'name' | 'note' | 'head'>

/** A change is saved once a hand has rested so long, ms. Our estimate. */
const REST_MS = 800

const bodyOf = (entry: Entry, baseRevision: number) => ({ ...entry, name: entry.name.trim(), baseRevision })

/** A client's name, note and head, saved by themselves: after a rest, and at once when the page is left. */
export function useClientRecord(record: ClientRecord, writable: boolean) {
  const [entry, setEntry] = useState<Entry>({ name: record.name, note: record.note, head: record.head })
  const [kept, setKept] = useState({ entry, revision: record.revision })
  const [error, setError] = useState<unknown>()
  const [busy, setBusy] = useState(false)
  const changed = differences(kept.entry, entry).length > 0
  const unnamed = entry.name.trim() === ''

  const save = useCallback(async () => {
    setBusy(true)
    setError(undefined)
    try {
      const body = bodyOf(entry, kept.revision)
      const { revision } = await callApi<{ revision: number }>(`/api/clients/${record.id}`, 'PUT', body)
      setKept({ entry, revision })
    } catch (problem) {
      setError(problem)
    }
    setBusy(false)
  }, [entry, kept.revision, record.id])

  const due = writable && changed && !unnamed && !busy && error === undefined
  useEffect(() => {
    if (!due) return
    const timer = setTimeout(() => void save(), REST_MS)
    return () => clearTimeout(timer)
  }, [due, save])

  const unsent = useRef<object>(undefined)
  useEffect(() => {
    unsent.current = due ? bodyOf(entry, kept.revision) : undefined
  })
  useEffect(() => {
    const leave = () => {
      if (!unsent.current) return
      // Goes out though the page is gone before the answer comes.
      const headers = { 'content-type': 'application/json' }
      const body = JSON.stringify(unsent.current)
      void fetch(`/api/clients/${record.id}`, { method: 'PUT', keepalive: true, headers, body })
      unsent.current = undefined
    }
    window.addEventListener('pagehide', leave)
    return () => {
      window.removeEventListener('pagehide', leave)
      leave()
    }
  }, [record.id])

  return {
    entry,
    kept: kept.entry,
    error,
    status: unnamed ? 'unnamed' : changed || busy ? 'waiting' : kept.revision > record.revision ? 'saved' : 'rest',
    change: (part: Partial<Entry>) => {
      setError(undefined)
      setEntry((before) => ({ ...before, ...part }))
    },
  } as const
}
