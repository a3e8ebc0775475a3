'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { Remote } from 'comlink'
import dynamic from 'next/dynamic'
import { useEffect, useState } from 'react'
import type { HeadModel } from '@/core/plan/sheets'
import type { PlanWorker } from '@/workers/plan.worker'
import { usePlan, usePlanStore } from './context'

const Head3D = dynamic(() => import('./Head3D'), {
  ssr: false,
  loading: () => <Typography sx={{ p: 2 }}>Loading the head…</Typography>,
})

/** Named views: turn about the vertical, tilt towards the viewer, rad. Turn 0 shows the back. */
const VIEWS = {
  back: { turn: 0, tilt: 0.15 },
  left: { turn: Math.PI / 2, tilt: 0.15 },
  front: { turn: Math.PI, tilt: 0.25 },
  right: { turn: -Math.PI / 2, tilt: 0.15 },
  top: { turn: 0, tilt: 1.3 },
} as const

/** The head in space, fetched only once somebody asks for it. */
export function HeadInset({ worker }: { worker: Remote<PlanWorker> | undefined }) {
  const { store } = usePlanStore()
  const answer = usePlan((state) => state.answer)
  const selected = usePlan((state) => state.selectedZone)
  const [open, setOpen] = useState(false)
  const [model, setModel] = useState<HeadModel>()
  const [view, setView] = useState<{ turn: number; tilt: number }>(VIEWS.back)

  useEffect(() => {
    if (!open || !worker || !answer) return
    let current = true
    void worker.model().then((next) => current && next && setModel(next))
    return () => {
      current = false
    }
  }, [open, worker, answer])

  if (!open)
    return (
      <Box sx={{ p: 1.5 }}>
        <Button
          fullWidth
          variant="outlined"
          color="inherit"
          onClick={() => setOpen(true)}
          sx={{ borderColor: 'divider' }}
        >
          Show the head
        </Button>
      </Box>
    )
  return (
    <Box sx={{ borderBottom: 1, borderColor: 'divider', bgcolor: 'background.paper', maxWidth: 420, mx: 'auto' }}>
      <Box sx={{ height: { xs: 320, md: 250 } }}>
        {model && answer ? (
          <Head3D
            model={model}
            swatches={answer.drawing.swatches}
            selectedZone={selected}
            onSelect={(id) => store.select(id)}
            view={view}
            onTurn={setView}
          />
        ) : (
          <Typography sx={{ p: 2 }}>Shaping the head…</Typography>
        )}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', borderTop: 1, borderColor: 'divider' }}>
        {(Object.keys(VIEWS) as (keyof typeof VIEWS)[]).map((name) => (
          <Button
            key={name}
            color="inherit"
            onClick={() => setView(VIEWS[name])}
            sx={{ minWidth: 0, flex: '1 0 30%', px: 0 }}
          >
            {name}
          </Button>
        ))}
        <Button
          color="inherit"
          aria-label="Hide the head"
          onClick={() => setOpen(false)}
          sx={{ minWidth: 0, flex: '1 0 30%', px: 0 }}
        >
          hide
        </Button>
      </Box>
    </Box>
  )
}
