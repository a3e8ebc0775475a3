'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import { inOneRinse } from '@/core/model'
import type { StageOutline } from './StageMenus'

/** What is on the hair at once and comes off in one rinse, as bars under the stages, with what each one follows. */
export function StageTies({ stages }: { stages: readonly StageOutline[] }) {
  const numberOf = (id: string | undefined) => stages.findIndex((stage) => stage.id === id) + 1
  return (
    <>
      {inOneRinse(stages).map((group) => {
        const places = group.map(({ id }) => numberOf(id))
        const [first, last] = [Math.min(...places), Math.max(...places)]
        const together = group.length > 1
        return (
          <Box
            key={group[0]!.id}
            component="li"
            aria-label={together ? `At once, off in one rinse: ${group.map(({ name }) => name).join(', ')}` : undefined}
            sx={{
              gridRow: 2,
              gridColumn: `${first} / ${last + 1}`,
              borderTop: together ? '4px solid' : '2px solid',
              borderColor: together ? 'text.primary' : 'divider',
              mx: 0.5,
              px: 0.5,
              display: 'flex',
              justifyContent: 'space-between',
              gap: 1,
              ...(group.every(({ comesOff }) => comesOff?.kind === 'stays') && { borderTopStyle: 'dashed' }),
            }}
          >
            {group.map((stage) => (
              <Typography key={stage.id} variant="caption" color="textSecondary" sx={{ whiteSpace: 'nowrap' }}>
                {tieWords(stage, numberOf)}
              </Typography>
            ))}
          </Box>
        )
      })}
    </>
  )
}

function tieWords({ begins, worksOn, comesOff }: StageOutline, numberOf: (id: string | undefined) => number): string {
  const words = [
    begins?.kind === 'asApplied' && `once ${numberOf(begins.stageId)} is on`,
    begins?.kind === 'sectionBySection' && `behind ${numberOf(begins.stageId)}`,
    begins?.kind === 'minutesAfter' && `${begins.minutes} min after ${numberOf(begins.stageId)}`,
    !begins && worksOn?.kind === 'dropped' && `between ${numberOf(worksOn.stageId)}`,
    worksOn?.kind === 'took' && `on what ${numberOf(worksOn.stageId)} took`,
    comesOff?.kind === 'stays' && 'stays in',
  ].filter(Boolean)
  return words.join(', ')
}

/** Whether any stage says something of another, so that ties are worth a line. */
export const hasTies = (stages: readonly StageOutline[]): boolean =>
  stages.some(({ begins, worksOn, comesOff }) => begins ?? worksOn ?? comesOff)
