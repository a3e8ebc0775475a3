'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import type { ShelfItem } from '@/core/model'
import { callApi, failureWords } from '../hooks/api'
import { useNotice } from '../notices'
import { Choice } from '../parts'
import { WORDS } from '../words'
import { useWritten, type Written } from '../written'
import { ShelfGrid } from './ShelfGrid'
import { VIEWS, type View } from './views'

const ProductDialog = dynamic(() => import('./ProductDialog').then((module) => module.ProductDialog))
const StockDialog = dynamic(() => import('./StockDialog').then((module) => module.StockDialog))
const ImportDialog = dynamic(() => import('./ImportDialog').then((module) => module.ImportDialog))

interface Props {
  items: Written<ShelfItem[]>
  currency: string
  /** Deliveries and counts. */
  mayCount: boolean
  /** What the products are. */
  mayChange: boolean
}

type Open = { kind: 'import' } | { kind: 'new' } | { kind: 'edit' | 'stock'; id: string }

const named = ({ item }: ShelfItem): string => `${item.name} ${item.id} ${WORDS.product[item.kind]}`.toLowerCase()

/** Products and what is left of them, what booked plans ask for, and what to order. */
export function ShelfPage({ items: kept, currency, mayCount, mayChange }: Props) {
  const items = useWritten(kept)
  const [search, setSearch] = useState('')
  const [view, setView] = useState<View>('all')
  const [open, setOpen] = useState<Open>()
  const words = search.trim().toLowerCase()
  const found = useMemo(
    () => items.filter((one) => VIEWS[view].shows(one) && named(one).includes(words)),
    [items, view, words],
  )
  return (
    <Box sx={{ p: { xs: 1.5, sm: 3 }, maxWidth: 1280 }}>
      <Head mayChange={mayChange} onOpen={setOpen} />
      <Box sx={{ display: 'flex', gap: 2, flexWrap: 'wrap', alignItems: 'end', mb: 1.5 }}>
        <TextField
          size="small"
          label="Search"
          type="search"
          value={search}
          onChange={({ target }) => setSearch(target.value)}
          sx={{ width: 260 }}
        />
        <Choice
          label="Show"
          value={view}
          options={(Object.keys(VIEWS) as View[]).map((value) => ({
            value,
            label: `${VIEWS[value].words} ${items.filter(VIEWS[value].shows).length}`,
            name: VIEWS[value].words,
          }))}
          onChange={setView}
        />
      </Box>
      {found.length > 0 ? (
        <ShelfGrid
          items={found}
          currency={currency}
          mayCount={mayCount}
          mayChange={mayChange}
          onEdit={(id) => setOpen({ kind: 'edit', id })}
          onStock={(id) => setOpen({ kind: 'stock', id })}
        />
      ) : (
        <Alert severity="info">{nothingWords(items.length, words, view)}</Alert>
      )}
      {open && <OpenDialog open={open} items={items} onClose={() => setOpen(undefined)} />}
    </Box>
  )
}

/** Why there is nothing to show. */
function nothingWords(all: number, words: string, view: View): string {
  if (all === 0)
    return 'The shelf is empty. Add a product, or import your catalogue as CSV: export it once to see the columns.'
  return words ? 'No product of this name here.' : VIEWS[view].empty
}

function Head({ mayChange, onOpen }: { mayChange: boolean; onOpen: (dialog: Open) => void }) {
  return (
    <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 2 }}>
      <Typography component="h1" sx={{ fontSize: '1.5rem', fontWeight: 600, flex: '1 1 160px' }}>
        Shelf
      </Typography>
      {mayChange && (
        <>
          <Button color="inherit" component="a" href="/api/products/csv" download>
            Export CSV
          </Button>
          <Button color="inherit" onClick={() => onOpen({ kind: 'import' })}>
            Import CSV
          </Button>
          <Button variant="contained" onClick={() => onOpen({ kind: 'new' })}>
            New product
          </Button>
        </>
      )}
    </Box>
  )
}

/** The dialog that is open, and what is said once it has done its work. */
function OpenDialog({ open, items, onClose }: { open: Open; items: ShelfItem[]; onClose: () => void }) {
  const router = useRouter()
  const notice = useNotice()

  /** Does something on the server; what it refuses is said where its success would have been. */
  async function attempt(work: () => Promise<unknown>, said: string, undo?: () => void) {
    onClose()
    try {
      await work()
      notice(said, undo)
      router.refresh()
    } catch (error) {
      notice(failureWords(error))
    }
  }
  const restore = (id: string, name: string) =>
    attempt(() => callApi(`/api/products/${id}/restore`, 'POST'), `${name} is back.`)
  const remove = (id: string, name: string) =>
    attempt(
      () => callApi(`/api/products/${id}`, 'DELETE'),
      `${name} is off the catalogue; plans that use it keep it.`,
      () => void restore(id, name),
    )
  function done(said: string) {
    onClose()
    notice(said)
    router.refresh()
  }

  const known = 'id' in open ? items.find(({ item }) => item.id === open.id) : undefined
  switch (open.kind) {
    case 'import':
      return <ImportDialog onClose={onClose} onDone={done} />
    case 'stock':
      return known && <StockDialog known={known} onClose={onClose} onDone={done} />
    default:
      return <ProductDialog known={known} onClose={onClose} onDone={done} onRemove={remove} />
  }
}
