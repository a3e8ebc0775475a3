'use client'
import { wrap, type Remote } from 'comlink'
import { useEffect, useState } from 'react'
import type { FaltoPlan } from '@/core/model'
import type { PlanProblem } from '@/core/plan/planner'
import type { MapDetail, MapDrawing } from '@/core/plan/sheets'
import type { Answer, PlanWorker } from '@/workers/plan.worker'
import { differences } from '../differences'
import type { PlanState, PlanStore } from './store'

/** One list for every plan without problems, so that nothing is drawn again for it. */
const NONE: PlanProblem[] = []

/**
 * While a hand drags, drawing gets so many times the time that computing took, and at most so long, ms: a slow device
 * then follows in larger steps and does not stall. Our estimate.
 */
const REST_SHARE = 2
const MOST_REST_MS = 160
const rest = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** Computes the open plan in a worker whenever it changes; while one computation runs only the newest plan waits. */
export function usePlanWorker(store: PlanStore): Remote<PlanWorker> | undefined {
  const [remote, setRemote] = useState<{ api: Remote<PlanWorker> }>()

  useEffect(() => {
    const worker = new Worker(new URL('../../workers/plan.worker.ts', import.meta.url), { type: 'module' })
    const api = wrap<PlanWorker>(worker)
    const { document: opened, seen, canvas } = store.getState()
    // Ahead of what needs it: what is said to a worker arrives in order.
    if (seen) void api.knowSeen(opened.hair, seen)
    if (canvas) void api.knowHair(canvas)
    let computing = false
    let computed: { document: FaltoPlan; detail: MapDetail } | undefined
    const stale = ({ document, moving }: PlanState) =>
      computed?.document !== document || (computed.detail === 'strips' && moving !== 'map')

    async function compute(): Promise<void> {
      if (computing) return
      computing = true
      while (stale(store.getState())) {
        const { document, moving } = store.getState()
        const patches = differences(computed?.document, document)
        computed = { document, detail: moving === 'map' ? 'strips' : 'stitches' }
        const begun = performance.now()
        const result = await api.compute(patches, computed.detail).catch(notComputed)
        if (result.ok)
          store.setState({ answer: whole(result.answer, store.getState().answer?.drawing), problems: NONE })
        else store.setState({ problems: result.problems })
        if (store.getState().moving !== 'no')
          await rest(Math.min(MOST_REST_MS, REST_SHARE * (performance.now() - begun)))
        // Judging waits until no newer plan does, so that it never holds up a drag.
        if (!stale(store.getState())) store.setState({ judged: await api.judge() })
      }
      computing = false
    }

    const unsubscribe = store.subscribe(() => void compute())
    void compute().then(() => setRemote({ api }))
    return () => {
      unsubscribe()
      worker.terminate()
    }
  }, [store])

  return remote?.api
}

/** What is said when the core itself fails, which checked plans never make it do. */
const notComputed = () => ({
  ok: false as const,
  problems: [
    { path: '', message: 'this plan could not be worked out. Undo the last change, or export the plan and report it.' },
  ],
})

/** Puts in the zones that are drawn as before; they keep their identity, so that nothing of them is rendered again. */
function whole(answer: Answer, before: MapDrawing | undefined) {
  const known = new Map(before?.zones.map((zone) => [zone.id, zone]))
  const zones = answer.drawing.zones.map((zone) => ('same' in zone ? known.get(zone.id)! : zone))
  return { ...answer, drawing: { ...answer.drawing, zones } }
}
