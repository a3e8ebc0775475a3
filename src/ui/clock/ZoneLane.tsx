'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import type { ZoneClockFigures } from '@/core/plan/planner'
import { FormulaSample } from '../parts'
import { useSortableItem } from '../parts/sortable'
import { Lane, NAMES } from './Lane'
import type { Axis } from './Lanes'
import { useTimeOfDay } from './words'

/** A zone's lane and what stands in it, px: as it is, and where there are many. Our choice. */
const ROOMY = { lane: 40, bar: 7, bold: 18, mark: 27 }
const TIGHT = { lane: 32, bar: 4, bold: 15, mark: 21 }

export const zoneKey = ({
  stageId,
  zoneId,
  formulaId,
}: Pick<ZoneClockFigures, 'stageId' | 'zoneId' | 'formulaId'>): string => `${stageId}/${zoneId}/${formulaId}`

interface Props {
  zone: ZoneClockFigures
  axis: Axis
  start: string
  /** Formulas in the order of their letters, with their swatches. */
  swatches: Record<string, string>
  chosen: boolean
  onChoose: () => void
  /** Whether it may be put elsewhere. */
  movable: boolean
  /** Whether there are so many lanes that each is lower. */
  tight: boolean
}

/** Product in the hair of one zone, from the first piece to the last. */
export function ZoneLane({ zone, axis, start, swatches, chosen, onChoose, movable, tight }: Props) {
  const timeOfDay = useTimeOfDay()
  const sortable = useSortableItem(zoneKey(zone), !movable)
  const at = (minute: number) => timeOfDay(start, minute)
  const sizes = tight ? TIGHT : ROOMY
  return (
    <Lane
      tall={sizes.lane}
      {...(movable && { sortable })}
      ticks={axis.ticks.map(axis.at)}
      name={
        <Box component="span" sx={{ display: 'flex', alignItems: 'center', gap: 0.75, minWidth: 0 }}>
          <FormulaSample
            id={zone.formulaId}
            index={Object.keys(swatches).indexOf(zone.formulaId)}
            swatch={swatches[zone.formulaId] ?? '#888888'}
            size={22}
          />
          <Box component="span" sx={{ overflow: 'hidden', textOverflow: 'ellipsis', fontWeight: chosen ? 700 : 400 }}>
            {zone.name}
          </Box>
        </Box>
      }
      onPress={onChoose}
      pressed={chosen}
      label={`${zone.name}, formula ${zone.formulaId}: first on ${at(zone.firstOnMinutes)}, last on ${at(zone.lastOnMinutes)}, out ${at(zone.firstOutMinutes)} to ${at(zone.lastOutMinutes)}, first to be out by ${at(zone.latestMinutes)}`}
    >
      <ZoneBar zone={zone} at={axis.at} sizes={sizes} />
      <Reached zone={zone} axis={axis} />
    </Lane>
  )
}

const RISING = 'linear-gradient(to bottom right, transparent 50%, var(--mui-palette-text-secondary) 50%)'
const FALLING = 'linear-gradient(to top right, var(--mui-palette-text-secondary) 50%, transparent 50%)'

function ZoneBar({ zone, at, sizes }: { zone: ZoneClockFigures; at: (minute: number) => string; sizes: typeof ROOMY }) {
  const part = (from: number, to: number, background: string) => (
    <Box
      aria-hidden
      style={{ left: at(from), width: at(Math.max(0, to - from)), background }}
      sx={{ position: 'absolute', top: sizes.bar, height: sizes.bold }}
    />
  )
  const solid = 'var(--mui-palette-text-secondary)'
  return (
    <>
      {part(zone.firstOnMinutes, zone.lastOnMinutes, zone.lastOnMinutes <= zone.firstOutMinutes ? RISING : solid)}
      {zone.lastOnMinutes < zone.firstOutMinutes && part(zone.lastOnMinutes, zone.firstOutMinutes, solid)}
      {part(Math.max(zone.firstOutMinutes, zone.lastOnMinutes), zone.lastOutMinutes, FALLING)}
      {zone.againMinutes.map((minute) => (
        <Box
          key={minute}
          aria-hidden
          style={{ left: at(minute) }}
          sx={{ position: 'absolute', top: sizes.bar, height: sizes.bold, width: 5, bgcolor: 'background.paper' }}
        />
      ))}
      <Box
        aria-hidden
        style={{ left: at(zone.readyMinutes), width: at(Math.max(0.5, zone.latestMinutes - zone.readyMinutes)) }}
        sx={{
          position: 'absolute',
          top: sizes.mark,
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

/** Less than this short of the goal is not told apart, levels. Our choice: what an eye does. */
const SHORT_BY = 0.5

/** What is said beside a bar: the level lightener comes to against its goal, or by how much colour is cut short. */
function verdictOf({ curve, level, goal, cutShortMinutes }: ZoneClockFigures): { words: string; isShort: boolean } {
  if (curve.length === 0) {
    const isShort = cutShortMinutes >= 1
    return { words: isShort ? `${Math.round(cutShortMinutes)} min short` : '', isShort }
  }
  const isShort = level.expected < goal - SHORT_BY
  return { words: `${level.expected} of ${goal}${isShort ? ', short' : ''}`, isShort }
}

function Reached({ zone, axis }: { zone: ZoneClockFigures; axis: Axis }) {
  const { lastOutMinutes, latestMinutes } = zone
  const { words, isShort } = verdictOf(zone)
  return (
    <Typography
      variant="caption"
      style={{ left: `calc(${axis.at(Math.max(lastOutMinutes, latestMinutes))} + 8px)` }}
      sx={{
        position: 'absolute',
        top: 0,
        bottom: 0,
        display: 'flex',
        alignItems: 'center',
        whiteSpace: 'nowrap',
        fontWeight: isShort ? 700 : 400,
      }}
    >
      {words}
    </Typography>
  )
}

/** What the marks of these lanes mean. */
export function ZoneKey() {
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', columnGap: 2, pl: `${NAMES}px`, pt: 0.5 }}>
      <Key mark={<Box sx={{ width: 26, height: 12, background: RISING }} />} words="going on, first to last" />
      <Key mark={<Box sx={{ width: 26, height: 12, bgcolor: 'text.secondary' }} />} words="processing" />
      <Key mark={<Box sx={{ width: 26, height: 12, background: FALLING }} />} words="coming out" />
      <Key
        mark={
          <Box sx={{ width: 26, height: 12, bgcolor: 'text.secondary', display: 'flex', justifyContent: 'center' }}>
            <Box sx={{ width: 5, bgcolor: 'background.paper' }} />
          </Box>
        }
        words="fresh product"
      />
      <Key
        mark={
          <Box
            sx={{ width: 26, height: 8, borderLeft: '2px solid', borderRight: '2px solid', borderBottom: '2px solid' }}
          />
        }
        words="the first piece: near its goal – latest time"
      />
    </Box>
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
