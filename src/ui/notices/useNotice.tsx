'use client'
import Button from '@mui/material/Button'
import { useSnackbar } from 'notistack'
import { useCallback } from 'react'
import { useUnits } from '../hooks/useUnits'

/** What can be undone stays so long, ms. Our choice. */
const UNDO_MS = 10_000

/** Says in one sentence what was done, in the salon's units, with a way back where there is one. */
export function useNotice(): (text: string, undo?: () => void) => void {
  const { enqueueSnackbar, closeSnackbar } = useSnackbar()
  const { read } = useUnits()
  return useCallback(
    (text, undo) => {
      enqueueSnackbar(
        read(text),
        undo && {
          autoHideDuration: UNDO_MS,
          action: (key) => (
            <Button
              color="inherit"
              onClick={() => {
                closeSnackbar(key)
                undo()
              }}
            >
              Undo
            </Button>
          ),
        },
      )
    },
    [enqueueSnackbar, closeSnackbar, read],
  )
}
