'use client'
import MoreHoriz from '@mui/icons-material/MoreHoriz'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { callApi } from '../hooks/api'
import { dateInWords } from '../words'
import { usePlan, usePlanStore } from './context'
import { PageBar } from '../parts'
import { PlanTitle } from './PlanTitle'
import { SaveStatus } from './SaveStatus'
import { UndoPlan } from './UndoPlan'
import { useNotice } from '../notices'

export type DialogName = 'layout' | 'head' | 'formulas' | 'keys' | 'variants'

interface Props {
  client: { id: string; name: string }
  onOpen: (dialog: DialogName) => void
  onRename: () => void
  /** Foils of the plan carried out last, if there is one. */
  underlay: { shown: boolean; on: string; toggle: () => void } | undefined
}

/** Whose plan this is, what can be opened, and whether all is saved. */
export function Header({ client, onOpen, onRename, underlay }: Props) {
  const { permissions } = usePlanStore()
  return (
    <PageBar>
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
        <MoreMenu onOpen={onOpen} onRename={onRename} underlay={underlay} />
      </Box>
    </PageBar>
  )
}

type ExportKind = 'json' | 'svg' | 'pdf' | 'csv'
const EXPORTS: Record<ExportKind, string> = {
  json: 'Export as a file',
  pdf: 'Head sheet as PDF',
  svg: 'Head sheet as SVG',
  csv: 'List of foils as CSV',
}

function MoreMenu({ onOpen, onRename, underlay }: Omit<Props, 'client'>) {
  const { store, permissions } = usePlanStore()
  const notice = useNotice()
  const id = usePlan((state) => state.id)
  const [anchor, setAnchor] = useState<HTMLElement>()
  const then = (work: () => void) => () => {
    setAnchor(undefined)
    work()
  }

  async function keep() {
    try {
      await store.flush()
      const { number } = await callApi<{ number: number }>(`/api/plans/${id}/versions`, 'POST', {
        label: 'Kept by hand',
      })
      notice(`Kept as version ${number}.`)
    } catch (error) {
      notice(error instanceof Error ? error.message : 'It could not be kept. Try again.')
    }
  }

  /** What is exported is what the server holds, so it has to have everything first. */
  async function exportFile(kind: ExportKind) {
    await store.flush()
    const link = Object.assign(document.createElement('a'), {
      href: `/api/plans/${id}/export?as=${kind}`,
      download: '',
    })
    link.click()
  }

  return (
    <>
      <Button
        color="inherit"
        aria-haspopup="menu"
        aria-label="More"
        onClick={({ currentTarget }) => setAnchor(currentTarget)}
        sx={{ minWidth: 44 }}
      >
        <MoreHoriz />
      </Button>
      <Menu open={anchor !== undefined} anchorEl={anchor ?? null} onClose={() => setAnchor(undefined)}>
        {permissions.write && <MenuItem onClick={then(onRename)}>Rename</MenuItem>}
        {permissions.write && <MenuItem onClick={then(() => void keep())}>Keep as a version</MenuItem>}
        <MenuItem onClick={then(() => onOpen('variants'))}>Ideas side by side</MenuItem>
        {underlay && (
          <MenuItem onClick={then(underlay.toggle)}>
            {underlay.shown ? 'Hide the foils of' : 'Show under it the foils of'} {dateInWords(underlay.on)}
          </MenuItem>
        )}
        {(Object.keys(EXPORTS) as ExportKind[]).map((kind) => (
          <MenuItem key={kind} onClick={then(() => void exportFile(kind))}>
            {EXPORTS[kind]}
          </MenuItem>
        ))}
        <MenuItem onClick={then(() => window.print())}>Print</MenuItem>
        <MenuItem onClick={then(() => onOpen('keys'))}>Keys (?)</MenuItem>
      </Menu>
    </>
  )
}
