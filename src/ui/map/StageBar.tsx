'use client'
import Add from '@mui/icons-material/Add'
import MoreHoriz from '@mui/icons-material/MoreHoriz'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { v7 as newId } from 'uuid'
import { byId, COUNTS, STAGE_KINDS, type Stage, type StageKind, type WorksOn } from '@/core/model'
import { defaultPlacement, TAKE_PRESETS } from '@/core/placement/foils'
import { LINE } from '../theme'
import { WORDS } from '../words'
import { editStage, stageOf, usePlan, usePlanStore, variantOf } from './context'

const BLOCK = byId(TAKE_PRESETS, 'block')

type StageOutline = Pick<Stage, 'id' | 'name' | 'worksOn'>

/** The stages of the service in their order; the one in hand is on the map. */
export function StageBar() {
  const { store, permissions } = usePlanStore()
  // Their names and what they work on; the zones in them are read when a hand asks for something, so that drags redraw
  // nothing here.
  const outline = usePlan((state) =>
    JSON.stringify(variantOf(state).stages.map(({ id, name, worksOn }) => ({ id, name, worksOn }))),
  )
  const stages = useMemo(() => JSON.parse(outline) as StageOutline[], [outline])
  const stageId = usePlan((state) => stageOf(state).id)
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
        maxWidth: '62%',
        overflowX: 'auto',
      }}
    >
      <Box component="ol" aria-label="Stages" sx={{ display: 'flex', listStyle: 'none', m: 0, p: 0 }}>
        {stages.map(({ id, name }, i) => (
          <Box component="li" key={id}>
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
      </Box>
      {permissions.write && (
        <>
          <AddStage full={stages.length >= COUNTS.stages} />
          <StageMenu stages={stages} stage={byId(stages, stageId)} />
        </>
      )}
    </Box>
  )
}

/** A new stage on the layout of another one, nothing taken yet. */
function stageLike(other: Stage, kind: StageKind): Stage {
  const { worksOn: _earlier, ...rest } = other
  const ids = new Map(rest.zones.map((zone) => [zone.id, newId()]))
  return {
    ...structuredClone(rest),
    id: newId(),
    kind,
    name: WORDS.stage[kind],
    zones: rest.zones.map((zone) => ({
      ...structuredClone(zone),
      id: ids.get(zone.id)!,
      placement: {
        ...defaultPlacement(),
        take: { ...BLOCK.take },
        subsectionMm: BLOCK.subsectionMm,
        rowGapMm: 0,
        sequence: [],
      },
    })),
    order: rest.order.map((zoneId) => ids.get(zoneId)!),
  }
}

const SMALL = { minWidth: 40, minHeight: 40 }

function AddStage({ full }: { full: boolean }) {
  const { store } = usePlanStore()
  const [anchor, setAnchor] = useState<HTMLElement>()
  function add(kind: StageKind) {
    setAnchor(undefined)
    const next = stageLike(stageOf(store.getState()), kind)
    store.edit(`${next.name} added`, 'stage/add', (draft) => void variantOf({ document: draft }).stages.push(next))
    store.show(next.id)
  }
  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        aria-label="Add a stage"
        disabled={full}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={SMALL}
      >
        <Add fontSize="small" />
      </Button>
      {anchor && (
        <Menu open anchorEl={anchor} onClose={() => setAnchor(undefined)}>
          {STAGE_KINDS.map((kind) => (
            <MenuItem key={kind} onClick={() => add(kind)}>
              {WORDS.stage[kind]}
            </MenuItem>
          ))}
        </Menu>
      )}
    </>
  )
}

interface StageProps {
  stages: readonly StageOutline[]
  stage: StageOutline
}

/** What the stage in hand works on, what lies under it, and how it goes. */
function StageMenu({ stages, stage }: StageProps) {
  const [anchor, setAnchor] = useState<HTMLElement>()
  const { workOn, layUnder, remove } = useStageEdits(stage)
  const then = (work: () => void) => () => {
    setAnchor(undefined)
    work()
  }
  const before = stages.slice(0, stages.indexOf(stage))
  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        aria-label={`${stage.name}: stage`}
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={SMALL}
      >
        <MoreHoriz fontSize="small" />
      </Button>
      {anchor && (
        <Menu open anchorEl={anchor} onClose={() => setAnchor(undefined)}>
          <MenuHeading>Works on</MenuHeading>
          <MenuItem
            selected={!stage.worksOn || stage.worksOn.kind === 'everything'}
            onClick={then(() => workOn(undefined, 'everything'))}
          >
            everything
          </MenuItem>
          {before.flatMap((other) =>
            (['took', 'dropped'] as const).map((kind) => (
              <MenuItem
                key={other.id + kind}
                selected={stage.worksOn?.kind === kind && stage.worksOn.stageId === other.id}
                onClick={then(() => workOn({ kind, stageId: other.id }, `what ${other.name} ${kind}`))}
              >
                what {other.name} {kind}
              </MenuItem>
            )),
          )}
          <MenuHeading>Show under it</MenuHeading>
          {stages
            .filter((other) => other !== stage)
            .map((other) => (
              <MenuItem key={other.id} onClick={then(() => layUnder(other.id))}>
                {other.name}
              </MenuItem>
            ))}
          <MenuItem onClick={then(() => layUnder(undefined))}>nothing</MenuItem>
          {stages.length > 1 && <MenuItem onClick={then(remove)}>Remove this stage</MenuItem>}
        </Menu>
      )}
    </>
  )
}

const MenuHeading = ({ children }: { children: string }) => (
  <Typography component="li" role="presentation" variant="caption" color="textSecondary" sx={{ px: 2 }}>
    {children}
  </Typography>
)

function useStageEdits(stage: StageOutline) {
  const { store } = usePlanStore()
  return {
    workOn(worksOn: WorksOn | undefined, words: string) {
      editStage(store, `${stage.name} works on ${words}`, 'stage/worksOn', (draft) => {
        if (worksOn) draft.worksOn = worksOn
        else delete draft.worksOn
      })
    },
    /** Shows the foils of another stage under those of this one; of none without an id. */
    layUnder(id: string | undefined) {
      const drawing = store.getState().answer?.drawing
      store.setState({
        underlay:
          id && drawing ? { ...drawing, zones: drawing.zones.filter(({ stageId }) => stageId === id) } : undefined,
      })
    },
    remove() {
      store.edit(`${stage.name} removed`, 'stage/remove', (draft) => {
        const variant = variantOf({ document: draft })
        variant.stages = variant.stages.filter(({ id }) => id !== stage.id)
        // What worked on the stage that goes works on everything.
        for (const other of variant.stages) if (other.worksOn?.stageId === stage.id) delete other.worksOn
      })
      store.show(undefined)
    },
  }
}
