'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Remote } from 'comlink'
import { useEffect, useState, type KeyboardEvent } from 'react'
import type { HeadModel } from '@/core/plan/sheets'
import type { PlanWorker } from '@/workers/plan.worker'
import { LINE } from '../theme'
import { stageOf, usePlan, usePlanStore, zonesInOrder } from './context'
import Head3D from './Head3D'

/** Named views: turn about the vertical, tilt towards the viewer, rad. Turn 0 shows the back. */
const VIEWS = {
  back: { turn: 0, tilt: 0.15 },
  left: { turn: Math.PI / 2, tilt: 0.15 },
  front: { turn: Math.PI, tilt: 0.25 },
  right: { turn: -Math.PI / 2, tilt: 0.15 },
  top: { turn: 0, tilt: 1.3 },
} as const

/** A turn by the keys, rad. */
const KEY_TURN = Math.PI / 12

/** The same document on the client's head: zones, rows and foils in their true place, to be chosen and turned about. */
export default function HeadView({ worker }: { worker: Remote<PlanWorker> | undefined }) {
  const { store } = usePlanStore()
  const answer = usePlan((state) => state.answer)
  const stage = usePlan(stageOf)
  const selected = usePlan((state) => state.selectedZone)
  const chosenPiece = usePlan((state) => state.chosenPiece)
  const [model, setModel] = useState<HeadModel>()
  const [view, setView] = useState<{ turn: number; tilt: number }>(VIEWS.back)

  useEffect(() => {
    if (!worker || !answer) return
    let current = true
    void worker.model().then((next) => current && next && setModel(next))
    return () => {
      current = false
    }
  }, [worker, answer])

  function keys(event: KeyboardEvent) {
    const turn = { ArrowLeft: -1, ArrowRight: 1 }[event.key]
    const tilt = { ArrowUp: 1, ArrowDown: -1 }[event.key]
    if (turn !== undefined || tilt !== undefined) {
      event.preventDefault()
      setView({ turn: view.turn + KEY_TURN * (turn ?? 0), tilt: view.tilt + KEY_TURN * (tilt ?? 0) })
    } else if (event.key === 'Enter' || event.key === ' ') {
      event.preventDefault()
      const order = zonesInOrder(store.getState()).map(({ id }) => id)
      store.select(order[(order.indexOf(selected ?? '') + 1) % order.length])
    }
  }

  const zone = stage.zones.find(({ id }) => id === selected)
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }}>
      <Box
        tabIndex={0}
        role="group"
        aria-label="The head: arrow keys turn it, Enter chooses the next zone"
        onKeyDown={keys}
        sx={{ flex: 1, minHeight: 0, position: 'relative' }}
      >
        {model && answer ? (
          <Head3D
            model={model}
            stageId={stage.id}
            swatches={answer.drawing.swatches}
            selectedZone={selected}
            chosenPiece={chosenPiece}
            onChoose={(piece) => store.choosePiece(piece)}
            view={view}
            onTurn={setView}
          />
        ) : (
          <Typography sx={{ p: 2 }}>Shaping the head…</Typography>
        )}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', borderTop: LINE }}>
        {(Object.keys(VIEWS) as (keyof typeof VIEWS)[]).map((name) => (
          <Button
            key={name}
            color="inherit"
            onClick={() => setView(VIEWS[name])}
            sx={{ minWidth: 44, minHeight: 40, px: 1, borderRadius: 0, textTransform: 'capitalize' }}
          >
            {name}
          </Button>
        ))}
        <Typography role="status" variant="body2" color="textSecondary" sx={{ px: 1 }}>
          {zone ? zone.name : 'Press a foil to choose it'}
        </Typography>
      </Box>
    </Box>
  )
}
