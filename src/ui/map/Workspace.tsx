'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Snackbar from '@mui/material/Snackbar'
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import type { OpenPlan } from '@/core/model'
import { useUnits } from '../hooks/useUnits'
import { Read } from '../parts'
import { copyZones, pasteZones } from './clipboard'
import { PlanContext, stageOf, usePlan, usePlanStore, type Permissions } from './context'
import { Header, type DialogName } from './Header'
import { HeadInset } from './HeadInset'
import { OrderRibbon } from './OrderRibbon'
import { MapTools, ToolLayer, type MapTool } from './MapTools'
import type { RampWish } from './RampTool'
import { SaveTrouble } from './SaveStatus'
import { StageBar } from './StageBar'
import { ScalpMap } from './ScalpMap'
import { createPlanStore } from './store'
import { TotalPanel } from './TotalPanel'
import { TotalsStrip } from './TotalsStrip'
import { useKeepOnLeaving } from './useKeepOnLeaving'
import { usePlanWorker } from './usePlanWorker'
import { ZoneCard } from './ZoneCard'
import { useKeys, useUndoKeys } from '../keys'
import { LINE } from '../theme'

const LayoutDialog = dynamic(() => import('./dialogs/LayoutDialog').then((module) => module.LayoutDialog))
const HeadHairDialog = dynamic(() => import('./dialogs/HeadHairDialog').then((module) => module.HeadHairDialog))
const FormulasDialog = dynamic(() => import('./dialogs/FormulasDialog').then((module) => module.FormulasDialog))
const VariantsDialog = dynamic(() => import('./dialogs/VariantsDialog').then((module) => module.VariantsDialog))
const KeysDialog = dynamic(() => import('./dialogs/KeysDialog').then((module) => module.KeysDialog))
const RenameDialog = dynamic(() => import('./dialogs/RenameDialog').then((module) => module.RenameDialog))

/** The first ramp that is offered: denser towards the end of the line, as is usual at the face. Our estimate. */
const FIRST_RAMP: RampWish = { figure: 'rowGapMm', from: 12, to: 4 }

interface Props {
  open: OpenPlan
  permissions: Permissions
}

/**
 * The placement studio: order on the left, the scalp map in the middle, the selected zone on the right, totals below.
 */
export function Workspace({ open, permissions }: Props) {
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
  const problem = usePlan((state) => state.problems[0]?.message)
  const [dialog, setDialog] = useState<DialogName | 'rename'>()
  const [message, setMessage] = useState<string>()
  const { read } = useUnits()
  const [recordNoted, setRecordNoted] = useState(false)
  const [tool, setTool] = useState<MapTool>('rest')
  const [wish, setWish] = useState(FIRST_RAMP)
  const close = () => setDialog(undefined)
  const underlaid = usePlan((state) => state.underlay !== undefined)
  const setUnderlay = async () =>
    store.setState({
      underlay: !underlaid && worker && lastVisit ? await worker.drawing(lastVisit.document) : undefined,
    })
  const underlay =
    lastVisit && worker ? { shown: underlaid, on: lastVisit.on, toggle: () => void setUnderlay() } : undefined

  useKeepOnLeaving(store, permissions.write)
  useUndoKeys(store, permissions.write)

  const mayWrite = permissions.write
  useKeys({
    list: () => setDialog('keys'),
    escape: () => {
      setTool('rest')
      store.setState({ openTotal: undefined, picking: 'one', partingProblem: undefined })
    },
    copy: mayWrite ? () => setMessage(copyZones(store, 'chosen')) : undefined,
    copyAll: mayWrite ? () => setMessage(copyZones(store, 'all')) : undefined,
    paste: mayWrite ? () => setMessage(pasteZones(store)) : undefined,
    allZones: mayWrite
      ? () => {
          const [first, ...rest] = stageOf(store.getState()).order
          store.setState({ selectedZone: first, alsoSelected: rest })
        }
      : undefined,
  })

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: { md: '100dvh' }, minHeight: '100%' }}>
      <Header
        client={client}
        onOpen={setDialog}
        onMessage={setMessage}
        onRename={() => setDialog('rename')}
        underlay={underlay}
      />
      <SaveTrouble />
      {client.recordChanged === 'changed' && permissions.write && !recordNoted && (
        <Alert
          severity="info"
          onClose={() => setRecordNoted(true)}
          action={
            <Button color="inherit" onClick={() => setDialog('head')}>
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
            <Button color="inherit" onClick={() => setDialog('head')}>
              Head &amp; hair
            </Button>
          }
        >
          The figures below are from before: <Read>{problem}</Read>
        </Alert>
      )}
      <Box
        sx={{
          flex: 1,
          minHeight: 0,
          display: 'grid',
          position: 'relative',
          gridTemplateColumns: { xs: '1fr', md: '212px minmax(0, 1fr) 332px' },
          gridTemplateRows: { md: 'minmax(0, 1fr)' },
          '@media print': { gridTemplateColumns: '160px 1fr', gridTemplateRows: 'auto' },
        }}
      >
        <Box
          sx={{ borderRight: { md: LINE }, overflow: 'auto', order: { xs: 1, md: 0 }, '@media print': { order: 0 } }}
        >
          <OrderRibbon />
          <Box className="screen-only">
            <HeadInset worker={worker} />
          </Box>
        </Box>
        <Box
          sx={{
            position: 'relative',
            minHeight: 0,
            display: 'flex',
            flexDirection: 'column',
            order: { xs: 0, md: 1 },
            '@media print': { order: 1 },
          }}
        >
          <StageBar />
          <Box
            sx={{
              flex: { md: 1 },
              minHeight: 0,
              height: { xs: 'min(100vw, 70dvh)', md: 'auto' },
              '@media print': { height: '16cm' },
            }}
          >
            <ScalpMap worker={worker} held={tool === 'rest' ? 'free' : 'byTool'}>
              {(scale) => <ToolLayer tool={tool} wish={wish} worker={worker} scale={scale} onMessage={setMessage} />}
            </ScalpMap>
          </Box>
          <MapTools tool={tool} onTool={setTool} wish={wish} onWish={setWish} />
        </Box>
        <Box
          className="screen-only"
          sx={{ borderLeft: { md: LINE }, borderTop: { xs: LINE, md: 'none' }, overflow: 'auto', order: 2 }}
        >
          <ZoneCard onMessage={setMessage} />
        </Box>
        <TotalPanel />
      </Box>
      <Box sx={{ position: { xs: 'sticky', md: 'static' }, bottom: { xs: 56, sm: 0 }, zIndex: 1 }}>
        <TotalsStrip />
      </Box>
      {dialog === 'layout' && <LayoutDialog onClose={close} />}
      {dialog === 'head' && <HeadHairDialog clientId={client.id} onClose={close} />}
      {dialog === 'formulas' && <FormulasDialog onClose={close} />}
      {dialog === 'variants' && <VariantsDialog worker={worker} onClose={close} />}
      {dialog === 'keys' && <KeysDialog onClose={close} />}
      {dialog === 'rename' && <RenameDialog onClose={close} />}
      <Snackbar
        open={message !== undefined}
        autoHideDuration={3500}
        onClose={() => setMessage(undefined)}
        message={message && read(message)}
      />
    </Box>
  )
}
