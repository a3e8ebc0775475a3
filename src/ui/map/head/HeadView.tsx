'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useColorScheme } from '@mui/material/styles'
import type { Remote } from 'comlink'
import { useEffect, useRef, useState, type KeyboardEvent } from 'react'
import { VIEWS } from '@/core/appearance/picture'
import type { HeadModel } from '@/core/plan/sheets'
import type { PlanWorker } from '@/workers/plan.worker'
import { LINE } from '../../theme'
import { stageOf, usePlan, usePlanStore, zonesInOrder } from '../context'
import { ViewButtons } from '../look/Controls'
import { useHeadHands, type Stance } from './useHeadHands'
import { useHeadPicture } from './useHeadPicture'

const FIRST: Stance = { view: VIEWS.back, mirrored: false, near: 1 }

/** The same document on the client's head: zones, rows and foils in their true place, to be chosen and turned about. */
export default function HeadView({ worker }: { worker: Remote<PlanWorker> | undefined }) {
  const { store } = usePlanStore()
  const { mode } = useColorScheme()
  const swatches = usePlan((state) => state.answer?.drawing.swatches)
  const stage = usePlan(stageOf)
  const formulas = usePlan((state) => state.document.formulas)
  const selected = usePlan((state) => state.selectedZone)
  const chosenPiece = usePlan((state) => state.chosenPiece)
  const [stance, setStance] = useState(FIRST)
  const frame = useRef<HTMLDivElement>(null)
  const [tapsOpen, setTapsOpen] = useState(0)
  const model = useHeadModel(worker)
  const picture = useHeadPicture(frame, model, {
    stageId: stage.id,
    swatches: swatches ?? {},
    selectedZone: selected,
    chosenPiece,
    view: stance.view,
    near: stance.near,
    dark: mode === 'dark',
  })
  async function choose(x: number, y: number) {
    setTapsOpen((open) => open + 1)
    const pressed = await picture.pick?.(x, y)
    setTapsOpen((open) => open - 1)
    if (pressed) store.choosePiece({ ...pressed, stageId: stage.id })
  }
  const { onKey, ...hands } = useHeadHands(stance, setStance, (x, y) => void choose(x, y))

  function keys(event: KeyboardEvent) {
    if (onKey(event) || (event.key !== 'Enter' && event.key !== ' ')) return
    event.preventDefault()
    const order = zonesInOrder(store.getState()).map(({ id }) => id)
    store.select(order[(order.indexOf(selected ?? '') + 1) % order.length])
  }

  const zone = stage.zones.find(({ id }) => id === selected)
  const piece = model?.pieces.find(({ pieceId }) => pieceId === chosenPiece)
  const formula = formulas.find(({ id }) => id === piece?.formulaId)
  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: '100%', minHeight: 0 }}>
      <Box
        tabIndex={0}
        role="group"
        aria-label="The head: arrow keys turn it, plus and minus come nearer, Enter chooses the next zone"
        data-state={picture.state}
        aria-busy={picture.isBusy || tapsOpen > 0}
        onKeyDown={keys}
        sx={{ flex: 1, minHeight: 0, position: 'relative' }}
      >
        <Box
          ref={frame}
          role="img"
          aria-label="The head with its foils; drag to turn it, two fingers or the wheel come nearer"
          {...hands}
          sx={{ ...FRAME, transform: stance.mirrored ? 'scaleX(-1)' : 'none' }}
        />
        {picture.state === 'waits' && <Typography sx={WAITS}>Shaping the head…</Typography>}
        {picture.state === 'cannot' && (
          <Alert severity="info" sx={{ position: 'relative' }}>
            This device cannot draw in space. The Map shows the same zones and foils, and the Look her hair.
          </Alert>
        )}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', borderTop: LINE }}>
        <ViewButtons settings={stance} onChange={(changes) => setStance({ ...stance, ...changes, near: 1 })} />
        <Typography role="status" variant="body2" color="textSecondary" sx={{ px: 1 }}>
          {zone ? [zone.name, formula?.name].filter(Boolean).join(' · ') : 'Press a foil to choose it'}
        </Typography>
      </Box>
    </Box>
  )
}

/** The head of the plan in hand with all that lies on it, anew after every change that was computed. */
function useHeadModel(worker: Remote<PlanWorker> | undefined): HeadModel | undefined {
  const answer = usePlan((state) => state.answer)
  const [model, setModel] = useState<HeadModel>()
  useEffect(() => {
    if (!worker || !answer) return
    let isCurrent = true
    void worker.model().then((next) => isCurrent && next && setModel(next))
    return () => {
      isCurrent = false
    }
  }, [worker, answer])
  return model
}

/** In the middle, where nothing lies over it. */
const WAITS = { position: 'absolute', inset: 0, display: 'grid', placeItems: 'center', pointerEvents: 'none' } as const

const FRAME = {
  position: 'absolute',
  inset: 0,
  touchAction: 'none',
  cursor: 'grab',
  '& canvas': { position: 'absolute', inset: 0, width: '100%', height: '100%' },
} as const
