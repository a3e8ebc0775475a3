'use client'
import Menu from '@mui/material/Menu'
import MenuItem from '@mui/material/MenuItem'
import { callApi, failureWords } from '../hooks/api'
import { useNotice } from '../notices'
import { dateInWords } from '../words'
import { usePlan, usePlanStore } from './context'
import type { Props as HeaderProps } from './Header'

type ExportKind = 'json' | 'svg' | 'pdf' | 'csv'
const EXPORTS: Record<ExportKind, string> = {
  json: 'Export as a file',
  pdf: 'Head sheet as PDF',
  svg: 'Head sheet as SVG',
  csv: 'List of foils as CSV',
}

interface Props extends Omit<HeaderProps, 'client'> {
  anchor: HTMLElement
  onClose: () => void
}

/** What is done with a plan as a whole. */
export function PlanMenu({ anchor, onClose, onOpen, onRename, underlay }: Props) {
  const { store, permissions } = usePlanStore()
  const notice = useNotice()
  const id = usePlan((state) => state.id)
  const then = (work: () => void) => () => {
    onClose()
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
      notice(failureWords(error, 'It could not be kept. Try again.'))
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
    <Menu open anchorEl={anchor} onClose={onClose}>
      {permissions.write && <MenuItem onClick={then(onRename)}>Name, note and foils</MenuItem>}
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
  )
}
