'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Snackbar from '@mui/material/Snackbar'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import dynamic from 'next/dynamic'
import { useRouter } from 'next/navigation'
import { useMemo, useState } from 'react'
import { hexFromLab, labOfHair } from '@/core/hair/colour'
import type { ShelfItem } from '@/core/model'
import { useUnits } from '../hooks/useUnits'
import { callApi } from '../hooks/api'
import { money } from '../mix/context'
import { Choice } from '../parts'
import { INK, LINE } from '../theme'
import { dateInWords, WORDS } from '../words'

const ProductDialog = dynamic(() => import('./ProductDialog').then((module) => module.ProductDialog))
const StockDialog = dynamic(() => import('./StockDialog').then((module) => module.StockDialog))
const ImportDialog = dynamic(() => import('./ImportDialog').then((module) => module.ImportDialog))

interface Props {
  items: ShelfItem[]
  currency: string
  writable: boolean
}

const VIEWS = {
  all: 'everything',
  short: 'to order',
  today: 'needed today',
  week: 'needed this week',
  expiring: 'expires soon',
} as const
type View = keyof typeof VIEWS

/** Expiring within this is worth a look, days. Our estimate. */
const SOON_DAYS = 60

const expiresSoon = ({ lots }: ShelfItem): boolean => {
  const until = new Date(Date.now() + SOON_DAYS * 86_400_000).toISOString().slice(0, 10)
  return lots.some(({ expiresOn }) => expiresOn !== null && expiresOn <= until)
}
/** To be ordered: below the salon's own mark, or below what the week asks for. */
const isShort = ({ grams, item, weekG }: ShelfItem): boolean => grams < item.reorderG || grams < weekG
const SHOWN: Record<View, (item: ShelfItem) => boolean> = {
  all: () => true,
  short: isShort,
  today: ({ todayG }) => todayG > 0,
  week: ({ weekG }) => weekG > 0,
  expiring: expiresSoon,
}

/** Rows drawn at a time; the search narrows. */
const MOST_ROWS = 200

/** Products and what is left of them, what booked plans ask for, and what to order. */
export function ShelfPage({ items, currency, writable }: Props) {
  const router = useRouter()
  const { read, field } = useUnits()
  const { unit, shown } = field('g')
  const [search, setSearch] = useState('')
  const [view, setView] = useState<View>('all')
  const [dialog, setDialog] = useState<'import' | 'new' | { edit: string } | { stock: string }>()
  const [message, setMessage] = useState<{ text: string; undo?: () => void }>()
  const words = search.trim().toLowerCase()
  const found = useMemo(
    () =>
      items.filter(
        (one) =>
          SHOWN[view](one) &&
          (words === '' ||
            `${one.item.name} ${one.item.id} ${WORDS.product[one.item.kind]}`.toLowerCase().includes(words)),
      ),
    [items, view, words],
  )
  const byId = (id: string) => items.find(({ item }) => item.id === id)
  const changed = (text: string) => {
    setDialog(undefined)
    setMessage({ text })
    router.refresh()
  }

  /** Does something on the server; what it refuses is said where its success would have been. */
  async function attempt(work: () => Promise<unknown>, done: { text: string; undo?: () => void }) {
    setDialog(undefined)
    try {
      await work()
      setMessage(done)
      router.refresh()
    } catch (error) {
      setMessage({ text: error instanceof Error ? error.message : 'That did not work. Try again.' })
    }
  }

  const remove = (id: string, name: string) =>
    attempt(() => callApi(`/api/products/${id}`, 'DELETE'), {
      text: `${name} is off the catalogue; plans that use it keep it.`,
      undo: () => void attempt(() => callApi(`/api/products/${id}/restore`, 'POST'), { text: `${name} is back.` }),
    })

  return (
    <Box sx={{ p: { xs: 1.5, sm: 3 }, maxWidth: 1280 }}>
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap', mb: 2 }}>
        <Typography component="h1" sx={{ fontSize: '1.5rem', fontWeight: 600, flex: '1 1 160px' }}>
          Shelf
        </Typography>
        <Button color="inherit" component="a" href="/api/products/csv" download>
          Export CSV
        </Button>
        {writable && (
          <>
            <Button color="inherit" onClick={() => setDialog('import')}>
              Import CSV
            </Button>
            <Button variant="contained" onClick={() => setDialog('new')}>
              New product
            </Button>
          </>
        )}
      </Box>
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
            label: `${VIEWS[value]} ${items.filter(SHOWN[value]).length}`,
            name: VIEWS[value],
          }))}
          onChange={setView}
        />
      </Box>
      {items.length === 0 ? (
        <Alert severity="info">
          The shelf is empty. Add a product, or import your catalogue as CSV: export it once to see the columns.
        </Alert>
      ) : found.length === 0 ? (
        <Alert severity="info">
          {words
            ? 'No product of this name here.'
            : {
                all: '',
                short: 'Nothing has to be ordered.',
                today: 'No plan is booked for today. Book one on its Mix page, and what it needs stands here.',
                week: 'No plan is booked this week. Book one on its Mix page, and what it needs stands here.',
                expiring: 'No lot expires within two months.',
              }[view]}
        </Alert>
      ) : (
        <Box sx={{ overflowX: 'auto' }}>
          <Box
            component="table"
            sx={{
              width: '100%',
              borderCollapse: 'collapse',
              '& td, & th': {
                borderBottom: LINE,
                px: 1,
                py: 0.5,
                textAlign: 'right',
                fontVariantNumeric: 'tabular-nums',
                whiteSpace: 'nowrap',
              },
              '& th': { fontWeight: 400, fontSize: '0.8rem', color: 'text.secondary' },
              '& td:first-of-type, & th:first-of-type': { textAlign: 'left', whiteSpace: 'normal' },
            }}
          >
            <thead>
              <tr>
                <th>Product</th>
                <th>left, {unit}</th>
                <th>order below, {unit}</th>
                <th>today, {unit}</th>
                <th>this week, {unit}</th>
                <th>first to expire</th>
                <th>pack</th>
                <th aria-label="Stock" />
              </tr>
            </thead>
            <tbody>
              {found.slice(0, MOST_ROWS).map((one) => {
                const { item, grams, lots, todayG, weekG } = one
                const short = isShort(one)
                return (
                  <tr key={item.id}>
                    <td>
                      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
                        <svg width={22} height={22} aria-hidden style={{ flex: 'none' }}>
                          {item.shade && (
                            <rect
                              x={1}
                              y={1}
                              width={20}
                              height={20}
                              rx={3}
                              fill={hexFromLab(
                                item.shade.swatch ?? labOfHair(item.shade.level, item.shade.hue, item.shade.strength),
                              )}
                              stroke={INK.faint}
                            />
                          )}
                        </svg>
                        <Button
                          color="inherit"
                          disabled={!writable}
                          onClick={() => setDialog({ edit: item.id })}
                          sx={{
                            textAlign: 'left',
                            justifyContent: 'flex-start',
                            px: 0.5,
                            '&.Mui-disabled': { color: 'text.primary' },
                          }}
                        >
                          {read(item.name)}
                        </Button>
                        <Typography variant="caption" color="textSecondary">
                          {WORDS.product[item.kind]}
                        </Typography>
                      </Box>
                    </td>
                    <td>
                      <Box
                        component="span"
                        sx={{ fontWeight: short ? 700 : 400, color: short ? 'warning.main' : undefined }}
                      >
                        {shown(grams)}
                        {short && ' ▾'}
                      </Box>
                    </td>
                    <td>{shown(item.reorderG)}</td>
                    <td>{todayG ? shown(todayG) : ''}</td>
                    <td>{weekG ? shown(weekG) : ''}</td>
                    <td>{lots[0]?.expiresOn ? dateInWords(lots[0].expiresOn) : ''}</td>
                    <td>
                      {read(`${item.pack.grams} g`)}, {money(item.pack.priceMinor, currency)}
                    </td>
                    <td>
                      {writable && (
                        <Button
                          color="inherit"
                          aria-label={read(`Stock of ${item.name}`)}
                          onClick={() => setDialog({ stock: item.id })}
                        >
                          Stock
                        </Button>
                      )}
                    </td>
                  </tr>
                )
              })}
            </tbody>
          </Box>
        </Box>
      )}
      {found.length > MOST_ROWS && (
        <Typography color="textSecondary" sx={{ mt: 1 }}>
          {found.length - MOST_ROWS} more; search to narrow.
        </Typography>
      )}
      {dialog === 'import' && <ImportDialog onClose={() => setDialog(undefined)} onDone={changed} />}
      {(dialog === 'new' || (typeof dialog === 'object' && 'edit' in dialog)) && (
        <ProductDialog
          known={typeof dialog === 'object' && 'edit' in dialog ? byId(dialog.edit) : undefined}
          onClose={() => setDialog(undefined)}
          onDone={changed}
          onRemove={remove}
        />
      )}
      {typeof dialog === 'object' && 'stock' in dialog && (
        <StockDialog known={byId(dialog.stock)!} onClose={() => setDialog(undefined)} onDone={changed} />
      )}
      <Snackbar
        open={message !== undefined}
        autoHideDuration={6000}
        onClose={() => setMessage(undefined)}
        message={message && read(message.text)}
        action={
          message?.undo && (
            <Button size="small" color="inherit" onClick={message.undo}>
              Undo
            </Button>
          )
        }
      />
    </Box>
  )
}
