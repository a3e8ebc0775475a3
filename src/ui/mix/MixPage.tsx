'use client'
import Alert from '@mui/material/Alert'
import { DateField } from '../parts/DateField'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useMemo, useState } from 'react'
import type { CatalogueItem, Goal, MixRecord, OpenPlan, SalonRates } from '@/core/model'
import { callApi, failureWords } from '../hooks/api'
import { useUndoKeys } from '../keys'
import { PlanContext, usePlan, usePlanStore, type Permissions } from '../map/context'
import { PlanTitle } from '../map/PlanTitle'
import { SaveStatus, SaveTrouble } from '../map/SaveStatus'
import { createPlanStore } from '../map/store'
import { UndoPlan } from '../map/UndoPlan'
import { useKeepOnLeaving } from '../map/useKeepOnLeaving'
import { usePlanWorker } from '../map/usePlanWorker'
import { PageBar } from '../parts'
import { LINE } from '../theme'
import { Bowls } from './Bowls'
import { BenchContext, changedSince, embed, useBench } from './context'
import { FormulaEditor } from './FormulaEditor'
import { FormulaList } from './FormulaList'
import { MoneyStrip } from './MoneyStrip'
import { OnHair } from './OnHair'
import { useNotice } from '../notices'

const SuggestDialog = dynamic(() => import('./SuggestDialog').then((module) => module.SuggestDialog))
const WeighDialog = dynamic(() => import('./WeighDialog').then((module) => module.WeighDialog))
const MoneyDialog = dynamic(() => import('./MoneyDialog').then((module) => module.MoneyDialog))

/** What the Mix page opens with. */
export interface OpenMix {
  open: OpenPlan
  catalogue: CatalogueItem[]
  goal: Goal | null
  rates: SalonRates
  mixes: MixRecord[]
  bookedOn: string | null
}

interface Props extends OpenMix {
  permissions: Permissions & { mix: boolean; prices: boolean }
}

/** Formulas on the left, the one in hand in the middle, its bowls on the right, money below. */
export function MixPage({ open, catalogue, permissions, ...rest }: Props) {
  const [store] = useState(() => createPlanStore(open))
  const context = useMemo(() => ({ store, permissions }), [store, permissions])
  const bench = useMemo(() => ({ catalogue }), [catalogue])
  return (
    <PlanContext.Provider value={context}>
      <BenchContext.Provider value={bench}>
        <Bench client={open.client} mayMix={permissions.mix} mayPrice={permissions.prices} {...rest} />
      </BenchContext.Provider>
    </PlanContext.Provider>
  )
}

interface BenchProps extends Pick<OpenMix, 'goal' | 'rates' | 'mixes' | 'bookedOn'> {
  client: OpenPlan['client']
  mayMix: boolean
  mayPrice: boolean
}

function Bench({ client, mayMix, mayPrice, goal, rates, mixes, bookedOn }: BenchProps) {
  const { store, permissions } = usePlanStore()
  usePlanWorker(store)
  const formulas = usePlan((state) => state.document.formulas)
  const [chosen, setChosen] = useState(formulas[0]!.id)
  const [dialog, setDialog] = useState<'suggest' | 'money' | { bowl: number }>()
  const id = formulas.some((formula) => formula.id === chosen) ? chosen : formulas[0]!.id
  const surfaces = usePlan((state) => state.judged?.surfaces[id])
  const close = () => setDialog(undefined)
  // Who only mixes finds the bowls first on a narrow screen.
  const mixFirst = mayMix && !permissions.write

  useKeepOnLeaving(store, permissions.write)

  useUndoKeys(store, permissions.write)

  return (
    <Box sx={{ display: 'flex', flexDirection: 'column', height: { lg: '100dvh' }, minHeight: '100%' }}>
      <MixHeader client={client} bookedOn={bookedOn} />
      <SaveTrouble />
      <CatalogueNote rates={rates} />
      <Box
        sx={{
          flex: 1,
          minHeight: 0,
          display: 'grid',
          gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 372px', lg: '208px minmax(0, 1fr) 372px' },
          gridTemplateRows: { lg: 'minmax(0, 1fr)' },
        }}
      >
        <Box sx={{ borderRight: { lg: LINE }, overflow: 'auto', gridColumn: { md: '1 / -1', lg: 'auto' } }}>
          <FormulaList chosen={id} onChoose={setChosen} />
        </Box>
        <Box sx={{ overflow: 'auto', p: { xs: 1.5, sm: 2 }, order: { xs: mixFirst ? 2 : 0, md: 0 } }}>
          <FormulaEditor key={id} id={id} onSuggest={() => setDialog('suggest')} />
          <OnHair id={id} />
        </Box>
        <Box
          sx={{
            borderLeft: { md: LINE },
            borderTop: { xs: LINE, lg: 'none' },
            overflow: 'auto',
            order: { xs: mixFirst ? 1 : 0, md: 0 },
          }}
        >
          <Bowls id={id} mixes={mixes} mayMix={mayMix} onWeigh={(bowl) => setDialog({ bowl })} />
        </Box>
      </Box>
      <MoneyStrip onOpen={() => setDialog('money')} />
      {dialog === 'suggest' && surfaces && <SuggestDialog id={id} goal={goal} onClose={close} />}
      {dialog === 'money' && <MoneyDialog rates={rates} mayPrice={mayPrice} onClose={close} />}
      {typeof dialog === 'object' && <WeighDialog id={id} bowl={dialog.bowl} onClose={close} />}
    </Box>
  )
}

function MixHeader({ client, bookedOn }: { client: OpenPlan['client']; bookedOn: string | null }) {
  const { permissions } = usePlanStore()
  const id = usePlan((state) => state.id)
  return (
    <PageBar>
      <PlanTitle client={client} />
      <SaveStatus />
      {!permissions.write && (
        <Typography variant="caption" color="warning">
          view only
        </Typography>
      )}
      <BookedOn id={id} bookedOn={bookedOn} />
      <Button color="inherit" component="a" href={`/api/plans/${id}/export?as=cards`} target="_blank" rel="noopener">
        Mixing cards
      </Button>
      {permissions.write && <UndoPlan />}
    </PageBar>
  )
}

function BookedOn({ id, bookedOn }: { id: string; bookedOn: string | null }) {
  const notice = useNotice()
  const { permissions } = usePlanStore()
  const [on, setOn] = useState(bookedOn ?? '')
  async function book(day: string) {
    setOn(day)
    try {
      await callApi(`/api/plans/${id}/booking`, 'PUT', day ? { on: day } : {})
      notice(day ? 'Booked: the shelf counts it in.' : 'Not booked any more.')
    } catch (error) {
      notice(failureWords(error))
    }
  }
  return (
    <DateField
      label="Booked for"
      value={on}
      optional
      disabled={!permissions.write}
      onChange={(day) => void book(day)}
    />
  )
}

/** Says when catalogue or prices have moved on since they were put into the plan. */
function CatalogueNote({ rates }: { rates: SalonRates }) {
  const { store, permissions } = usePlanStore()
  const products = usePlan((state) => state.document.products)
  const own = usePlan((state) => state.document.rates)
  const { catalogue } = useBench()
  const [noted, setNoted] = useState(false)
  const changed = useMemo(() => changedSince(products, catalogue), [products, catalogue])
  const prices =
    !own || JSON.stringify(Object.entries(own).sort()) !== JSON.stringify(Object.entries(rates.rates).sort())
  if (!permissions.write || noted || (changed.length === 0 && !prices)) return null
  const what = [
    ...(changed.length > 0 ? [`${changed.length === 1 ? changed[0]!.name : `${changed.length} products`}`] : []),
    ...(prices ? ['prices'] : []),
  ].join(' and ')
  return (
    <Alert
      severity="info"
      onClose={() => setNoted(true)}
      action={
        <Button
          color="inherit"
          onClick={() =>
            store.edit('Catalogue and prices of today', 'catalogue', (draft) => {
              for (const item of changed) embed(draft, item)
              draft.rates = rates.rates
            })
          }
        >
          Take over
        </Button>
      }
    >
      Changed in the salon since this plan was made: {what}.
    </Alert>
  )
}
