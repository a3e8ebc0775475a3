import Box from '@mui/material/Box'
import type { ClockFigures } from '@/core/plan/planner'
import { taskWords } from '@/words'
import { LINE } from '../theme'
import { duration, useTimeOfDay } from './words'

/** All that is done, in the order in which it is begun: the list that is read aloud. */
export function Steps({ figures: { tasks, crew }, start }: { figures: ClockFigures; start: string }) {
  const timeOfDay = useTimeOfDay()
  const nameOf = (person: string) => crew.find(({ id }) => id === person)?.name ?? person
  return (
    <Box
      component="details"
      sx={{
        mx: 2,
        my: 1,
        border: LINE,
        borderRadius: 1,
        '& summary': { cursor: 'pointer', px: 1.5, py: 1.25, fontWeight: 600 },
      }}
    >
      <summary>All {tasks.length} steps in order</summary>
      <Box component="ol" aria-label="Steps" sx={{ m: 0, pl: 0, pb: 1, listStyle: 'none', columnWidth: 360 }}>
        {tasks.map((task) => (
          <Box component="li" key={task.id} sx={{ px: 1.5, py: 0.25, display: 'flex', gap: 1.5, breakInside: 'avoid' }}>
            <span>{timeOfDay(start, task.fromMinutes)}</span>
            <Box component="span" sx={{ flex: 1 }}>
              {taskWords(task)}
              {crew.length > 1 && `, ${nameOf(task.by)}`}
            </Box>
            <Box component="span" sx={{ color: 'text.secondary' }}>
              {duration(task.toMinutes - task.fromMinutes)}
            </Box>
          </Box>
        ))}
      </Box>
    </Box>
  )
}
