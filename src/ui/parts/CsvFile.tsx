'use client'
import Button from '@mui/material/Button'
import type { ReactNode } from 'react'

export interface ReadFile {
  name: string
  text: string
}

interface Props {
  /** What it is, for who does not see it. */
  label?: string
  onRead: (file: ReadFile) => void
  children: ReactNode
}

/** Takes in a table of text (CSV). */
export function CsvFile({ label, onRead, children }: Props) {
  async function read(field: HTMLInputElement) {
    const chosen = field.files?.[0]
    // The same file is read anew once it was mended.
    field.value = ''
    if (chosen) onRead({ name: chosen.name, text: await chosen.text() })
  }
  return (
    <Button variant="outlined" component="label">
      {children}
      <input
        type="file"
        accept=".csv,text/csv"
        hidden
        aria-label={label}
        onChange={({ target }) => void read(target)}
      />
    </Button>
  )
}
