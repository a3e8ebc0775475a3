'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import dynamic from 'next/dynamic'
import { useMemo, useState, type ReactNode } from 'react'
import { byId, COUNTS } from '@/core/model'
import { LINE } from '../theme'
import { stageOf, usePlan, usePlanStore, variantOf } from './context'
import type { StageOutline } from './StageMenus'
import { hasTies, StageTies } from './StageTies'
import { Add, More } from '../parts/icons'

const AddStage = dynamic(() => import('./StageMenus').then((module) => module.AddStage))
const StageDialog = dynamic(() => import('./dialogs/StageDialog').then((module) => module.StageDialog))
const StageMenu = dynamic(() => import('./StageMenus').then((module) => module.StageMenu))

/** The stages of the service in their order; the one in hand is on the map. */
export function StageBar() {
  const { store, permissions } = usePlanStore()
  const stages = useStageOutlines()
  const stageId = usePlan((state) => stageOf(state).id)
  const stage = byId(stages, stageId)
  const [dialog, setDialog] = useState<'open'>()
  return (
    <Box
      className="screen-only"
      sx={{
        position: 'absolute',
        top: 0,
        left: 0,
        zIndex: 1,
        display: 'flex',
        bgcolor: 'background.paper',
        borderRight: LINE,
        borderBottom: LINE,
        maxWidth: 'calc(100% - 46px)',
        overflowX: 'auto',
      }}
    >
      <Box
        component="ol"
        aria-label="Stages"
        sx={{ display: 'grid', gridTemplateRows: 'auto auto', listStyle: 'none', m: 0, p: 0 }}
      >
        {stages.map(({ id, name }, i) => (
          <Box component="li" key={id} sx={{ gridRow: 1, gridColumn: i + 1 }}>
            <Button
              color="inherit"
              aria-pressed={id === stageId}
              onClick={() => store.show(id)}
              sx={{
                minHeight: 40,
                px: 1,
                borderRadius: 0,
                whiteSpace: 'nowrap',
                fontWeight: id === stageId ? 700 : 500,
                bgcolor: id === stageId ? 'action.selected' : undefined,
              }}
            >
              {i + 1} {name}
            </Button>
          </Box>
        ))}
        {hasTies(stages) && <StageTies stages={stages} />}
      </Box>
      {permissions.write && (
        <>
          <MenuButton label="Add a stage" disabled={stages.length >= COUNTS.stages} icon={<Add fontSize="small" />}>
            {(anchor, onClose) => <AddStage anchor={anchor} onClose={onClose} />}
          </MenuButton>
          <MenuButton label={`${stage.name}: stage`} icon={<More fontSize="small" />}>
            {(anchor, onClose) => (
              <StageMenu
                anchor={anchor}
                onClose={onClose}
                stages={stages}
                stage={stage}
                onRelate={() => setDialog('open')}
              />
            )}
          </MenuButton>
          {dialog && <StageDialog onClose={() => setDialog(undefined)} />}
        </>
      )}
    </Box>
  )
}

/**
 * The stages' names and what they say of each other; the zones in them are read when a hand asks for something, so that
 * drags redraw nothing.
 */
function useStageOutlines(): StageOutline[] {
  const outline = usePlan((state) =>
    JSON.stringify(
      variantOf(state).stages.map(({ id, name, worksOn, begins, comesOff }) => ({
        id,
        name,
        worksOn,
        begins,
        comesOff,
      })),
    ),
  )
  return useMemo(() => JSON.parse(outline) as StageOutline[], [outline])
}

const SMALL = { minWidth: 40, minHeight: 40 }

/** A button whose menu is fetched when it is opened. */
function MenuButton({ label, disabled = false, icon, children }: MenuButtonProps) {
  const [anchor, setAnchor] = useState<HTMLElement>()
  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        aria-label={label}
        disabled={disabled}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={SMALL}
      >
        {icon}
      </Button>
      {anchor && children(anchor, () => setAnchor(undefined))}
    </>
  )
}

interface MenuButtonProps {
  label: string
  disabled?: boolean
  icon: ReactNode
  children: (anchor: HTMLElement, onClose: () => void) => ReactNode
}
