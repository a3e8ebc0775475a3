'use client'
import Box from '@mui/material/Box'
import IconButton from '@mui/material/IconButton'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { ClockFigures, ClockTaskFigures, ZoneClockFigures } from '@/core/plan/planner'
import type { TaskKind } from '@/core/time/schedule'
import { taskWords } from '@/words'
import { SortableList } from '../parts/sortable'
import { LINE } from '../theme'
import { Lane, NAMES } from './Lane'
import { duration, useTimeOfDay } from './words'
import { ZoneKey, zoneKey, ZoneLane } from './ZoneLane'
import { ZoomIn, ZoomOut } from '../parts/icons'

interface Props {
  figures: ClockFigures
  start: string
  /** Formulas in the order of their letters, with their swatches. */
  swatches: Record<string, string>
  chosen: string | undefined
  onChoose: (key: string) => void
  /** A zone's lane was dragged to the place of another one of its stage; left out where the plan may not be changed. */
  onReorder: ((zone: ZoneClockFigures, to: ZoneClockFigures) => void) | undefined
}

/** Where minutes lie across the lanes. */
export interface Axis {
  /** min */
  end: number
  /** How much wider than the page it is. */
  zoom: number
  ticks: number[]
  /** A minute, as CSS. */
  at: (minute: number) => string
}

/** More lanes than this are lower each, so that a dozen is in sight at once. Our choice. */
const MANY_LANES = 8
/** As many ticks at most lie in sight at once, so that their times stay apart. Our choice. */
const MOST_TICKS = 10
const TICK_STEPS = [5, 10, 15, 30, 60]
const MOST_ZOOM = 8

function axisOf({ tasks, zones }: ClockFigures, zoom: number): Axis {
  const end = Math.max(...tasks.map((task) => task.toMinutes), ...zones.map((zone) => zone.latestMinutes))
  const step = TICK_STEPS.find((minutes) => end / minutes <= MOST_TICKS * zoom) ?? 60
  return {
    end,
    zoom,
    ticks: Array.from({ length: Math.floor(end / step) + 1 }, (_, i) => i * step),
    at: (minute) => `${(100 * minute) / end}%`,
  }
}

/** A visit against the clock: one lane a person, one for the basin, one for the hair of each zone. */
export function Lanes({ figures, start, swatches, chosen, onChoose, onReorder }: Props) {
  const [shown, setShown] = useState<string>()
  const [zoom, setZoom] = useState(1)
  const axis = axisOf(figures, zoom)
  const byKey = new Map(figures.zones.map((zone) => [zoneKey(zone), zone]))

  function move(key: string, toKey: string) {
    const [zone, to] = [byKey.get(key), byKey.get(toKey)]
    if (zone && to && to.zoneId !== zone.zoneId && to.stageId === zone.stageId) onReorder?.(zone, to)
  }

  return (
    <Box sx={{ overflowX: 'auto' }} role="region" aria-label="Who does what when" tabIndex={0}>
      <Box sx={{ minWidth: 760 }} style={{ width: `${100 * zoom}%` }}>
        <Times axis={axis} start={start} onZoom={setZoom} />
        {figures.crew.map(({ id, name }) => (
          <PersonLane
            key={id}
            name={name}
            tasks={figures.tasks.filter(({ by }) => by === id)}
            axis={axis}
            shown={shown}
            onShow={setShown}
          />
        ))}
        <Shown task={figures.tasks.find(({ id }) => id === shown)} start={start} />
        <SortableList ids={[...byKey.keys()]} nameOf={(key) => byKey.get(key)?.name ?? ''} onMove={move}>
          {figures.zones.map((zone) => (
            <ZoneLane
              key={zoneKey(zone)}
              zone={zone}
              axis={axis}
              start={start}
              swatches={swatches}
              chosen={chosen === zoneKey(zone)}
              onChoose={() => onChoose(zoneKey(zone))}
              movable={onReorder !== undefined}
              tight={figures.zones.length > MANY_LANES}
            />
          ))}
        </SortableList>
        <ZoneKey />
      </Box>
    </Box>
  )
}

interface TimesProps {
  axis: Axis
  start: string
  onZoom: (zoom: number) => void
}

function Times({ axis: { ticks, at, zoom }, start, onZoom }: TimesProps) {
  const timeOfDay = useTimeOfDay()
  const zoomed = (
    <>
      <IconButton size="small" aria-label="Wider" disabled={zoom === 1} onClick={() => onZoom(zoom / 2)}>
        <ZoomOut fontSize="small" />
      </IconButton>
      <IconButton size="small" aria-label="Closer" disabled={zoom === MOST_ZOOM} onClick={() => onZoom(2 * zoom)}>
        <ZoomIn fontSize="small" />
      </IconButton>
    </>
  )
  return (
    <Lane name={zoomed} tall={22}>
      {ticks.map((tick) => (
        <Typography
          key={tick}
          variant="caption"
          style={{ left: at(tick) }}
          sx={{
            position: 'absolute',
            top: 0,
            transform: tick === 0 ? undefined : 'translateX(-50%)',
            whiteSpace: 'nowrap',
          }}
        >
          {timeOfDay(start, tick)}
        </Typography>
      ))}
    </Lane>
  )
}

interface PersonProps {
  name: string
  tasks: ClockTaskFigures[]
  axis: Axis
  shown: string | undefined
  onShow: (taskId: string) => void
}

function PersonLane({ name, tasks, axis, shown, onShow }: PersonProps) {
  /** Shows the task at a place of the lane, or the nearest: blocks of a few minutes are too narrow to be hit. */
  function showAt(share: number) {
    const minute = share * axis.end
    const away = ({ fromMinutes, toMinutes }: ClockTaskFigures) => Math.max(fromMinutes - minute, minute - toMinutes, 0)
    onShow(tasks.reduce((nearest, one) => (away(one) < away(nearest) ? one : nearest)).id)
  }
  return (
    <Lane name={name} tall={46} ticks={axis.ticks.map(axis.at)} onTrack={tasks.length > 0 ? showAt : undefined}>
      {tasks.map((task) => (
        <TaskBlock key={task.id} task={task} axis={axis} here={shown === task.id} />
      ))}
    </Lane>
  )
}

const SHADES: Record<TaskKind, { bgcolor: string; color: string; border?: string }> = {
  setUp: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
  mix: { bgcolor: 'background.paper', color: 'text.primary', border: '2px solid var(--mui-palette-text-secondary)' },
  apply: { bgcolor: 'text.primary', color: 'background.paper' },
  reapply: {
    bgcolor: 'text.secondary',
    color: 'background.paper',
    border: '1px solid var(--mui-palette-text-primary)',
  },
  takeOut: { bgcolor: 'text.secondary', color: 'background.paper' },
  rinse: { bgcolor: 'action.selected', color: 'text.primary', border: '1px solid var(--mui-palette-text-secondary)' },
  dry: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
  cut: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
  wash: { bgcolor: 'action.selected', color: 'text.primary', border: '1px solid var(--mui-palette-text-secondary)' },
  wipe: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
  style: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
  finish: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
}

/** Of the whole lane: a narrower block has no room for words. */
const WORDS_FROM_SHARE = 1 / 22

/** A narrower one has room for initials, still narrower ones for nothing. */
const INITIALS_FROM_SHARE = 1 / 40

/** @param share of what is in sight at once */
function wordsIn(task: ClockTaskFigures, share: number): string {
  if (task.kind === 'mix') return ''
  if (share > WORDS_FROM_SHARE) return taskWords(task)
  const initials =
    task.about
      .match(/\b\p{L}/gu)
      ?.join('')
      .toUpperCase() ?? ''
  return share > INITIALS_FROM_SHARE ? initials : ''
}

function TaskBlock({ task, axis: { end, at, zoom }, here }: { task: ClockTaskFigures; axis: Axis; here: boolean }) {
  const minutes = task.toMinutes - task.fromMinutes
  return (
    <Box
      style={{ left: at(task.fromMinutes), width: at(minutes) }}
      sx={{
        position: 'absolute',
        top: 3,
        bottom: 3,
        overflow: 'hidden',
        textOverflow: 'ellipsis',
        fontSize: '0.78rem',
        lineHeight: '38px',
        textIndent: 4,
        whiteSpace: 'nowrap',
        ...SHADES[task.kind],
        ...(here && {
          boxShadow: '0 0 0 2px var(--mui-palette-text-primary), 0 0 0 4px var(--mui-palette-background-paper)',
          zIndex: 1,
        }),
      }}
    >
      {wordsIn(task, (zoom * minutes) / end)}
    </Box>
  )
}

/** The task that was pressed, in words. */
function Shown({ task, start }: { task: ClockTaskFigures | undefined; start: string }) {
  const timeOfDay = useTimeOfDay()
  return (
    <Typography role="status" variant="body2" sx={{ minHeight: 24, pl: `${NAMES}px`, py: 0.25 }}>
      {task ? (
        <>
          <strong>{taskWords(task)}</strong>, {timeOfDay(start, task.fromMinutes)}–{timeOfDay(start, task.toMinutes)},{' '}
          {duration(task.toMinutes - task.fromMinutes)}
        </>
      ) : (
        'Press a lane to read what is done then; all steps are listed below.'
      )}
    </Typography>
  )
}
