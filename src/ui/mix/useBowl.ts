import { useEffect, useRef, useState } from 'react'
import { v7 as newId } from 'uuid'
import type { MixRecord, PourEvent } from '@/core/model'
import { pouringOf, type MixedPart, type Pouring } from '@/core/product/bowls'
import { callApi, OfflineError, failureWords } from '../hooks/api'
import { ownKey } from '../hooks/own'
import type { Scale } from './useScale'

/**
 * A bowl that is being weighed, as this device keeps it: what was poured, and what of that the server has yet to hear.
 */
interface Kept {
  mixId: string
  /** Whether the server knows of the bowl. */
  begun: boolean
  pouring: Pouring
  unsent: PourEvent[]
  /** What the scale showed when the line in hand was begun; nothing where nothing was poured yet. */
  from?: number
}

/** Which bowl of which plan. */
export interface BowlName {
  planId: string
  formulaId: string
  number: number
}

function restore(key: string): Kept | undefined {
  const text = localStorage.getItem(key)
  return text ? (JSON.parse(text) as Kept) : undefined
}

/** A bowl on the scale: kept on this device at every pour, and told to the server as soon as it can be. */
export function useBowl({ planId, formulaId, number }: BowlName, parts: readonly MixedPart[]) {
  const key = ownKey(`falto-bowl-${planId}-${formulaId}-${number}`)
  const [kept, setKept] = useState<Kept>(
    () => restore(key) ?? { mixId: newId(), begun: false, pouring: pouringOf(parts), unsent: [] },
  )
  const [trouble, setTrouble] = useState<string>()
  /** The newest state, for what is sent after something else was. */
  const latest = useRef(kept)
  /** The sending in hand, which the next one waits for. */
  const sending = useRef<Promise<unknown>>(Promise.resolve())

  function keep(next: Kept) {
    localStorage.setItem(key, JSON.stringify(next))
    latest.current = next
    setKept(next)
  }

  async function begin({ begun, mixId, pouring }: Kept) {
    if (begun) return
    const planned = pouring.lines.map(({ name, productId, role, grams }) => ({
      name,
      productId: productId ?? null,
      role,
      grams,
    }))
    await callApi(`/api/plans/${planId}/mixes`, 'POST', { id: mixId, formulaId, bowl: number, planned })
  }

  async function sendLatest(end?: 'done' | 'abandoned'): Promise<MixRecord['state'] | undefined> {
    const { mixId, unsent } = latest.current
    try {
      await begin(latest.current)
      const { state } = await callApi<{ state: MixRecord['state'] }>(`/api/mixes/${mixId}/pours`, 'POST', {
        events: unsent,
        ...(end && { end }),
      })
      const heard = new Set(unsent.map(({ id }) => id))
      setTrouble(undefined)
      keep({ ...latest.current, begun: true, unsent: latest.current.unsent.filter(({ id }) => !heard.has(id)) })
      return state
    } catch (error) {
      setTrouble(troubleOf(error))
      return undefined
    }
  }

  /**
   * Tells the server what it has not heard, one sending after the other; what cannot be sent stays on this device and
   * goes with the next try.
   */
  function send(end?: 'done' | 'abandoned'): Promise<MixRecord['state'] | undefined> {
    const sent = sending.current.then(() => sendLatest(end))
    sending.current = sent
    return sent
  }

  return {
    pouring: kept.pouring,
    /** What the scale showed when the line in hand was begun. */
    from: kept.from,
    trouble,
    /** Takes a step into the log. @param from what the scale shows as the next line begins */
    log(pouring: Pouring, event: Omit<PourEvent, 'id'>, from: number) {
      keep({ ...latest.current, pouring, from, unsent: [...latest.current.unsent, { id: newId(), ...event }] })
      void send()
    },
    /** Ends the bowl. @returns what became of it, or nothing where the server was not reached */
    async end(how: 'done' | 'abandoned') {
      const became = await send(how)
      if (became) localStorage.removeItem(key)
      return became
    },
  }
}

function troubleOf(error: unknown): string {
  if (error instanceof OfflineError) return 'Falto cannot be reached. The bowl is kept on this device; weigh on.'
  return failureWords(error)
}

/** Calls when the scale fell silent, and when it is back. */
export function useScaleGone(state: Scale['state'], told: (kind: 'lost' | 'back') => void) {
  const before = useRef(state)
  useEffect(() => {
    const was = before.current
    before.current = state
    if (was === 'there' && state === 'lost') told('lost')
    else if (was === 'lost' && state === 'there') told('back')
  })
}
