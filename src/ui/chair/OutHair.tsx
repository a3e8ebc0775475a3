'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import type { ScriptStep } from '@/core/time/run'
import type { HairUnderProduct } from './Hair'

/** Lightened hair that is out: what it shows decides what it is toned with, so it is looked at once more. */
export function OutHair({
  steps,
  onCheck,
}: {
  steps: readonly ScriptStep[]
  onCheck: (hair: HairUnderProduct) => void
}) {
  if (steps.length === 0) return null
  return (
    <Box component="section" aria-label="Out, not looked at yet" sx={{ px: { xs: 1.5, sm: 2 }, pb: 1 }}>
      <Typography variant="h2" sx={{ mb: 0.5 }}>
        Out, not looked at yet
      </Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1 }}>
        {steps.map(({ id, about }) => (
          <Button
            key={id}
            variant="outlined"
            color="inherit"
            sx={{ minHeight: 52 }}
            onClick={() =>
              onCheck({
                stepId: id,
                name: about,
                where: 'Rinsed and roughly dry, in daylight: root, middle and ends, before anything is put over it.',
              })
            }
          >
            {about}
          </Button>
        ))}
      </Box>
    </Box>
  )
}
