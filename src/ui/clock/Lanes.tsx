'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { useRef, useState, type MouseEvent, type PointerEvent, type ReactNode } from 'react'
import type { ClockFigures, ClockTaskFigures, ZoneClockFigures } from '@/core/plan/planner'
import type { TaskKind } from '@/core/time/schedule'
import { FormulaSample } from '../parts'
import { LINE } from '../theme'
import { duration, taskWords, useTimeOfDay } from './words'

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

export const zoneKey = ({
  stageId,
  zoneId,
  formulaId,
}: Pick<ZoneClockFigures, 'stageId' | 'zoneId' | 'formulaId'>): string => `${stageId}/${zoneId}/${formulaId}`

/** Height of a zone's lane, and how far a press may stray before it drags one, px. */
const ZONE_LANE = 40
const DRAG_FROM = 6
/** Room for the names of lanes, px. */
export const NAMES = 148
const SHADES: Record<TaskKind, { bgcolor: string; color: string; border?: string }> = {
  setUp: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
  mix: { bgcolor: 'background.paper', color: 'text.primary', border: '2px solid var(--mui-palette-text-secondary)' },
  apply: { bgcolor: 'text.primary', color: 'background.paper' },
  takeOut: { bgcolor: 'text.secondary', color: 'background.paper' },
  rinse: { bgcolor: 'action.selected', color: 'text.primary', border: '1px solid var(--mui-palette-text-secondary)' },
  dry: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
  finish: { bgcolor: 'transparent', color: 'text.primary', border: LINE },
}

/** A visit against the clock: one lane a person, one for the basin, one for the hair of each zone. */
export function Lanes({ figures, start, swatches, chosen, onChoose, onReorder }: Props) {
  const timeOfDay = useTimeOfDay()
  const [shown, setShown] = useState<string>()
  const [dragged, setDragged] = useState<{ key: string; by: number }>()
  const end = Math.max(
    ...figures.tasks.map(({ toMinutes }) => toMinutes),
    ...figures.zones.map(({ latestMinutes }) => latestMinutes),
  )
  const step = end > 150 ? 30 : 15
  const ticks = Array.from({ length: Math.floor(end / step) + 1 }, (_, i) => i * step)
  const at = (minute: number) => `${(100 * minute) / end}%`
  const task = figures.tasks.find(({ id }) => id === shown)
  const formulas = Object.keys(swatches)
  const block = (one: ClockTaskFigures) => (
    <Box
      key={one.id}
      style={{ left: at(one.fromMinutes), width: at(one.toMinutes - one.fromMinutes) }}
      sx={{
        position: 'absolute',
        top: 3,
        bottom: 3,
        overflow: 'hidden',
        fontSize: '0.78rem',
        lineHeight: '38px',
        textIndent: 4,
        whiteSpace: 'nowrap',
        ...SHADES[one.kind],
        ...(shown === one.id && {
          boxShadow: '0 0 0 2px var(--mui-palette-text-primary), 0 0 0 4px var(--mui-palette-background-paper)',
          zIndex: 1,
        }),
      }}
    >
      {one.toMinutes - one.fromMinutes > end / 22 && one.kind !== 'mix' ? taskWords(one) : ''}
    </Box>
  )
  /** Shows the task at a place of a lane, or the nearest: blocks of a few minutes are too narrow to be hit. */
  function showAt(person: string, share: number) {
    const minute = share * end
    const away = ({ fromMinutes, toMinutes }: ClockTaskFigures) => Math.max(fromMinutes - minute, minute - toMinutes, 0)
    setShown(
      figures.tasks
        .filter(({ by }) => by === person)
        .reduce((nearest, one) => (away(one) < away(nearest) ? one : nearest)).id,
    )
  }
  return (
    <Box sx={{ overflowX: 'auto' }} role="region" aria-label="Who does what when" tabIndex={0}>
      <Box sx={{ minWidth: 760 }}>
        <Lane name="" tall={22}>
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
        {figures.crew.map(({ id, name }) => (
          <Lane
            key={id}
            name={name}
            tall={46}
            ticks={ticks.map(at)}
            onTrack={figures.tasks.some(({ by }) => by === id) ? (share) => showAt(id, share) : undefined}
          >
            {figures.tasks.filter(({ by }) => by === id).map(block)}
          </Lane>
        ))}
        <Typography role="status" variant="body2" sx={{ minHeight: 24, pl: `${NAMES}px`, py: 0.25 }}>
          {task ? (
            <>
              <strong>{taskWords(task)}</strong>, {timeOfDay(start, task.fromMinutes)}–
              {timeOfDay(start, task.toMinutes)}, {duration(task.toMinutes - task.fromMinutes)}
            </>
          ) : (
            'Press a lane to read what is done then; all steps are listed below.'
          )}
        </Typography>
        {figures.zones.map((zone, i) => {
          const key = zoneKey(zone)
          const dropped = (by: number) => {
            setDragged(undefined)
            const to = figures.zones[i + Math.round(by / ZONE_LANE)]
            if (to && to.zoneId !== zone.zoneId && to.stageId === zone.stageId) onReorder?.(zone, to)
          }
          return (
            <Lane
              key={key}
              tall={ZONE_LANE}
              drag={
                onReorder && {
                  by: dragged?.key === key ? dragged.by : 0,
                  onMove: (by) => setDragged({ key, by }),
                  onDrop: dropped,
                }
              }
              ticks={ticks.map(at)}
              name={
                <Box component="span" sx={{ display: 'flex', alignItems: 'center', gap: 0.75, minWidth: 0 }}>
                  <FormulaSample
                    id={zone.formulaId}
                    index={formulas.indexOf(zone.formulaId)}
                    swatch={swatches[zone.formulaId] ?? '#888888'}
                    size={22}
                  />
                  <Box
                    component="span"
                    sx={{ overflow: 'hidden', textOverflow: 'ellipsis', fontWeight: chosen === key ? 700 : 400 }}
                  >
                    {zone.name}
                  </Box>
                </Box>
              }
              onPress={() => onChoose(key)}
              pressed={chosen === key}
              label={`${zone.name}, formula ${zone.formulaId}: first on ${timeOfDay(start, zone.firstOnMinutes)}, last on ${timeOfDay(start, zone.lastOnMinutes)}, out ${timeOfDay(start, zone.firstOutMinutes)} to ${timeOfDay(start, zone.lastOutMinutes)}, first to be out by ${timeOfDay(start, zone.latestMinutes)}`}
            >
              <ZoneBar zone={zone} at={at} />
            </Lane>
          )
        })}
        <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, pl: `${NAMES}px`, pt: 0.5 }}>
          <Key mark={<Box sx={{ width: 26, height: 12, background: RISING }} />} words="going on, first to last" />
          <Key mark={<Box sx={{ width: 26, height: 12, bgcolor: 'text.secondary' }} />} words="processing" />
          <Key mark={<Box sx={{ width: 26, height: 12, background: FALLING }} />} words="coming out" />
          <Key
            mark={
              <Box
                sx={{
                  width: 26,
                  height: 8,
                  borderLeft: '2px solid',
                  borderRight: '2px solid',
                  borderBottom: '2px solid',
                }}
              />
            }
            words="the first piece: near its goal – latest time"
          />
        </Box>
      </Box>
    </Box>
  )
}

const RISING = 'linear-gradient(to bottom right, transparent 50%, var(--mui-palette-text-secondary) 50%)'
const FALLING = 'linear-gradient(to top right, var(--mui-palette-text-secondary) 50%, transparent 50%)'

function ZoneBar({ zone, at }: { zone: ZoneClockFigures; at: (minute: number) => string }) {
  const part = (from: number, to: number, background: string) => (
    <Box
      aria-hidden
      style={{ left: at(from), width: at(Math.max(0, to - from)), background }}
      sx={{ position: 'absolute', top: 7, height: 18 }}
    />
  )
  const solid = 'var(--mui-palette-text-secondary)'
  return (
    <>
      {part(zone.firstOnMinutes, zone.lastOnMinutes, zone.lastOnMinutes <= zone.firstOutMinutes ? RISING : solid)}
      {zone.lastOnMinutes < zone.firstOutMinutes && part(zone.lastOnMinutes, zone.firstOutMinutes, solid)}
      {part(Math.max(zone.firstOutMinutes, zone.lastOnMinutes), zone.lastOutMinutes, FALLING)}
      <Box
        aria-hidden
        style={{ left: at(zone.readyMinutes), width: at(Math.max(0.5, zone.latestMinutes - zone.readyMinutes)) }}
        sx={{
          position: 'absolute',
          top: 27,
          height: 7,
          borderLeft: '2px solid',
          borderRight: '2px solid',
          borderBottom: '2px solid',
          borderColor: zone.firstOutMinutes > zone.latestMinutes + 0.05 ? 'error.main' : 'text.primary',
        }}
      />
    </>
  )
}

function Key({ mark, words }: { mark: ReactNode; words: string }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 0.75 }}>
      <Box aria-hidden>{mark}</Box>
      <Typography variant="caption" color="textSecondary">
        {words}
      </Typography>
    </Box>
  )
}

interface LaneProps {
  name: ReactNode
  tall: number
  ticks?: readonly string[]
  children: ReactNode
  onPress?: () => void
  pressed?: boolean
  label?: string
  /** Where its track is pressed, 0…1 of its width. For the eye and the hand only: the list of steps says the same. */
  onTrack?: ((share: number) => void) | undefined
  /** Its name can be dragged up and down: by how much it is, px, and what to do about it. */
  drag?: { by: number; onMove: (by: number) => void; onDrop: (by: number) => void } | undefined
}

/** One line of a time table, with its name. */
export function Lane({ name, tall, ticks = [], children, onPress, pressed, label, onTrack, drag }: LaneProps) {
  const from = useRef<number>(undefined)
  const by = (event: PointerEvent) => (from.current === undefined ? 0 : event.clientY - from.current)
  const dragging = drag && {
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      from.current = event.clientY
      event.currentTarget.setPointerCapture(event.pointerId)
    },
    onPointerMove: (event: PointerEvent) => {
      if (from.current !== undefined && (drag.by !== 0 || Math.abs(by(event)) > DRAG_FROM)) drag.onMove(by(event))
    },
    onPointerUp: (event: PointerEvent) => {
      if (drag.by !== 0) drag.onDrop(by(event))
      from.current = undefined
    },
    onPointerCancel: () => {
      from.current = undefined
      drag.onDrop(0)
    },
  }
  return (
    <Box
      style={{ transform: drag && drag.by !== 0 ? `translateY(${drag.by}px)` : undefined }}
      sx={{
        display: 'flex',
        alignItems: 'stretch',
        minHeight: tall,
        borderBottom: ticks.length > 0 ? LINE : 'none',
        bgcolor: pressed ? 'action.selected' : undefined,
        ...(drag &&
          drag.by !== 0 && {
            position: 'relative',
            zIndex: 1,
            opacity: 0.8,
            boxShadow: '0 0 0 1px var(--mui-palette-text-primary)',
          }),
      }}
    >
      {onPress ? (
        <Box
          component="button"
          type="button"
          aria-label={label}
          aria-pressed={pressed}
          onClick={onPress}
          {...dragging}
          sx={{
            touchAction: drag ? 'none' : undefined,
            width: NAMES,
            flex: 'none',
            font: 'inherit',
            color: 'inherit',
            bgcolor: 'transparent',
            border: 'none',
            textAlign: 'left',
            p: 0,
            pl: 1,
            minHeight: tall,
            cursor: 'pointer',
            whiteSpace: 'nowrap',
            overflow: 'hidden',
          }}
        >
          {name}
        </Box>
      ) : (
        <Box sx={{ width: NAMES, flex: 'none', pl: 1, display: 'flex', alignItems: 'center', fontWeight: 600 }}>
          {name}
        </Box>
      )}
      <Box
        aria-hidden
        data-track={onTrack ? '' : undefined}
        onClick={
          onTrack &&
          (({ currentTarget, clientX }: MouseEvent<HTMLElement>) => {
            const { left, width } = currentTarget.getBoundingClientRect()
            onTrack((clientX - left) / width)
          })
        }
        sx={{ position: 'relative', flex: 1, mr: 3, cursor: onTrack ? 'pointer' : undefined }}
      >
        {ticks.map((left) => (
          <Box
            key={left}
            aria-hidden
            style={{ left }}
            sx={{ position: 'absolute', top: 0, bottom: 0, borderLeft: LINE }}
          />
        ))}
        {children}
      </Box>
    </Box>
  )
}
