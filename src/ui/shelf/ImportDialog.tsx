'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import LinearProgress from '@mui/material/LinearProgress'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { ImportReport, ImportStep } from '@/core/model'
import { failureWords } from '../hooks/api'
import { CsvFile, type ReadFile } from '../parts/CsvFile'
import { LINE } from '../theme'

/** Changes and problems that are listed; the rest is counted. */
const MOST_LISTED = 100

/** A catalogue file: what it would change is shown first, and taken over whole or not at all. */
export function ImportDialog({ onClose, onDone }: { onClose: () => void; onDone: (message: string) => void }) {
  const [file, setFile] = useState<ReadFile>()
  const [progress, setProgress] = useState<number>()
  const [report, setReport] = useState<ImportReport>()
  const [error, setError] = useState<string>()

  async function read(text: string, commit: '' | '?commit') {
    setError(undefined)
    setProgress(0)
    try {
      const result = await send(text, commit, setProgress)
      if (result.committed)
        onDone(`${result.changes.length} product${result.changes.length === 1 ? '' : 's'} taken over.`)
      else setReport(result)
    } catch (problem) {
      setError(failureWords(problem))
    }
    setProgress(undefined)
  }

  function look(chosen: ReadFile) {
    setFile(chosen)
    setReport(undefined)
    void read(chosen.text, '')
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="import-title">
      <DialogTitle id="import-title">Catalogue from a CSV file</DialogTitle>
      <DialogContent sx={{ minHeight: 320 }}>
        <Typography color="textSecondary" sx={{ mb: 1 }}>
          One product a row, told apart by its code. Products that the file does not name stay as they are. Export the
          catalogue for the columns.
        </Typography>
        <CsvFile onRead={look}>{file ? file.name : 'Choose a file'}</CsvFile>
        {progress !== undefined && (
          <Box sx={{ mt: 2 }} role="status">
            <Typography>{Math.round(100 * progress)} % read</Typography>
            <LinearProgress variant="determinate" value={100 * progress} aria-label="Reading the file" />
          </Box>
        )}
        {error && (
          <Alert severity="error" sx={{ mt: 2 }}>
            {error}
          </Alert>
        )}
        {report && progress === undefined && <Report report={report} />}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <Button
          variant="contained"
          disabled={
            !file || !report || report.problems.length > 0 || report.changes.length === 0 || progress !== undefined
          }
          onClick={() => file && void read(file.text, '?commit')}
        >
          {report && report.changes.length > 0 ? `Take ${report.changes.length} over` : 'Take over'}
        </Button>
      </DialogActions>
    </Dialog>
  )
}

function Report({ report: { rows, changes, unchanged, problems } }: { report: ImportReport }) {
  const cells = {
    width: '100%',
    borderCollapse: 'collapse',
    mt: 1,
    '& td, & th': { borderTop: LINE, py: 0.25, pr: 1.5, textAlign: 'left', verticalAlign: 'top' },
    '& th': { fontWeight: 400, fontSize: '0.8rem' },
  } as const
  if (problems.length > 0)
    return (
      <Box sx={{ mt: 2 }}>
        <Alert severity="error">
          Nothing was taken over. Mend {problems.length === 1 ? 'this' : `these ${problems.length}`} in the file and
          choose it again.
        </Alert>
        <Box component="table" sx={cells}>
          <thead>
            <tr>
              <th>line</th>
              <th>column</th>
              <th>what is wrong</th>
            </tr>
          </thead>
          <tbody>
            {problems.slice(0, MOST_LISTED).map(({ line, column, message }, i) => (
              <tr key={i}>
                <td>{line}</td>
                <td>{column}</td>
                <td>{message}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      </Box>
    )
  return (
    <Box sx={{ mt: 2 }}>
      <Alert severity={changes.length > 0 ? 'info' : 'success'}>
        {rows} rows: {changes.filter(({ kind }) => kind === 'added').length} new,{' '}
        {changes.filter(({ kind }) => kind === 'changed').length} changed, {unchanged} as they are.
      </Alert>
      {changes.length > 0 && (
        <Box component="table" sx={cells}>
          <tbody>
            {changes.slice(0, MOST_LISTED).map(({ id, name, kind, columns }) => (
              <tr key={id}>
                <td>{kind === 'added' ? 'new' : 'changed'}</td>
                <td>{name}</td>
                <td>{columns.join(', ')}</td>
              </tr>
            ))}
          </tbody>
        </Box>
      )}
      {changes.length > MOST_LISTED && (
        <Typography color="textSecondary">and {changes.length - MOST_LISTED} more</Typography>
      )}
    </Box>
  )
}

/** Sends a file and follows the answer, a line of JSON for every step. */
async function send(text: string, commit: string, onProgress: (share: number) => void): Promise<ImportReport> {
  const response = await fetch(`/api/products/import${commit}`, {
    method: 'POST',
    body: text,
    headers: { 'content-type': 'text/csv' },
  }).catch(() => {
    throw new Error('Falto cannot be reached. Nothing was changed; try again when it answers.')
  })
  if (!response.ok || !response.body)
    throw new Error(
      ((await response.json().catch(() => ({}))) as { message?: string }).message ?? 'Something went wrong. Try again.',
    )
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader()
  let rest = ''
  for (;;) {
    const { value, done } = await reader.read()
    rest += value ?? ''
    const lines = rest.split('\n')
    rest = lines.pop()!
    for (const line of lines) {
      const step = JSON.parse(line) as ImportStep
      if ('failed' in step) throw new Error(step.failed)
      if ('report' in step) return step.report
      onProgress(step.of > 0 ? step.done / step.of : 1)
    }
    if (done)
      throw new Error('The answer broke off. Nothing may have been taken over; look at the shelf and try again.')
  }
}
