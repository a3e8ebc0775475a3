'use client'
import dynamic from 'next/dynamic'
import { useCallback, useState } from 'react'
import { Gradually } from '../../parts'
import { Waits } from '../Waits'
import { FIRST_LOOK, type LookSettings } from './pose'

const LookView = dynamic(() => import('./LookView'), { ssr: false, loading: () => <Waits>Opening the look…</Waits> })

/** Where the Look stands; what it showed is found again when one comes back to it. */
export function LookPlace({ shown }: { shown: boolean }) {
  const [settings, setSettings] = useState(FIRST_LOOK)
  const change = useCallback(
    (changes: Partial<LookSettings>) => setSettings((before) => ({ ...before, ...changes })),
    [],
  )
  if (!shown) return null
  return (
    <Gradually>
      <LookView settings={settings} onChange={change} />
    </Gradually>
  )
}
