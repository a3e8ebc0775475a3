'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { memo, type KeyboardEvent } from 'react'
import { useShallow } from 'zustand/react/shallow'
import { moveZone, pick, stageOf, usePlan, usePlanStore } from './context'
import { Grip, SortableList, useSortableItem } from '../parts/sortable'
import type { PlanState } from './store'

const OtherSide = dynamic(() => import('./OtherSide').then((module) => module.OtherSide))

/** The zones in the order of application: the list a colourist reads aloud to an assistant. */
export function OrderRibbon() {
  const { store } = usePlanStore()
  const ids = usePlan(useShallow((state) => stageOf(state).order))
  const nameOf = (id: string) => zoneIn(store.getState(), id)?.name ?? ''

  function move(id: string, to: string) {
    const { order, id: stageId } = stageOf(store.getState())
    moveZone(store, stageId, { id, name: nameOf(id) }, order.indexOf(to) - order.indexOf(id))
  }

  return (
    <>
      <SortableList ids={ids} nameOf={nameOf} onMove={move}>
        <Box component="ol" aria-label="Order of application" sx={{ listStyle: 'none', m: 0, p: 0 }}>
          {ids.map((id, i) => (
            <Turn key={id} id={id} index={i} last={ids.length - 1} />
          ))}
        </Box>
      </SortableList>
      <OtherSide />
    </>
  )
}

const zoneIn = (state: PlanState, id: string) => stageOf(state).zones.find((zone) => zone.id === id)

interface TurnProps {
  id: string
  index: number
  last: number
}

/** One zone in its turn. It is drawn again only when what it shows changes. */
const Turn = memo(function Turn({ id, index, last }: TurnProps) {
  const { store, permissions } = usePlanStore()
  const name = usePlan((state) => zoneIn(state, id)?.name ?? '')
  const here = usePlan((state) => state.selectedZone === id || state.alsoSelected.includes(id))
  const { ref, style, grip } = useSortableItem(id, !permissions.write)

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
    <Box
      component="li"
      ref={ref}
      style={style}
      sx={{ borderBottom: 1, borderColor: 'divider', bgcolor: here ? 'action.selected' : 'background.paper' }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center' }}>
        <TurnButton id={id} index={index} name={name} here={here} onKeyDown={keys} />
        {permissions.write && <Grip grip={grip} name={name} />}
      </Box>
      <Box aria-hidden sx={{ height: 3, mx: 1.5, mb: '2px', color: 'text.secondary' }}>
        <FoilsBar id={id} />
      </Box>
    </Box>
  )
})

interface TurnButtonProps extends Pick<TurnProps, 'id' | 'index'> {
  name: string
  here: boolean
  onKeyDown: (event: KeyboardEvent) => void
}

/** A zone's place, name and foils; a press chooses it. */
function TurnButton({ id, index, name, here, onKeyDown }: TurnButtonProps) {
  const { store } = usePlanStore()
  return (
    <Button
      color="inherit"
      aria-pressed={here}
      onClick={(event) => pick(store, id, event)}
      onKeyDown={onKeyDown}
      sx={{
        flex: 1,
        justifyContent: 'flex-start',
        gap: 0.75,
        pl: 1.5,
        pr: 0.5,
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
  )
}

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
  return <div style={{ width: `${100 * share}%`, height: '100%', backgroundColor: 'currentcolor' }} />
}
