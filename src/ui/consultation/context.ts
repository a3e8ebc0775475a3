'use client'
import { createContext, useContext } from 'react'
import { useStore } from 'zustand'
import { kindsOf, setBands } from '@/core/hair/hairRecord'
import type { Head } from '@/core/scalp/head'
import type { Band, OpenConsultation, Strand, TreatmentKind } from '@/core/model'
import { WORDS } from '../words'
import type { ConsultationState, ConsultationStore } from './store'

interface Context {
  store: ConsultationStore
  open: OpenConsultation
  head: Head
  writable: boolean
}

export const ConsultationContext = createContext<Context | undefined>(undefined)

export function useConsultation(): Context {
  const context = useContext(ConsultationContext)
  if (!context) throw new Error('There is no open consultation around this part.')
  return context
}

export const useEntry = <T>(select: (state: ConsultationState) => T): T => useStore(useConsultation().store, select)

/** Kinds of strand of the region in sight, largest share first, and the one that is being read. */
export function strandsInSight({ entry, region, strandId }: ConsultationState): {
  strands: ReturnType<typeof kindsOf>
  strand: Strand
} {
  const strands = kindsOf(entry.canvas, region)
  return { strands, strand: (strands.find(({ strand }) => strand.id === strandId) ?? strands[0]!).strand }
}

/** Puts new bands on a strand of the region in sight, and keeps the eye on it. */
export function editBands(
  store: ConsultationStore,
  label: string,
  key: string,
  change: (bands: Band[]) => Band[],
  band?: number,
): void {
  const { region } = store.getState()
  const { strand } = strandsInSight(store.getState())
  store.edit(label, key, (entry) => ({
    ...entry,
    canvas: setBands(entry.canvas, region, strand.id, change(strand.bands)),
  }))
  if (band !== undefined) store.setState({ band })
}

/** What was done in order; what was done several times in a row is said once. */
export function historyWords({ treatments }: Pick<Band, 'treatments'>): string {
  const runs: { kind: TreatmentKind; times: number }[] = []
  for (const { kind } of treatments) {
    const last = runs.at(-1)
    if (last?.kind === kind) last.times++
    else runs.push({ kind, times: 1 })
  }
  const words = runs.map(({ kind, times }) => WORDS.treatment[kind].toLowerCase() + (times > 1 ? ` × ${times}` : ''))
  return words.join(', then ') || 'virgin'
}

export const toneWords = ({ hue, strength }: Pick<Band, 'hue' | 'strength'>): string =>
  strength <= 0 || hue === 'neutral' ? 'neutral' : WORDS.hue[hue]

/** Levels of a strand that are read at a glance. */
const LEVELS_AT_A_GLANCE = 4

/** A kind of hair in few words: its levels from the scalp on, and what its ends have been through. */
export function kindWords({ bands }: Pick<Strand, 'bands'>): string {
  const changes = bands.filter(({ level }, i) => level !== bands[i - 1]?.level)
  const levels = changes
    .slice(0, LEVELS_AT_A_GLANCE)
    .map(({ level, fromCm }, i) => (i === 0 ? `${level}` : `${level} from ${fromCm} cm`))
  return `${levels.join(', ')}${changes.length > levels.length ? ' …' : ''} · ends ${historyWords(bands.at(-1)!)}`
}
