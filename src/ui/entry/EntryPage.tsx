'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import type { ReactNode } from 'react'
import { SaveButton } from '../parts'

interface Props {
  title: string
  says: ReactNode
  form: { save: () => Promise<void>; busy: boolean; refused: string | undefined }
  save: string
  /** Beside the button. */
  beside?: ReactNode
  children: ReactNode
}

/** A page for who is not signed in yet: one thing to enter. */
export function EntryPage({ title, says, form, save, beside, children }: Props) {
  return (
    <Box component="main" sx={{ minHeight: '100dvh', display: 'grid', placeItems: 'center', p: 2 }}>
      <Box
        component="form"
        noValidate
        onSubmit={(event) => {
          event.preventDefault()
          void form.save()
        }}
        sx={{ width: '100%', maxWidth: 480 }}
      >
        <Typography variant="h1">{title}</Typography>
        <Typography color="textSecondary" sx={{ mb: 3 }}>
          {says}
        </Typography>
        <Stack spacing={2}>
          {form.refused && <Alert severity="error">{form.refused}</Alert>}
          {children}
          <Box sx={{ display: 'flex', gap: 2, alignItems: 'center', flexWrap: 'wrap' }}>
            <SaveButton onSave={form.save} busy={form.busy}>
              {save}
            </SaveButton>
            {beside}
          </Box>
          {/* Lets Enter send the form from any field. */}
          <input type="submit" hidden />
        </Stack>
      </Box>
    </Box>
  )
}
