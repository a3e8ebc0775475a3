import { useEffect } from 'react'

/** Named by the build, so that the worker of a newer one drops what an older one kept. */
const WORKER = `/chair-worker.js?build=${process.env['FALTO_BUILD']}`

/** Lets the page of a visit open without a network. Only secure pages (and this machine itself) may. */
export function useOfflineWorker(): void {
  useEffect(() => register(), [])
}

/** Where a device has such a worker already, it gets the one of this build on whatever page it opens first. */
export function useNewestOfflineWorker(): void {
  useEffect(() => {
    if (navigator.serviceWorker?.controller) register()
  }, [])
}

function register(): void {
  // A device that may not keep pages shows them as long as there is a network.
  if ('serviceWorker' in navigator) navigator.serviceWorker.register(WORKER).catch(() => {})
}
