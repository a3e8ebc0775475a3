'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import type { TableReport } from '@/core/model'
import { callApi, failureWords } from '../hooks/api'
import { useNotice } from '../notices'

/** Problems that are listed; the rest is counted. */
const MOST_LISTED = 50

/** Clients out of a table: looked through first, then all of them or none. */
export function ClientTable({ onClose }: { onClose: () => void }) {
  const notice = useNotice()
  const [file, setFile] = useState<{ name: string; text: string }>()
  const [report, setReport] = useState<TableReport>()
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)

  async function send(text: string, commit: '' | '?commit') {
    setBusy(true)
    setProblem(undefined)
    try {
      const answer = await callApi<TableReport>(`/api/clients/table${commit}`, 'POST', text)
      setReport(answer)
      if (answer.committed) {
        notice(`${answer.rows} client${answer.rows === 1 ? '' : 's'} taken in.`)
        onClose()
      }
    } catch (error) {
      setProblem(failureWords(error))
    }
    setBusy(false)
  }

  async function choose(field: HTMLInputElement) {
    const chosen = field.files?.[0]
    // The same file is read anew once it was mended.
    field.value = ''
    if (!chosen) return
    const text = await chosen.text()
    setFile({ name: chosen.name, text })
    setReport(undefined)
    await send(text, '')
  }

  const good = report !== undefined && report.problems.length === 0
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="table-title">
      <DialogTitle id="table-title">Clients from a table</DialogTitle>
      <DialogContent>
        <Typography color="textSecondary" sx={{ mb: 1 }}>
          A CSV file with one client a row. It needs the column <code>name</code> and may have <code>note</code>,{' '}
          <code>head_circumference_cm</code>, <code>length_cm</code>, <code>natural_level</code>, <code>density</code>,{' '}
          <code>texture</code>, <code>curl</code>; what is empty is looked at on her first visit.
        </Typography>
        <Button variant="outlined" component="label">
          {file ? file.name : 'Choose a file'}
          <input
            type="file"
            accept=".csv,text/csv"
            hidden
            aria-label="Table of clients"
            onChange={({ target }) => void choose(target)}
          />
        </Button>
        {problem && (
          <Alert severity="error" sx={{ mt: 2 }}>
            {problem}
          </Alert>
        )}
        {report && <Looked report={report} />}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <Button
          variant="contained"
          disabled={!good || busy || !file}
          onClick={() => file && void send(file.text, '?commit')}
        >
          {good ? `Take ${report.rows} in` : 'Take them in'}
        </Button>
      </DialogActions>
    </Dialog>
  )
}

function Looked({ report: { rows, problems } }: { report: TableReport }) {
  if (problems.length === 0)
    return (
      <Alert severity="success" sx={{ mt: 2 }}>
        {rows} client{rows === 1 ? '' : 's'}, nothing wrong. Clients of the same name that are here already stay beside
        them.
      </Alert>
    )
  return (
    <Alert severity="error" sx={{ mt: 2 }}>
      Nothing was taken in. Mend this in the file and choose it again:
      <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
        {problems.slice(0, MOST_LISTED).map(({ line, column, message }, i) => (
          <li key={i}>
            line {line}
            {column && `, ${column}`}: {message}
          </li>
        ))}
      </Box>
      {problems.length > MOST_LISTED && `and ${problems.length - MOST_LISTED} more`}
    </Alert>
  )
}
