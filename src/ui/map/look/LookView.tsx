'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { startTransition, useEffect, useState } from 'react'
import type { WishCheck } from '@/core/appearance/look'
import { SIMULATION } from '@/words'
import type { Figures, Tapped } from '@/workers/look.worker'
import { useNotice } from '../../notices'
import { Gradually } from '../../parts'
import { LINE } from '../../theme'
import { usePlan, usePlanStore, variantOf } from '../context'
import { ChosenFoil, Counted, WishChecks, WorthList } from './Counted'
import { PoseFields, ViewButtons } from './Controls'
import type { Pose } from './Portrait'
import { Portraits, type NamedPose } from './Portraits'
import { LATER_WEEKS, momentOf, type LookSettings } from './pose'
import { savePicture } from './savePicture'
import { useLook, type LookRoom } from './useLook'
import { WEAR_WORDS } from './words'

const ClientView = dynamic(() => import('./ClientView').then((module) => module.ClientView))

interface Props {
  settings: LookSettings
  onChange: (changes: Partial<LookSettings>) => void
}

/** The plan on the client's own head of hair: worn her ways, before, after and in weeks, with what is counted in it. */
export default function LookView({ settings, onChange }: Props) {
  'use memo'
  const { store } = usePlanStore()
  const room = useLook()
  const notice = useNotice()
  const poses = usePoses(settings)
  const [forClient, setForClient] = useState(false)
  const counted = useCounted(room, poses[0]!.pose)
  const wish = useWish(room)
  const chosenPiece = usePlan((state) => state.chosenPiece)
  const clientName = usePlan((state) => state.document.name)

  function tap({ pieceId, zoneId, stageId, level, alongCm }: Tapped) {
    if (pieceId && zoneId && stageId) store.choosePiece({ pieceId, zoneId, stageId })
    else
      notice(
        `This hair is left as it is: level ${Math.round(10 * level) / 10}, ${Math.round(alongCm)} cm from the scalp.`,
      )
  }

  return (
    <Box sx={poses.length > 1 ? BESIDE : LAYOUT}>
      <Box sx={PICTURES}>
        <Portraits room={room} poses={poses} settings={settings} onChange={onChange} onTap={tap} chosen={chosenPiece} />
        <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', minHeight: 41, borderTop: LINE }}>
          <Gradually>
            <ViewButtons settings={settings} onChange={onChange} />
          </Gradually>
        </Box>
        <Typography variant="caption" color="textSecondary" sx={{ px: 1, pb: 0.5 }}>
          {SIMULATION}
        </Typography>
      </Box>
      <Stack
        spacing={1.5}
        sx={{
          p: 1.5,
          overflow: 'auto',
          minHeight: 0,
          borderLeft: { lg: poses.length > 1 ? 'none' : LINE },
          borderTop: { xs: LINE, lg: poses.length > 1 ? LINE : 'none' },
        }}
      >
        <Gradually>
          <PoseFields
            wear={settings.wear}
            when={settings.when}
            weeks={settings.weeks}
            glossed={settings.glossed}
            beside={settings.beside}
            onChange={onChange}
          />
          <Showing onClient={() => setForClient(true)} onSave={() => savePicture(poses, clientName)} />
          {counted ? (
            <Gradually>
              <ChosenFoil worth={counted.worth} />
              {wish && <WishChecks checks={wish} />}
              <Counted report={counted.report} />
              <WorthList worth={counted.worth} />
            </Gradually>
          ) : (
            <Typography color="textSecondary">Counting what is seen…</Typography>
          )}
        </Gradually>
      </Stack>
      {forClient && (
        <ClientView
          room={room}
          poses={poses}
          settings={settings}
          onChange={onChange}
          onClose={() => setForClient(false)}
        />
      )}
    </Box>
  )
}

function Showing({ onClient, onSave }: { onClient: () => void; onSave: () => void }) {
  return (
    <Stack direction="row" spacing={1}>
      <Button variant="outlined" color="inherit" onClick={onClient} sx={{ flex: 1 }}>
        For the client
      </Button>
      <Button variant="outlined" color="inherit" onClick={onSave} sx={{ flex: 1 }}>
        Save picture
      </Button>
    </Stack>
  )
}

const LAYOUT = {
  display: 'grid',
  height: '100%',
  minHeight: 0,
  // On a tablet the panes beside leave no room for a third, so that what is counted lies under the picture.
  gridTemplateColumns: { xs: '1fr', lg: 'minmax(0, 1fr) 268px' },
  gridTemplateRows: { sm: 'minmax(360px, 1fr) 200px', lg: 'minmax(0, 1fr)' },
} as const
/** Two pictures have all the breadth, and what is counted lies under them. */
const BESIDE = { ...LAYOUT, gridTemplateColumns: '1fr', gridTemplateRows: { sm: 'minmax(380px, 1fr) 190px' } } as const
const PICTURES = { display: 'flex', flexDirection: 'column', minHeight: { xs: 'min(118vw, 75dvh)', sm: 0 } } as const

/** What is shown, and what beside it. */
function usePoses(settings: LookSettings): NamedPose[] {
  const variant = usePlan(variantOf)
  const ideas = usePlan((state) => state.document.variants)
  const { wear, beside, when, weeks } = settings
  const ideaId = variant.id
  const all = variant.stages.length
  const moment = momentOf(settings, all)
  const timeName =
    when === 'before'
      ? 'as she comes'
      : when !== 'after'
        ? `after ${moment.stages} of ${all}`
        : weeks > 0
          ? `${weeks} weeks later`
          : 'after the visit'
  const own: NamedPose = { pose: { ideaId, wear, moment }, name: `${WEAR_WORDS[wear]}, ${timeName}` }
  if (beside === 'none') return [own]
  if (beside === 'before')
    return [own, { pose: { ideaId, wear, moment: { stages: 0, weeks: 0 } }, name: 'As she comes' }]
  if (beside === 'later')
    return [
      own,
      { pose: { ideaId, wear, moment: { stages: all, weeks: LATER_WEEKS } }, name: `${LATER_WEEKS} weeks later` },
    ]
  if (beside === 'waved') {
    const other = wear === 'waved' ? 'straight' : 'waved'
    return [own, { pose: { ideaId, wear: other, moment }, name: WEAR_WORDS[other] }]
  }
  const idea = ideas.find(({ id }) => beside === `idea ${id}`)
  if (!idea) return [own]
  const stages = idea.stages.length
  const its =
    when === 'before' ? moment : { ...moment, stages: when === 'after' ? stages : Math.min(stages, moment.stages) }
  return [
    { ...own, name: `${variant.name}: ${own.name}` },
    { pose: { ideaId: idea.id, wear, moment: its }, name: idea.name },
  ]
}

/** Figures of what is shown; the last ones stay while newer ones are counted. */
function useCounted(room: LookRoom | undefined, { ideaId, wear, moment }: Pose): Figures | undefined {
  const [counted, setCounted] = useState<Figures>()
  const key = JSON.stringify(moment)
  useEffect(() => {
    if (!room) return
    let current = true
    void room.api
      .figures(ideaId, wear, JSON.parse(key))
      .then((figures) => current && figures && startTransition(() => setCounted(figures)))
    return () => {
      current = false
    }
  }, [room, ideaId, wear, key])
  return counted
}

function useWish(room: LookRoom | undefined): WishCheck[] | undefined {
  const ideaId = usePlan((state) => variantOf(state).id)
  const goal = usePlan((state) => state.goal)
  const [checks, setChecks] = useState<WishCheck[]>()
  useEffect(() => {
    if (!room || !goal) return
    let current = true
    void room.api.wish(ideaId, goal).then((found) => current && found && startTransition(() => setChecks(found)))
    return () => {
      current = false
    }
  }, [room, ideaId, goal])
  return goal ? checks : undefined
}
