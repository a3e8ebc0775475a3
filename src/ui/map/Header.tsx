'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Typography from '@mui/material/Typography'
import { useRef, useState } from 'react'
import { callApi } from '../hooks/api'
import { dateInWords } from '../words'
import { usePlan, usePlanStore } from './context'
import { PlanTitle } from './PlanTitle'
import { SaveStatus } from './SaveStatus'
import { UndoPlan } from './UndoPlan'

export type DialogName = 'layout' | 'head' | 'formulas' | 'keys' | 'variants'

interface Props {
  client: { id: string; name: string }
  onOpen: (dialog: DialogName) => void
  onMessage: (message: string) => void
  onRename: () => void
  /** Foils of the plan carried out last, if there is one. */
  underlay: { shown: boolean; on: string; toggle: () => void } | undefined
}

/** Whose plan this is, what can be opened, and whether all is saved. */
export function Header({ client, onOpen, onMessage, onRename, underlay }: Props) {
  const { store, permissions } = usePlanStore()
  const id = usePlan((state) => state.id)
  const [anchor, setAnchor] = useState<HTMLElement | null>(null)
  const download = useRef<HTMLAnchorElement>(null)

  async function keep() {
    setAnchor(null)
    await store.flush()
    const { number } = await callApi<{ number: number }>(`/api/plans/${id}/versions`, 'POST', { label: 'Kept by hand' })
    onMessage(`Kept as version ${number}.`)
  }

  /** What is exported is what the server holds, so it has to have everything first. */
  async function exportFile(kind: 'json' | 'svg' | 'pdf' | 'csv') {
    setAnchor(null)
    await store.flush()
    if (!download.current) return
    download.current.href = `/api/plans/${id}/export?as=${kind}`
    download.current.click()
  }

  return (
    <Box
      component="header"
      sx={{
        display: 'flex',
        alignItems: 'center',
        columnGap: 1,
        rowGap: 0,
        flexWrap: 'wrap',
        px: 1.5,
        py: 0.5,
        borderBottom: 1,
        borderColor: 'divider',
        bgcolor: 'background.paper',
      }}
    >
      <PlanTitle client={client} />
      <Box className="screen-only" sx={{ display: 'flex', alignItems: 'center', columnGap: 1, flexWrap: 'wrap' }}>
        <SaveStatus />
        {!permissions.write && (
          <Typography variant="caption" color="warning">
            view only
          </Typography>
        )}
        <Button color="inherit" onClick={() => onOpen('head')}>
          Head &amp; hair
        </Button>
        {permissions.write && (
          <Button color="inherit" onClick={() => onOpen('layout')}>
            Sections
          </Button>
        )}
        <Button color="inherit" onClick={() => onOpen('formulas')}>
          Formulas
        </Button>
        {permissions.write && <UndoPlan />}
        <Button
          color="inherit"
          aria-haspopup="menu"
          aria-label="More"
          onClick={(event) => setAnchor(event.currentTarget)}
          sx={{ minWidth: 44 }}
        >
          ⋯
        </Button>
      </Box>
      <a ref={download} href={`/api/plans/${id}/export`} download hidden aria-hidden tabIndex={-1}>
        Plan file
      </a>
      <Menu open={anchor !== null} anchorEl={anchor} onClose={() => setAnchor(null)}>
        {permissions.write && (
          <MenuItem
            onClick={() => {
              setAnchor(null)
              onRename()
            }}
          >
            Rename
          </MenuItem>
        )}
        {permissions.write && <MenuItem onClick={() => void keep()}>Keep as a version</MenuItem>}
        <MenuItem
          onClick={() => {
            setAnchor(null)
            onOpen('variants')
          }}
        >
          Ideas side by side
        </MenuItem>
        {underlay && (
          <MenuItem
            onClick={() => {
              setAnchor(null)
              underlay.toggle()
            }}
          >
            {underlay.shown ? 'Hide the foils of' : 'Show under it the foils of'} {dateInWords(underlay.on)}
          </MenuItem>
        )}
        <MenuItem onClick={() => void exportFile('json')}>Export as a file</MenuItem>
        <MenuItem onClick={() => void exportFile('pdf')}>Head sheet as PDF</MenuItem>
        <MenuItem onClick={() => void exportFile('svg')}>Head sheet as SVG</MenuItem>
        <MenuItem onClick={() => void exportFile('csv')}>List of foils as CSV</MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(null)
            window.print()
          }}
        >
          Print
        </MenuItem>
        <MenuItem
          onClick={() => {
            setAnchor(null)
            onOpen('keys')
          }}
        >
          Keys (?)
        </MenuItem>
      </Menu>
    </Box>
  )
}
