'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { memo, type KeyboardEvent } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { moveZone, pick, stageOf, usePlan, usePlanStore } from './context'
import type { PlanState } from './store'

const OtherSide = dynamic(() => import('./OtherSide').then((module) => module.OtherSide))

/** The zones in the order of application: the list a colourist reads aloud to an assistant. */
export function OrderRibbon() {
  const ids = usePlan(useShallow((state) => stageOf(state).order))
  return (
    <>
      <Box component="ol" aria-label="Order of application" sx={{ listStyle: 'none', m: 0, p: 0 }}>
        {ids.map((id, i) => (
          <Turn key={id} id={id} index={i} last={ids.length - 1} />
        ))}
      </Box>
      <OtherSide />
    </>
  )
}

/** One zone in its turn. It is drawn again only when what it shows changes. */
const Turn = memo(function Turn({ id, index, last }: { id: string; index: number; last: number }) {
  const { store, permissions } = usePlanStore()
  const name = usePlan((state) => stageOf(state).zones.find((zone) => zone.id === id)?.name ?? '')
  const here = usePlan((state) => state.selectedZone === id || state.alsoSelected.includes(id))

  function move(by: 1 | -1) {
    const to = index + by
    if (!permissions.write || to < 0 || to > last) return
    moveZone(store, stageOf(store.getState()).id, { id, name }, by)
  }

  function keys(event: KeyboardEvent) {
    if (!event.altKey) return
    if (event.key === 'ArrowUp') move(-1)
    else if (event.key === 'ArrowDown') move(1)
    else return
    event.preventDefault()
  }

  return (
    <Box component="li" sx={{ borderBottom: 1, borderColor: 'divider', bgcolor: here ? 'action.selected' : undefined }}>
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <Button
          color="inherit"
          aria-pressed={here}
          onClick={(event) => pick(store, id, event)}
          onKeyDown={keys}
          sx={{
            flex: 1,
            justifyContent: 'flex-start',
            gap: 0.75,
            pl: 1.5,
            pr: 1,
            minWidth: 0,
            borderRadius: 0,
            textAlign: 'left',
          }}
        >
          <Typography component="span" sx={{ fontWeight: 700, width: 18 }}>
            {index + 1}
          </Typography>
          <Typography component="span" noWrap sx={{ flex: 1, fontWeight: here ? 700 : 500 }}>
            {name}
          </Typography>
          <Typography component="span" sx={{ minWidth: 22, textAlign: 'right' }}>
            <FoilsOf id={id} />
          </Typography>
        </Button>
        {permissions.write && here && (
          <>
            <IconButton
              className="screen-only"
              size="small"
              aria-label={`${name} earlier`}
              disabled={index === 0}
              onClick={() => move(-1)}
              sx={{ width: 28, height: 44, borderRadius: 1 }}
            >
              ↑
            </IconButton>
            <IconButton
              className="screen-only"
              size="small"
              aria-label={`${name} later`}
              disabled={index === last}
              onClick={() => move(1)}
              sx={{ width: 28, height: 44, borderRadius: 1 }}
            >
              ↓
            </IconButton>
          </>
        )}
      </Box>
      <Box
        aria-hidden
        sx={{
          height: 3,
          mx: 1.5,
          mb: '2px',
          color: 'text.secondary',
          '& > div': { height: '100%', bgcolor: 'currentcolor' },
        }}
      >
        <FoilsBar id={id} />
      </Box>
    </Box>
  )
})

const figuresOf = ({ answer }: PlanState, id: string) => answer?.figures.zones.find((zone) => zone.id === id)

/** Foils of a zone; apart from the rest, because they follow every move of a hand. */
function FoilsOf({ id }: { id: string }) {
  return usePlan((state) => {
    const figures = figuresOf(state, id)
    return figures && (figures.foils || (figures.takenFraction > 0 ? '' : '–'))
  })
}

/** Foils of a zone against those of the zone that has most. */
function FoilsBar({ id }: { id: string }) {
  const share = usePlan(
    (state) =>
      (figuresOf(state, id)?.foils ?? 0) /
      Math.max(1, ...(state.answer?.figures.zones.map(({ foils }) => foils) ?? [])),
  )
  return <div style={{ width: `${100 * share}%` }} />
}
