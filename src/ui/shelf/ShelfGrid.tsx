'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Typography from '@mui/material/Typography'
import { DataGrid, type GridColDef } from '@mui/x-data-grid'
import type { CatalogueItem, ShelfItem } from '@/core/model'
import { useUnits, type Units } from '../hooks/useUnits'
import { useWidth } from '../hooks/useWidth'
import { money } from '../mix/context'
import { ShadeDot } from '../mix/ShadeDot'
import { useNonce } from '../theme'
import { dateInWords, WORDS } from '../words'
import { isShort } from './views'
import { Down } from '../parts/icons'

interface Props {
  items: ShelfItem[]
  currency: string
  mayCount: boolean
  mayChange: boolean
  onEdit: (id: string) => void
  onStock: (id: string) => void
}

/** Narrower than these, only what is left, or that and the week, have room, px. */
const NARROW = 620
const MIDDLE = 900
const ROW_PX = 56
const DOT_PX = 22
const PAGE = 100

/** Products as a table that can be sorted. */
export function ShelfGrid(props: Props) {
  const { items } = props
  const { ref, width } = useWidth()
  const nonce = useNonce()
  const units = useUnits()
  return (
    // Its rows are drawn once its width is known: on the server that would be work for nothing.
    <div ref={ref} style={{ minHeight: '60dvh' }}>
      {width > 0 && (
        <DataGrid
          nonce={nonce}
          rows={items}
          columns={columnsFor(props, units)}
          getRowId={({ item }) => item.id}
          label="Products"
          rowHeight={ROW_PX}
          disableColumnMenu
          disableRowSelectionOnClick
          hideFooter={items.length <= PAGE}
          initialState={{ pagination: { paginationModel: { pageSize: PAGE } } }}
          pageSizeOptions={[PAGE]}
          columnVisibilityModel={shownAt(width)}
          sx={{ bgcolor: 'background.paper', fontVariantNumeric: 'tabular-nums' }}
        />
      )}
    </div>
  )
}

/** Which columns have room at a width, px; 0 before it is known. */
function shownAt(width: number): Record<string, boolean> {
  const roomy = width === 0 || width >= MIDDLE
  const middle = width === 0 || width >= NARROW
  return { pack: roomy, reorderG: roomy, todayG: middle, weekG: middle, expires: middle }
}

function columnsFor(
  { currency, mayCount, mayChange, onEdit, onStock }: Props,
  { read, field }: Units,
): GridColDef<ShelfItem>[] {
  const { unit, shown } = field('g')
  const grams = (value: number | undefined) => (value ? shown(value) : '')
  return [
    {
      field: 'name',
      headerName: 'Product',
      flex: 1,
      minWidth: 160,
      valueGetter: (_value, { item }) => item.name,
      renderCell: ({ row: { item } }) => (
        <Product item={item} words={read(item.name)} onEdit={mayChange ? () => onEdit(item.id) : undefined} />
      ),
    },
    {
      field: 'grams',
      headerName: `left, ${unit}`,
      type: 'number',
      width: 100,
      renderCell: ({ row }) => <Left short={isShort(row)} words={String(shown(row.grams))} />,
    },
    {
      field: 'reorderG',
      headerName: `order below, ${unit}`,
      type: 'number',
      width: 130,
      valueGetter: (_value, { item }) => item.reorderG,
      valueFormatter: (value: number) => String(shown(value)),
    },
    { field: 'todayG', headerName: `today, ${unit}`, type: 'number', width: 90, valueFormatter: grams },
    { field: 'weekG', headerName: `this week, ${unit}`, type: 'number', width: 120, valueFormatter: grams },
    {
      field: 'expires',
      headerName: 'first to expire',
      width: 140,
      valueGetter: (_value, { lots }) => lots[0]?.expiresOn ?? '',
      valueFormatter: (day: string) => (day ? dateInWords(day) : ''),
    },
    {
      field: 'pack',
      headerName: 'pack',
      width: 140,
      valueGetter: (_value, { item }) => item.pack.priceMinor,
      renderCell: ({ row: { item } }) => `${read(`${item.pack.grams} g`)}, ${money(item.pack.priceMinor, currency)}`,
    },
    ...(mayCount ? [stockColumn(read, onStock)] : []),
  ]
}

const stockColumn = (read: Units['read'], onStock: Props['onStock']): GridColDef<ShelfItem> => ({
  field: 'stock',
  headerName: 'Stock',
  renderHeader: () => null,
  sortable: false,
  width: 84,
  renderCell: ({ row: { item } }) => (
    <Button color="inherit" aria-label={read(`Stock of ${item.name}`)} onClick={() => onStock(item.id)}>
      Stock
    </Button>
  ),
})

function Product({ item, words, onEdit }: { item: CatalogueItem; words: string; onEdit: (() => void) | undefined }) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, height: '100%' }}>
      <Box sx={{ display: 'flex', width: DOT_PX, flex: 'none' }}>
        {item.shade && <ShadeDot product={item} size={DOT_PX} />}
      </Box>
      <Box sx={{ minWidth: 0, lineHeight: 1.2 }}>
        <Button
          color="inherit"
          disabled={!onEdit}
          onClick={onEdit}
          title={words}
          sx={{
            display: 'block',
            maxWidth: '100%',
            minHeight: 26,
            minWidth: 0,
            p: 0,
            lineHeight: 1.3,
            overflow: 'hidden',
            textOverflow: 'ellipsis',
            whiteSpace: 'nowrap',
            textAlign: 'left',
            '&.Mui-disabled': { color: 'text.primary' },
          }}
        >
          {words}
        </Button>
        <Typography variant="caption" color="textSecondary" noWrap sx={{ display: 'block', lineHeight: 1.2 }}>
          {WORDS.product[item.kind]}
        </Typography>
      </Box>
    </Box>
  )
}

const Left = ({ short, words }: { short: boolean; words: string }) => (
  <Box component="span" sx={{ fontWeight: short ? 700 : 400, color: short ? 'warning.main' : undefined }}>
    {short && <Down titleAccess="to order" sx={{ verticalAlign: 'middle' }} />}
    {words}
  </Box>
)
