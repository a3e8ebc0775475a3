'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Typography from '@mui/material/Typography'
import { useState, type ReactNode } from 'react'
import type { TableReport } from '@/core/model'
import { callApi, failureWords } from '../hooks/api'
import { useNotice } from '../notices'
import { CsvFile, type ReadFile } from './CsvFile'

/** Problems that are listed; the rest is counted. */
const MOST_LISTED = 50

interface Props {
  title: string
  /** Which columns it has. */
  columns: ReactNode
  /** Where it is looked through, and with `?commit` taken in. */
  path: string
  /** What its rows come to, one of them and many. */
  names: readonly [one: string, many: string]
  /** What somebody should know before it is taken in. */
  beside?: string
  onClose: () => void
}

/** Something out of a table (CSV): looked through first, then all of it or none. */
export function TableDialog({ title, columns, path, names, beside = '', onClose }: Props) {
  const notice = useNotice()
  const [file, setFile] = useState<ReadFile>()
  const [report, setReport] = useState<TableReport>()
  const [problem, setProblem] = useState<string>()
  const [busy, setBusy] = useState(false)

  async function send(text: string, commit: '' | '?commit') {
    setBusy(true)
    setProblem(undefined)
    try {
      const answer = await callApi<TableReport>(`${path}${commit}`, 'POST', text)
      setReport(answer)
      if (answer.committed) {
        notice(`${counted(answer.rows, names)} taken in.`)
        onClose()
      }
    } catch (error) {
      setProblem(failureWords(error))
    }
    setBusy(false)
  }

  function look(chosen: ReadFile) {
    setFile(chosen)
    setReport(undefined)
    void send(chosen.text, '')
  }

  const good = report !== undefined && report.problems.length === 0
  return (
    <Dialog open onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="table-title">
      <DialogTitle id="table-title">{title}</DialogTitle>
      <DialogContent>
        <Typography color="textSecondary" sx={{ mb: 1 }}>
          {columns}
        </Typography>
        <CsvFile label={`Table of ${names[1]}`} onRead={look}>
          {file ? file.name : 'Choose a file'}
        </CsvFile>
        {problem && (
          <Alert severity="error" sx={{ mt: 2 }}>
            {problem}
          </Alert>
        )}
        {report && <Looked report={report} names={names} beside={beside} />}
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

const counted = (rows: number, [one, many]: Props['names']): string => `${rows} ${rows === 1 ? one : many}`

interface LookedProps extends Pick<Props, 'names' | 'beside'> {
  report: TableReport
}

function Looked({ report: { rows, problems }, names, beside }: LookedProps) {
  if (problems.length === 0)
    return (
      <Alert severity="success" sx={{ mt: 2 }}>
        {counted(rows, names)}, nothing wrong. {beside}
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
