'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import Typography from '@mui/material/Typography'
import { useEffect } from 'react'
import { SIMULATION } from '@/words'
import { ViewButtons } from './Controls'
import { Portraits, type NamedPose } from './Portraits'
import type { LookSettings } from './pose'
import type { LookRoom } from './useLook'

interface Props {
  room: LookRoom | undefined
  poses: readonly NamedPose[]
  settings: LookSettings
  onChange: (changes: Partial<LookSettings>) => void
  onClose: () => void
}

/** The look alone, without figures, over the whole screen: to be shown to the client beside the mirror. */
export function ClientView({ room, poses, settings, onChange, onClose }: Props) {
  useEffect(() => {
    // Where the device does not allow it, the dialog fills the page all the same.
    void document.documentElement.requestFullscreen?.().catch(() => undefined)
    return () => {
      if (document.fullscreenElement) void document.exitFullscreen().catch(() => undefined)
    }
  }, [])
  return (
    <Dialog fullScreen open onClose={onClose} aria-label="The look, for the client">
      <Box sx={{ display: 'flex', flexDirection: 'column', height: '100dvh' }}>
        <Portraits room={room} poses={poses} settings={settings} onChange={onChange} chosen={undefined} />
        <Box sx={{ display: 'flex', flexWrap: 'wrap', alignItems: 'center', justifyContent: 'space-between', px: 1 }}>
          <ViewButtons settings={settings} onChange={onChange} />
          <Typography variant="caption" color="textSecondary">
            {SIMULATION}
          </Typography>
          <Button color="inherit" variant="outlined" onClick={onClose}>
            Close
          </Button>
        </Box>
      </Box>
    </Dialog>
  )
}
