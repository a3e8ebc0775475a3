'use client'
import Box from '@mui/material/Box'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Typography from '@mui/material/Typography'
import { useColorScheme } from '@mui/material/styles'
import { useRouter } from 'next/navigation'
import { leaveDevice } from '../hooks/doors'
import { Link } from '../link'
import { useLockNow } from './Guarded'

interface Props {
  anchor: HTMLElement
  name: string
  role: string
  onClose: () => void
  onUnits: () => void
}

/** Who one is, how the page looks, and the way out. */
export function AccountMenu({ anchor, name, role, onClose, onUnits }: Props) {
  const { mode, setMode } = useColorScheme()
  const router = useRouter()
  const lock = useLockNow()
  async function signOut() {
    await leaveDevice()
    router.push('/sign-in')
    router.refresh()
  }
  return (
    <Menu open anchorEl={anchor} onClose={onClose}>
      <Box sx={{ px: 2, py: 1 }}>
        <Typography>{name}</Typography>
        <Typography variant="caption" color="textSecondary">
          {role}
        </Typography>
      </Box>
      <MenuItem onClick={() => setMode(mode === 'dark' ? 'light' : 'dark')}>
        {mode === 'dark' ? 'Light surround' : 'Dark surround'}
      </MenuItem>
      <MenuItem component={Link} href="/account" onClick={onClose}>
        Account
      </MenuItem>
      {role === 'owner' && (
        <MenuItem component={Link} href="/salon" onClick={onClose}>
          Salon
        </MenuItem>
      )}
      {role === 'owner' && (
        <MenuItem
          onClick={() => {
            onClose()
            onUnits()
          }}
        >
          Units of the salon
        </MenuItem>
      )}
      {lock && <MenuItem onClick={lock}>Lock</MenuItem>}
      <MenuItem onClick={() => void signOut()}>Sign out</MenuItem>
    </Menu>
  )
}
