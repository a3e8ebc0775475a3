'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import dynamic from 'next/dynamic'
import { startTransition, useMemo, useState } from 'react'
import type { OpenPlan } from '@/core/model'
import { Read } from '../parts'
import { copyZones, pasteZones } from './clipboard'
import { PlanContext, stageOf, usePlan, usePlanStore, type Permissions } from './context'
import { Header, type DialogName } from './Header'
import { OrderRibbon } from './OrderRibbon'
import { MapTools, ToolLayer, type MapTool } from './MapTools'
import type { RampWish } from './RampTool'
import { SaveTrouble } from './SaveStatus'
import { StageBar } from './StageBar'
import { ScalpMap } from './ScalpMap'
import { SideBar, type Side } from './SideBar'
import { LookPlace } from './look/LookPlace'
import { createPlanStore } from './store'
import { TotalsStrip } from './TotalsStrip'
import { useKeepOnLeaving } from './useKeepOnLeaving'
import { Waits } from './Waits'
import { usePlanWorker } from './usePlanWorker'
import { prepareZoneCard, ZoneCard } from './ZoneCard'
import { useKeys, useUndoKeys } from '../keys'
import { LINE } from '../theme'
import { useNotice } from '../notices'
import { useWritten, type Written } from '../written'

const loadTotalPanel = () => import('./TotalPanel').then((module) => module.TotalPanel)
const TotalPanel = dynamic(loadTotalPanel)
const HeadView = dynamic(() => import('./head/HeadView'), {
  ssr: false,
  loading: () => <Waits>Shaping the head…</Waits>,
})
const LayoutDialog = dynamic(() => import('./dialogs/LayoutDialog').then((module) => module.LayoutDialog))
const HeadHairDialog = dynamic(() => import('./dialogs/HeadHairDialog').then((module) => module.HeadHairDialog))
const FormulasDialog = dynamic(() => import('./dialogs/FormulasDialog').then((module) => module.FormulasDialog))
const VariantsDialog = dynamic(() => import('./dialogs/VariantsDialog').then((module) => module.VariantsDialog))
const KeysDialog = dynamic(() => import('./dialogs/KeysDialog').then((module) => module.KeysDialog))
const PlanDialog = dynamic(() => import('./dialogs/PlanDialog').then((module) => module.PlanDialog))

/** The first ramp that is offered: denser towards the end of the line, as is usual at the face. Our estimate. */
const FIRST_RAMP: RampWish = { figure: 'rowGapMm', from: 12, to: 4 }

interface Props {
  open: Written<OpenPlan>
  permissions: Permissions
}

/**
 * The placement studio: order on the left, the scalp map in the middle, the selected zone on the right, totals below.
 */
export function Workspace({ open: kept, permissions }: Props) {
  const open = useWritten(kept)
  const [store] = useState(() => createPlanStore(open))
  const context = useMemo(() => ({ store, permissions }), [store, permissions])
  return (
    <PlanContext.Provider value={context}>
      <Studio client={open.client} lastVisit={open.lastVisit} />
    </PlanContext.Provider>
  )
}

function Studio({ client, lastVisit }: Pick<OpenPlan, 'client' | 'lastVisit'>) {
  const { store, permissions } = usePlanStore()
  const worker = usePlanWorker(store)
  const [dialog, setDialog] = useState<DialogName | 'plan'>()
  const [tool, setTool] = useState<MapTool>('rest')
  const [side, setSide] = useState<Side>('map')
  // In slices, so that the page answers while another side of the plan is put together.
  const openSide = (next: Side) => startTransition(() => setSide(next))
  const [wish, setWish] = useState(FIRST_RAMP)
  const totalOpen = usePlan((state) => state.openTotal !== undefined)
  const underlay = useUnderlay(worker, lastVisit)

  useKeepOnLeaving(store, permissions.write)
  useUndoKeys(store, permissions.write)
  useStudioKeys({ onList: () => setDialog('keys'), onRest: () => setTool('rest'), onSide: openSide })

  return (
    <Box
      onPointerEnter={prepare}
      onFocus={prepare}
      sx={{ display: 'flex', flexDirection: 'column', height: { md: '100dvh' }, minHeight: '100%' }}
    >
      <Header client={client} onOpen={setDialog} onRename={() => setDialog('plan')} underlay={underlay} />
      <SaveTrouble />
      <HeadNotes recordChanged={client.recordChanged === 'changed'} onHead={() => setDialog('head')} />
      <Box sx={PANES}>
        <Box
          sx={{ borderRight: { md: LINE }, overflow: 'auto', order: { xs: 1, md: 0 }, '@media print': { order: 0 } }}
        >
          <OrderRibbon />
        </Box>
        <Box sx={MIDDLE}>
          <SideBar side={side} onSide={openSide} />
          {side === 'map' && (
            <>
              <Box sx={MAP}>
                <StageBar />
                <ScalpMap worker={worker} held={tool === 'rest' ? 'free' : 'byTool'}>
                  {(scale) => <ToolLayer tool={tool} wish={wish} worker={worker} scale={scale} />}
                </ScalpMap>
              </Box>
              <MapTools tool={tool} onTool={setTool} wish={wish} onWish={setWish} />
            </>
          )}
          {side === 'head' && (
            <Box sx={MAP}>
              <StageBar />
              <HeadView worker={worker} />
            </Box>
          )}
          <Box sx={side === 'look' ? LOOK : undefined}>
            <LookPlace shown={side === 'look'} />
          </Box>
        </Box>
        <Box
          className="screen-only"
          sx={{ borderLeft: { md: LINE }, borderTop: { xs: LINE, md: 'none' }, overflow: 'auto', order: 2 }}
        >
          <ZoneCard />
        </Box>
        {totalOpen && <TotalPanel />}
      </Box>
      <Box sx={{ position: { xs: 'sticky', md: 'static' }, bottom: { xs: 56, sm: 0 }, zIndex: 1 }}>
        <TotalsStrip />
      </Box>
      {dialog && (
        <OpenDialog dialog={dialog} clientId={client.id} worker={worker} onClose={() => setDialog(undefined)} />
      )}
    </Box>
  )
}

/** Fetches what the first press will ask for as soon as a hand is there, so that it works once the line is gone. */
function prepare(): void {
  prepareZoneCard()
  void loadTotalPanel()
}

const PANES = {
  flex: 1,
  minHeight: 0,
  display: 'grid',
  position: 'relative',
  gridTemplateColumns: { xs: '1fr', md: '212px minmax(0, 1fr) 332px' },
  gridTemplateRows: { md: 'minmax(0, 1fr)' },
  '@media print': { gridTemplateColumns: '160px 1fr', gridTemplateRows: 'auto' },
} as const
const MIDDLE = {
  position: 'relative',
  minHeight: 0,
  display: 'flex',
  flexDirection: 'column',
  order: { xs: 0, md: 1 },
  '@media print': { order: 1 },
} as const
const MAP = {
  position: 'relative',
  flex: { md: 1 },
  minHeight: 0,
  height: { xs: 'min(100vw, 70dvh)', md: 'auto' },
  '@media print': { height: '16cm' },
} as const

const LOOK = { flex: 1, minHeight: 0 } as const

type Worker = ReturnType<typeof usePlanWorker>

/** The foils of the plan carried out last, under those of this one: whether they show, and what shows or hides them. */
function useUnderlay(worker: Worker, lastVisit: OpenPlan['lastVisit']) {
  const { store } = usePlanStore()
  const shown = usePlan((state) => state.underlay !== undefined)
  if (!lastVisit || !worker) return undefined
  const toggle = async () => store.setState({ underlay: shown ? undefined : await worker.drawing(lastVisit.document) })
  return { shown, on: lastVisit.on, toggle: () => void toggle() }
}

function useStudioKeys({
  onList,
  onRest,
  onSide,
}: {
  onList: () => void
  onRest: () => void
  onSide: (side: Side) => void
}) {
  const { store, permissions } = usePlanStore()
  const notice = useNotice()
  const written = (work: () => void) => (permissions.write ? work : undefined)
  useKeys({
    list: onList,
    toMap: () => onSide('map'),
    toHeadView: () => onSide('head'),
    toLook: () => onSide('look'),
    escape: () => {
      onRest()
      store.setState({ openTotal: undefined, picking: 'one', partingProblem: undefined })
    },
    copy: written(() => notice(copyZones(store, 'chosen'))),
    copyAll: written(() => notice(copyZones(store, 'all'))),
    paste: written(() => notice(pasteZones(store))),
    allZones: written(() => {
      const [first, ...rest] = stageOf(store.getState()).order
      store.setState({ selectedZone: first, alsoSelected: rest })
    }),
  })
}

/** What of head and hair has to be looked at. */
function HeadNotes({ recordChanged, onHead }: { recordChanged: boolean; onHead: () => void }) {
  const { permissions } = usePlanStore()
  const problem = usePlan((state) => state.problems[0]?.message)
  const [noted, setNoted] = useState(false)
  return (
    <>
      {recordChanged && permissions.write && !noted && (
        <Alert
          severity="info"
          onClose={() => setNoted(true)}
          action={
            <Button color="inherit" onClick={onHead}>
              Look
            </Button>
          }
        >
          This plan’s head or hair differs from the client’s record.
        </Alert>
      )}
      {problem && (
        <Alert
          severity="warning"
          action={
            <Button color="inherit" onClick={onHead}>
              Head &amp; hair
            </Button>
          }
        >
          The figures below are from before: <Read>{problem}</Read>
        </Alert>
      )}
    </>
  )
}

interface OpenDialogProps {
  dialog: DialogName | 'plan'
  clientId: string
  worker: Worker
  onClose: () => void
}

function OpenDialog({ dialog, clientId, worker, onClose }: OpenDialogProps) {
  switch (dialog) {
    case 'layout':
      return <LayoutDialog onClose={onClose} />
    case 'head':
      return <HeadHairDialog clientId={clientId} onClose={onClose} />
    case 'formulas':
      return <FormulasDialog onClose={onClose} />
    case 'variants':
      return <VariantsDialog worker={worker} onClose={onClose} />
    case 'keys':
      return <KeysDialog onClose={onClose} />
    case 'plan':
      return <PlanDialog onClose={onClose} />
  }
}
