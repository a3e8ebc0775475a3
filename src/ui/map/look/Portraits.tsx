'use client'
import Box from '@mui/material/Box'
import Typography from '@mui/material/Typography'
import type { Tapped } from '@/workers/look.worker'
import { LINE } from '../../theme'
import { Portrait, type Pose } from './Portrait'
import type { LookSettings } from './pose'
import type { LookRoom } from './useLook'

/** A pose with what it is called. */
export interface NamedPose {
  pose: Pose
  name: string
}

interface Props {
  settings: LookSettings
  onChange: (changes: Partial<LookSettings>) => void
  room: LookRoom | undefined
  poses: readonly NamedPose[]
  onTap?: (tapped: Tapped) => void
  chosen: string | undefined
}

/** One picture, or two that one hand turns. */
export function Portraits({ room, poses, settings, onChange, onTap, chosen }: Props) {
  return (
    <Box sx={{ flex: 1, minHeight: 0, display: 'flex' }}>
      {poses.map(({ pose, name }, i) => (
        <Box key={i} sx={{ flex: 1, minWidth: 0, display: 'flex', flexDirection: 'column', borderLeft: i ? LINE : 0 }}>
          {poses.length > 1 && (
            <Typography sx={{ textAlign: 'center', fontWeight: 700, fontSize: '0.85rem', py: 0.5 }}>{name}</Typography>
          )}
          <Portrait
            room={room}
            lane={i === 0 ? 'main' : 'beside'}
            pose={pose}
            view={settings.view}
            mirrored={settings.mirrored}
            label={`The look, ${name}`}
            onTurn={(view) => onChange({ view })}
            onTap={onTap}
            chosen={chosen ? [chosen] : []}
          />
        </Box>
      ))}
    </Box>
  )
}
