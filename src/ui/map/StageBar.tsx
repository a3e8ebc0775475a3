'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Typography from '@mui/material/Typography'
import { useMemo, useState } from 'react'
import { v7 as newId } from 'uuid'
import { COUNTS, STAGE_KINDS, type Stage, type StageKind, type WorksOn } from '@/core/model'
import { defaultPlacement, TAKE_PRESETS } from '@/core/placement/foils'
import { LINE } from '../theme'
import { WORDS } from '../words'
import { editStage, stageOf, usePlan, usePlanStore, variantOf } from './context'

const BLOCK = TAKE_PRESETS.find(({ id }) => id === 'block')!

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
  const stage = stages.find(({ id }) => id === stageId)!
  const [menu, setMenu] = useState<{ anchor: HTMLElement; kind: 'add' | 'more' }>()

  /** A new stage on a copy of the layout in hand, nothing taken yet. */
  function add(kind: StageKind) {
    setMenu(undefined)
    const id = newId()
    const { worksOn: _earlier, ...rest } = stageOf(store.getState())
    const ids = new Map(rest.zones.map((zone) => [zone.id, newId()]))
    const next: Stage = {
      ...structuredClone(rest),
      id,
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
    store.edit(
      `${WORDS.stage[kind]} added`,
      'stage/add',
      (draft) => void variantOf({ document: draft }).stages.push(next),
    )
    store.show(id)
  }

  function remove() {
    setMenu(undefined)
    store.edit(`${stage.name} removed`, 'stage/remove', (draft) => {
      const variant = variantOf({ document: draft })
      variant.stages = variant.stages.filter(({ id }) => id !== stage.id)
      // What worked on the stage that goes works on everything.
      for (const other of variant.stages) if (other.worksOn?.stageId === stage.id) delete other.worksOn
    })
    store.show(undefined)
  }

  function workOn(worksOn: WorksOn | undefined, words: string) {
    setMenu(undefined)
    editStage(store, `${stage.name} works on ${words}`, 'stage/worksOn', (draft) => {
      if (worksOn) draft.worksOn = worksOn
      else delete draft.worksOn
    })
  }

  function layUnder(other: StageOutline | undefined) {
    setMenu(undefined)
    const drawing = store.getState().answer?.drawing
    store.setState({
      underlay:
        other && drawing
          ? { ...drawing, zones: drawing.zones.filter(({ stageId }) => stageId === other.id) }
          : undefined,
    })
  }

  const before = stages.slice(0, stages.indexOf(stage))
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
        {stages.map((one, i) => (
          <Box component="li" key={one.id}>
            <Button
              color="inherit"
              aria-pressed={one === stage}
              onClick={() => store.show(one.id)}
              sx={{
                minHeight: 40,
                px: 1,
                borderRadius: 0,
                whiteSpace: 'nowrap',
                fontWeight: one === stage ? 700 : 500,
                bgcolor: one === stage ? 'action.selected' : undefined,
              }}
            >
              {i + 1} {one.name}
            </Button>
          </Box>
        ))}
      </Box>
      {permissions.write && (
        <>
          <Button
            color="inherit"
            aria-haspopup="menu"
            aria-label="Add a stage"
            disabled={stages.length >= COUNTS.stages}
            onClick={({ currentTarget }) => setMenu({ anchor: currentTarget, kind: 'add' })}
            sx={{ minWidth: 40, minHeight: 40 }}
          >
            +
          </Button>
          <Button
            color="inherit"
            aria-haspopup="menu"
            aria-label={`${stage.name}: stage`}
            onClick={({ currentTarget }) => setMenu({ anchor: currentTarget, kind: 'more' })}
            sx={{ minWidth: 40, minHeight: 40 }}
          >
            ⋯
          </Button>
        </>
      )}
      {menu?.kind === 'add' && (
        <Menu open anchorEl={menu.anchor} onClose={() => setMenu(undefined)}>
          {STAGE_KINDS.map((kind) => (
            <MenuItem key={kind} onClick={() => add(kind)}>
              {WORDS.stage[kind]}
            </MenuItem>
          ))}
        </Menu>
      )}
      {menu?.kind === 'more' && (
        <Menu open anchorEl={menu.anchor} onClose={() => setMenu(undefined)}>
          <Typography variant="caption" color="textSecondary" sx={{ px: 2 }}>
            Works on
          </Typography>
          <MenuItem
            selected={!stage.worksOn || stage.worksOn.kind === 'everything'}
            onClick={() => workOn(undefined, 'everything')}
          >
            everything
          </MenuItem>
          {before.flatMap((other) =>
            (['took', 'dropped'] as const).map((kind) => (
              <MenuItem
                key={other.id + kind}
                selected={stage.worksOn?.kind === kind && stage.worksOn.stageId === other.id}
                onClick={() => workOn({ kind, stageId: other.id }, `what ${other.name} ${kind}`)}
              >
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
      )}
    </Box>
  )
}
