'use client'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'

interface Props {
  people: readonly { id: string; name: string; role: string }[]
  /** Who is coming in. */
  busy?: string | undefined
  onChoose: (id: string) => void
}

/** Who it is, of a few. */
export const People = ({ people, busy, onChoose }: Props) => (
  <Stack spacing={1}>
    {people.map(({ id, name, role }) => (
      <Button
        key={id}
        variant="outlined"
        color="inherit"
        disabled={busy !== undefined}
        onClick={() => onChoose(id)}
        sx={{ justifyContent: 'space-between', borderColor: 'divider', bgcolor: 'background.paper', minHeight: 44 }}
      >
        <span>{busy === id ? 'One moment…' : name}</span>
        <Typography component="span" variant="caption" color="textSecondary">
          {role}
        </Typography>
      </Button>
    ))}
  </Stack>
)
