'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { BookedVisit } from '@/core/model'
import type { DayClock } from '@/core/time/schedule'
import { taskWords } from '@/words'
import { Lane, NAMES } from '../clock/Lane'
import { LINE } from '../theme'
import { useTold } from './told'

/** A client by her number on the list. */
export function Mark({ number }: { number: number }) {
  return (
    <Box
      component="span"
      sx={{
        width: 28,
        height: 28,
        borderRadius: '50%',
        border: '2px solid',
        borderColor: 'text.primary',
        display: 'grid',
        placeItems: 'center',
        fontWeight: 700,
        ...FILLS[(number - 1) % FILLS.length],
      }}
    >
      {number}
    </Box>
  )
}

/** Clients are told apart by their number first, and by how their blocks are filled. */
const FILLS = [
  { bgcolor: 'text.primary', color: 'background.paper' },
  { bgcolor: 'background.paper', color: 'text.primary' },
  { bgcolor: 'text.secondary', color: 'background.paper' },
  { bgcolor: 'action.selected', color: 'text.primary' },
] as const

/** Who works for whom when, and when hands are free. */
export function DayLanes({
  day,
  visits,
  people,
  opens,
  closes,
}: {
  day: DayClock
  visits: readonly BookedVisit[]
  people: { id: string; name: string }[]
  opens: number
  closes: number
}) {
  const told = useTold()
  const from = Math.min(opens, ...day.tasks.map((task) => task.from))
  const to = Math.max(closes, day.ends)
  const at = (minute: number) => `${(100 * (minute - from)) / (to - from)}%`
  const ticks = Array.from(
    { length: Math.floor(to / 60) - Math.ceil(from / 60) + 1 },
    (_, i) => 60 * (Math.ceil(from / 60) + i),
  )
  const numberOf = (id: string) => visits.findIndex(({ planId }) => planId === id) + 1
  return (
    <Box sx={{ borderTop: LINE, mt: 1 }}>
      <Box sx={{ overflowX: 'auto' }} role="region" aria-label="Who works on whom when" tabIndex={0}>
        <Box sx={{ minWidth: 760 }}>
          <Lane name="" tall={22}>
            {ticks.map((tick) => (
              <Typography
                key={tick}
                variant="caption"
                style={{ left: at(tick) }}
                sx={{ position: 'absolute', top: 0, transform: tick === from ? undefined : 'translateX(-50%)' }}
              >
                {told(tick)}
              </Typography>
            ))}
          </Lane>
          {people.map(({ id, name }) => (
            <Lane key={id} name={name} tall={46} ticks={ticks.map(at)}>
              {day.tasks
                .filter(({ personId }) => personId === id)
                .map((task) => {
                  const number = numberOf(task.visitId)
                  return (
                    <Box
                      key={`${task.visitId} ${task.from} ${task.kind}`}
                      title={`${number}: ${taskWords(task)}, ${told(task.from)}–${told(task.to)}`}
                      style={{ left: at(task.from), width: `${(100 * (task.to - task.from)) / (to - from)}%` }}
                      sx={{
                        position: 'absolute',
                        top: 5,
                        bottom: 5,
                        overflow: 'hidden',
                        fontSize: '0.8rem',
                        fontWeight: 700,
                        lineHeight: '34px',
                        textIndent: 3,
                        border: '1px solid',
                        borderColor: 'text.primary',
                        ...FILLS[(number - 1) % FILLS.length],
                      }}
                    >
                      {task.to - task.from >= 8 ? number : ''}
                    </Box>
                  )
                })}
            </Lane>
          ))}
        </Box>
      </Box>
      <Typography sx={{ pl: { xs: 2, md: `${NAMES}px` }, pt: 1 }}>
        {day.gaps.length === 0
          ? 'No free stretch of ten minutes or more.'
          : `Hands free: ${day.gaps.map(({ personId, from: begins, to: ends }) => `${people.length > 1 ? `${people.find(({ id }) => id === personId)?.name} ` : ''}${told(begins)}–${told(ends)}`).join(', ')}.`}
      </Typography>
    </Box>
  )
}
