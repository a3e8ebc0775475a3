import { useState } from 'react'
import type { Limit } from '@/core/model'
import { useUnits } from '../hooks/useUnits'

export interface TypedNumber {
  /** As it is kept. */
  value: number | undefined
  limit: Limit
  step: number
  onChange: (value: number) => void
  /** Called when an optional figure is emptied. */
  onClear?: () => void
}

/** A figure while it is typed: only the whole entry is ever taken, and only where it lies within the limit. */
export function useTypedNumber({ value, limit, step, onChange, onClear }: TypedNumber) {
  const reading = useUnits().field(limit.unit)
  const [typed, setTyped] = useState<string>()
  /** Whether the entry has been left as it stands; until then a hand is still typing and is not told off. */
  const [left, setLeft] = useState(false)
  const range = `${reading.shown(limit.min)} to ${reading.shown(limit.max)} ${reading.unit}`.trim()
  const entry = typed === undefined ? undefined : read(typed)

  /** What an entry means, as it is kept; `wrong` where it cannot be taken. */
  function read(text: string): number | 'cleared' | 'wrong' {
    if (text.trim() === '') return onClear ? 'cleared' : 'wrong'
    const number = Number(text.replace(',', '.'))
    if (!Number.isFinite(number)) return 'wrong'
    const kept = keptOf(number)
    return limited(kept) === kept ? kept : 'wrong'
  }

  /** What reads as one of the limits is that limit. */
  function keptOf(number: number): number {
    return [limit.min, limit.max].find((end) => reading.shown(end) === number) ?? reading.kept(number)
  }

  function limited(kept: number): number {
    return Math.min(limit.max, Math.max(limit.min, kept))
  }

  function type(text: string) {
    setTyped(text)
    setLeft(false)
  }

  function take() {
    if (entry === undefined) return
    setLeft(true)
    if (entry === 'wrong') return
    setTyped(undefined)
    if (entry === 'cleared') onClear?.()
    else if (entry !== value) onChange(entry)
  }

  function stepBy(steps: number) {
    const base = reading.shown(value ?? (limit.min + limit.max) / 2)
    const by = reading.step(step)
    const next = Math.round((Math.round(base / by) * by + steps * by) * 1000) / 1000
    setTyped(undefined)
    onChange(limited(keptOf(next)))
  }

  return {
    shown: typed ?? (value === undefined ? '' : String(reading.shown(value))),
    unit: reading.unit,
    wrong: entry === 'wrong' && left ? `Enter a number from ${range}.` : undefined,
    type,
    take,
    /** Goes back to what is kept. */
    leave: () => setTyped(undefined),
    stepBy,
  }
}
