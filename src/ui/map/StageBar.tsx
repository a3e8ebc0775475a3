'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { v7 as newId } from 'uuid'
import { COUNTS, STAGE_KINDS, type Stage, type StageKind, type WorksOn } from '@/core/model'
import { defaultPlacement, TAKE_PRESETS } from '@/core/placement'
import { LINE } from '../theme'
import { WORDS } from '../words'
import { editStage, stageOf, usePlan, usePlanStore, variantOf } from './context'

const BLOCK = TAKE_PRESETS.find(({ id }) => id === 'block')!

/** The stages of the service in their order; the one in hand is on the map. */
export function StageBar() {
  const { store, permissions } = usePlanStore()
  const stages = usePlan((state) => variantOf(state).stages)
  const stage = usePlan(stageOf)
  const [menu, setMenu] = useState<{ anchor: HTMLElement; kind: 'add' | 'more' }>()
  const show = (id: string) => store.setState({ stageId: id, selectedZone: undefined, openTotal: undefined })

  /** A new stage on a copy of the layout in hand, nothing taken yet. */
  function add(kind: StageKind) {
    setMenu(undefined)
    const id = newId()
    const { worksOn: _earlier, ...rest } = stage
    const ids = new Map(stage.zones.map((zone) => [zone.id, newId()]))
    const next: Stage = {
      ...structuredClone(rest),
      id,
      kind,
      name: WORDS.stage[kind],
      zones: stage.zones.map((zone) => ({ ...structuredClone(zone), id: ids.get(zone.id)!, placement: { ...defaultPlacement(), take: { ...BLOCK.take }, subsectionMm: BLOCK.subsectionMm, rowGapMm: 0, sequence: [] } })),
      order: stage.order.map((zoneId) => ids.get(zoneId)!),
    }
    store.edit(`${WORDS.stage[kind]} added`, 'stage/add', (draft) => void variantOf({ document: draft }).stages.push(next))
    show(id)
  }

  function remove() {
    setMenu(undefined)
    store.edit(`${stage.name} removed`, 'stage/remove', (draft) => {
      const variant = variantOf({ document: draft })
      variant.stages = variant.stages.filter(({ id }) => id !== stage.id)
      // What worked on the stage that goes works on everything.
      for (const other of variant.stages) if (other.worksOn?.stageId === stage.id) delete other.worksOn
    })
    store.setState({ stageId: undefined, selectedZone: undefined })
  }

  function workOn(worksOn: WorksOn | undefined, words: string) {
    setMenu(undefined)
    editStage(store, `${stage.name} works on ${words}`, 'stage/worksOn', (draft) => {
      if (worksOn) draft.worksOn = worksOn
      else delete draft.worksOn
    })
  }

  function layUnder(other: Stage | undefined) {
    setMenu(undefined)
    const drawing = store.getState().answer?.drawing
    store.setState({ underlay: other && drawing ? { ...drawing, zones: drawing.zones.filter(({ stageId }) => stageId === other.id) } : undefined })
  }

  const before = stages.slice(0, stages.indexOf(stage))
  return (
    <Box className="screen-only" sx={{ position: 'absolute', top: 0, left: 0, zIndex: 1, display: 'flex', bgcolor: 'background.paper', borderRight: LINE, borderBottom: LINE, maxWidth: '62%', overflowX: 'auto' }}>
      <Box component="ol" aria-label="Stages" sx={{ display: 'flex', listStyle: 'none', m: 0, p: 0 }}>
        {stages.map((one, i) => (
          <Box component="li" key={one.id}>
            <Button color="inherit" aria-pressed={one === stage} onClick={() => show(one.id)} sx={{ minHeight: 40, px: 1, borderRadius: 0, whiteSpace: 'nowrap', fontWeight: one === stage ? 700 : 500, bgcolor: one === stage ? 'action.selected' : undefined }}>
              {i + 1} {one.name}
            </Button>
          </Box>
        ))}
      </Box>
      {permissions.write && (
        <>
          <Button color="inherit" aria-haspopup="menu" aria-label="Add a stage" disabled={stages.length >= COUNTS.stages} onClick={({ currentTarget }) => setMenu({ anchor: currentTarget, kind: 'add' })} sx={{ minWidth: 40, minHeight: 40 }}>
            +
          </Button>
          <Button color="inherit" aria-haspopup="menu" aria-label={`${stage.name}: stage`} onClick={({ currentTarget }) => setMenu({ anchor: currentTarget, kind: 'more' })} sx={{ minWidth: 40, minHeight: 40 }}>
            ⋯
          </Button>
        </>
      )}
      <Menu open={menu?.kind === 'add'} anchorEl={menu?.anchor ?? null} onClose={() => setMenu(undefined)}>
        {STAGE_KINDS.map((kind) => (
          <MenuItem key={kind} onClick={() => add(kind)}>
            {WORDS.stage[kind]}
          </MenuItem>
        ))}
      </Menu>
      <Menu open={menu?.kind === 'more'} anchorEl={menu?.anchor ?? null} onClose={() => setMenu(undefined)}>
        <Typography variant="caption" color="textSecondary" sx={{ px: 2 }}>
          Works on
        </Typography>
        <MenuItem selected={!stage.worksOn || stage.worksOn.kind === 'everything'} onClick={() => workOn(undefined, 'everything')}>
          everything
        </MenuItem>
        {before.flatMap((other) =>
          (['took', 'dropped'] as const).map((kind) => (
            <MenuItem key={other.id + kind} selected={stage.worksOn?.kind === kind && stage.worksOn.stageId === other.id} onClick={() => workOn({ kind, stageId: other.id }, `what ${other.name} ${kind}`)}>
              what {other.name} {kind}
            </MenuItem>
          )),
        )}
        <Typography variant="caption" color="textSecondary" sx={{ px: 2 }}>
          Show under it
        </Typography>
        {stages
          .filter((other) => other !== stage)
          .map((other) => (
            <MenuItem key={other.id} onClick={() => layUnder(other)}>
              {other.name}
            </MenuItem>
          ))}
        <MenuItem onClick={() => layUnder(undefined)}>nothing</MenuItem>
        {stages.length > 1 && <MenuItem onClick={remove}>Remove this stage</MenuItem>}
      </Menu>
    </Box>
  )
}
