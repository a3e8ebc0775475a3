'use client'
import Box from '@mui/material/Box'
import dynamic from 'next/dynamic'
import { createContext, useContext, useEffect, type ReactNode } from 'react'
import { useIsDrawing } from '../hooks/useIsDrawing'
import { useLock } from '../hooks/useLock'
import { worksFor } from '../hooks/own'

const lockedScreen = () => import('./LockedScreen').then((module) => module.LockedScreen)
const LockedScreen = dynamic(lockedScreen)

export interface Guarding {
  /** Whose page it is, and the shared tablet that it is on. */
  member: { id: string; tablet: { lockAfterMin: number } | null }
  /** Stays in sight while it is locked, for whoever works by it: the clock of a visit. */
  inSight?: boolean
  children: ReactNode
}

const Lock = createContext<(() => void) | undefined>(undefined)
/** Locks the tablet at once; nothing on a device of one's own. */
export const useLockNow = () => useContext(Lock)

/** A page that is somebody's: what it keeps is hers, and on a shared tablet it locks itself. Browser only. */
export function Guarded(props: Guarding) {
  return useIsDrawing() ? <Guard {...props} /> : null
}

function Guard({ member: { id, tablet }, inSight = false, children }: Guarding) {
  worksFor(id)
  const { locked, lock } = useLock(tablet?.lockAfterMin ?? null)
  useEffect(() => {
    // It is there by the time it is needed, also without a network.
    if (tablet) void lockedScreen().catch(() => {})
  }, [tablet])
  return (
    <Lock value={tablet ? lock : undefined}>
      {/* Made anew when it locks: nothing that was open above it stays open, and nothing goes on in her name. */}
      {(!locked || inSight) && (
        <Box key={locked ? 'locked' : 'open'} inert={locked}>
          {children}
        </Box>
      )}
      {locked && <LockedScreen inSight={inSight} />}
    </Lock>
  )
}
