'use client'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Typography from '@mui/material/Typography'
import { v7 as newId } from 'uuid'
import { byId, STAGE_KINDS, type Stage, type StageKind, type WorksOn } from '@/core/model'
import { defaultPlacement, TAKE_PRESETS } from '@/core/placement/foils'
import { WORDS } from '../words'
import { editStage, stageOf, usePlanStore, variantOf } from './context'

const BLOCK = byId(TAKE_PRESETS, 'block')

export type StageOutline = Pick<Stage, 'id' | 'name' | 'worksOn' | 'begins' | 'comesOff'>

/** A new stage on the layout of another one, nothing taken yet. */
function stageLike(other: Stage, kind: StageKind): Stage {
  const { worksOn: _earlier, begins: _begins, comesOff: _off, lasts: _lasts, cut: _cut, ...rest } = other
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

interface MenuProps {
  anchor: HTMLElement
  onClose: () => void
}

/** Kinds of stages to add. */
export function AddStage({ anchor, onClose }: MenuProps) {
  const { store } = usePlanStore()
  function add(kind: StageKind) {
    onClose()
    const next = stageLike(stageOf(store.getState()), kind)
    store.edit(`${next.name} added`, 'stage/add', (draft) => void variantOf({ document: draft }).stages.push(next))
    store.show(next.id)
  }
  return (
    <Menu open anchorEl={anchor} onClose={onClose}>
      {STAGE_KINDS.map((kind) => (
        <MenuItem key={kind} onClick={() => add(kind)}>
          {WORDS.stage[kind]}
        </MenuItem>
      ))}
    </Menu>
  )
}

interface StageProps extends MenuProps {
  stages: readonly StageOutline[]
  stage: StageOutline
  /** Asks when the stage begins and how it comes off. */
  onRelate: () => void
}

/** What the stage in hand works on, what lies under it, and how it goes. */
export function StageMenu({ anchor, onClose, stages, stage, onRelate }: StageProps) {
  const { workOn, layUnder, remove } = useStageEdits(stage)
  const then = (work: () => void) => () => {
    onClose()
    work()
  }
  const before = stages.slice(0, stages.indexOf(stage))
  return (
    <Menu open anchorEl={anchor} onClose={onClose}>
      <MenuItem onClick={then(onRelate)}>On, off and how long…</MenuItem>
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
        // What worked on the stage that goes works on everything; what was tied to it stands alone.
        for (const other of variant.stages) {
          if (other.worksOn?.stageId === stage.id) delete other.worksOn
          if (other.begins?.stageId === stage.id) delete other.begins
          if (other.comesOff?.stageId === stage.id) delete other.comesOff
        }
      })
      store.show(undefined)
    },
  }
}
