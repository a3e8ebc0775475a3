'use client'
import { useEffect } from 'react'
import type { PlanStore } from './store'

/** Sends what this device kept from before, and holds on to what is unsent when the page is left. */
export function useKeepOnLeaving(store: PlanStore, mayWrite: boolean): void {
  useEffect(() => {
    if (mayWrite) void store.resume()
    const leave = (event: BeforeUnloadEvent) => {
      store.keepUnsent()
      if (store.getState().unsent.length > 0 && store.getState().save.kind === 'waiting') {
        void store.flush()
        event.preventDefault()
      }
    }
    window.addEventListener('beforeunload', leave)
    return () => window.removeEventListener('beforeunload', leave)
  }, [store, mayWrite])
}
