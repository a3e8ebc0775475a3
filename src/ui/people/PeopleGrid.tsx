'use client'
import Button from '@mui/material/Button'
import { DataGrid, type GridColDef } from '@mui/x-data-grid'
import { Link } from '../link'
import { useRouter } from 'next/navigation'
import type { ClientSummary } from '@/core/model'
import { callApi } from '../hooks/api'
import { useWidth } from '../hooks/useWidth'
import { Read } from '../parts'
import { useNonce } from '../theme'
import { dateInWords, hairLine } from '../words'

interface Props {
  clients: ClientSummary[]
  which: 'present' | 'removed'
  writable: boolean
}

/** Narrower than this, only names and plans have room, px. */
const NARROW = 700
const ROW_PX = 52
const PAGE = 50

/** Clients as a table that can be sorted. */
export function PeopleGrid({ clients, which, writable }: Props) {
  const router = useRouter()
  const { ref, width } = useWidth()
  const nonce = useNonce()
  const narrow = width < NARROW

  async function bringBack(id: string) {
    await callApi(`/api/clients/${id}/restore`, 'POST')
    router.push(`/people/${id}`)
  }

  return (
    // Its rows are drawn once its width is known: on the server that would be work for nothing.
    <div ref={ref} style={{ minHeight: ROW_PX * (Math.min(clients.length, PAGE) + 1) }}>
      {width > 0 && (
        <DataGrid
          nonce={nonce}
          rows={clients}
          columns={which === 'present' ? PRESENT : [...REMOVED, ...(writable ? [backColumn(bringBack)] : [])]}
          label="Clients"
          rowHeight={ROW_PX}
          disableColumnMenu
          disableRowSelectionOnClick
          hideFooter={clients.length <= PAGE}
          initialState={{ pagination: { paginationModel: { pageSize: PAGE } } }}
          pageSizeOptions={[PAGE]}
          columnVisibilityModel={narrow ? { hair: false, lastVisitOn: false } : {}}
          onRowClick={({ row }) => which === 'present' && router.push(`/people/${row.id}`)}
          sx={{
            bgcolor: 'background.paper',
            '& .MuiDataGrid-row': { cursor: which === 'present' ? 'pointer' : 'auto' },
          }}
        />
      )}
    </div>
  )
}

type Column = GridColDef<ClientSummary>

const NAME: Column = { field: 'name', headerName: 'Name', flex: 1, minWidth: 160 }
const LINKED_NAME: Column = {
  ...NAME,
  renderCell: ({ row }) => (
    <Link href={`/people/${row.id}`} style={{ color: 'inherit', fontWeight: 600, textDecoration: 'none' }}>
      {row.name}
    </Link>
  ),
}
const FACTS: Column[] = [
  {
    field: 'hair',
    headerName: 'Hair',
    flex: 2,
    minWidth: 260,
    valueGetter: (_value, row) => hairLine(row.hair),
    renderCell: ({ value }: { value?: string }) => <Read>{value ?? ''}</Read>,
  },
  {
    field: 'plans',
    headerName: 'Plans',
    type: 'number',
    align: 'left',
    headerAlign: 'left',
    width: 110,
    valueFormatter: (plans: number) => (plans === 0 ? 'none' : `${plans} plan${plans === 1 ? '' : 's'}`),
  },
  {
    field: 'lastVisitOn',
    headerName: 'Last visit',
    width: 160,
    valueFormatter: (on: string | null) => (on ? dateInWords(on) : 'none yet'),
  },
]
const PRESENT: Column[] = [LINKED_NAME, ...FACTS]
const REMOVED: Column[] = [NAME, ...FACTS]

const backColumn = (bringBack: (id: string) => Promise<void>): Column => ({
  field: 'back',
  headerName: 'Bring back',
  width: 130,
  sortable: false,
  renderCell: ({ row }) => (
    <Button color="inherit" size="small" onClick={() => void bringBack(row.id)}>
      Bring back
    </Button>
  ),
})
