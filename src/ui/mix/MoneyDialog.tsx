'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Tab from '@mui/material/Tab'
import Tabs from '@mui/material/Tabs'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { Bar, BarChart, CartesianGrid, LabelList, Legend, ResponsiveContainer, Tooltip, XAxis, YAxis } from 'recharts'
import { SalonRatesDto } from '@/dto'
import { LIMITS, type Limit, type SalonRates } from '@/core/model'
import { type Bill, billFor } from '@/core/product/money'
import { roundToTenth } from '@/core/units'
import { callApi } from '../hooks/api'
import { usePlan, usePlanStore } from '../map/context'
import { useEntryForm } from '../forms'
import { NumberField, Read, SaveButton } from '../parts'
import { INK, LINE } from '../theme'
import { money } from './context'
import { PriceFields } from './PriceFields'
import { useNotice } from '../notices'

interface Props {
  rates: SalonRates
  mayPrice: boolean
  onClose: () => void
}

/** Quote before, bill after, and the prices behind them. */
export function MoneyDialog({ rates, mayPrice, onClose }: Props) {
  const [tab, setTab] = useState<'quote' | 'bill' | 'prices'>('quote')
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="money-title">
      <DialogTitle id="money-title">Money</DialogTitle>
      <DialogContent sx={{ minHeight: 460 }}>
        <Tabs value={tab} onChange={(_event, next: typeof tab) => setTab(next)} aria-label="Money">
          <Tab value="quote" label="Quote before" />
          <Tab value="bill" label="Bill after" />
          <Tab value="prices" label="Prices" />
        </Tabs>
        <Box sx={{ pt: 2 }}>
          {tab === 'quote' ? (
            <QuotePart />
          ) : tab === 'bill' ? (
            <BillPart />
          ) : (
            <PricesPart rates={rates} mayPrice={mayPrice} />
          )}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}

const NO_PRICES = (
  <Alert severity="info">
    This plan has no prices yet. Take over the salon’s from the note above, or set them under Prices.
  </Alert>
)

function QuotePart() {
  const quote = usePlan((state) => state.judged?.figures.quote)
  if (!quote) return NO_PRICES
  const { currency } = quote
  const bars = (['low', 'expected', 'high'] as const).map((key) => ({
    name: { low: 'Low', expected: 'Expected', high: 'High' }[key],
    Product: quote[key].costs[0]!.minor / 100,
    Time: quote[key].costs[1]!.minor / 100,
    Margin: quote[key].margin / 100,
  }))
  return (
    <>
      <BillTable
        bills={[
          ['Low', quote.low],
          ['Expected', quote.expected],
          ['High', quote.high],
        ]}
        currency={currency}
      />
      <Typography component="h3" sx={{ fontWeight: 600, mt: 2 }}>
        What net is made of, {currency}
      </Typography>
      <Box
        sx={{ height: 190 }}
        role="img"
        aria-label={`Margin: low ${money(quote.low.margin, currency)}, expected ${money(quote.expected.margin, currency)}, high ${money(quote.high.margin, currency)}`}
      >
        <ResponsiveContainer>
          <BarChart data={bars} layout="vertical" margin={{ left: 16, right: 32 }}>
            <CartesianGrid horizontal={false} stroke={INK.selected} />
            <XAxis type="number" stroke={INK.faint} />
            <YAxis type="category" dataKey="name" width={70} stroke={INK.faint} />
            <Tooltip
              formatter={(value) => money(Math.round(Number(value) * 100), currency)}
              contentStyle={{ background: INK.paper, color: INK.strong, border: LINE }}
            />
            <Legend />
            <Bar dataKey="Product" stackId="net" fill="#8a8a8a" isAnimationActive={false} />
            <Bar dataKey="Time" stackId="net" fill="#bdbdbd" isAnimationActive={false} />
            <Bar dataKey="Margin" stackId="net" fill="#4d4d4d" isAnimationActive={false}>
              <LabelList
                dataKey="Margin"
                position="right"
                formatter={(value) => money(Math.round(Number(value) * 100), currency)}
                fill={INK.strong}
              />
            </Bar>
          </BarChart>
        </ResponsiveContainer>
      </Box>
      <Typography variant="caption" color="textSecondary">
        Time is hands-on time; what only processes is not charged. Low and high: what 8 in 10 heads and hands stay
        within.
      </Typography>
    </>
  )
}

function BillTable({ bills, currency }: { bills: [string, Bill][]; currency: string }) {
  const [[, first]] = bills as [[string, Bill], ...[string, Bill][]]
  const row = (label: string, of: (bill: Bill) => number, strong = false) => (
    <Box component="tr" key={label} sx={strong ? { fontWeight: 600, '& td': { borderTop: LINE } } : undefined}>
      <td>
        <Read>{label}</Read>
      </td>
      {bills.map(([name, bill]) => (
        <td key={name}>{money(of(bill), currency)}</td>
      ))}
    </Box>
  )
  return (
    <Box
      component="table"
      sx={{
        width: '100%',
        borderCollapse: 'collapse',
        '& td': { py: 0.25, fontVariantNumeric: 'tabular-nums' },
        '& td + td, & th + th': { textAlign: 'right' },
      }}
    >
      <thead>
        <tr>
          <th style={{ textAlign: 'left' }}> </th>
          {bills.map(([name]) => (
            <th key={name}>{name}</th>
          ))}
        </tr>
      </thead>
      <tbody>
        {first.lines.map(({ label }, i) => row(label, ({ lines }) => lines[i]!.minor))}
        {row('Net', ({ net }) => net, true)}
        {row('Tax', ({ tax }) => tax)}
        {row('To pay', ({ gross }) => gross, true)}
        {first.costs.map(({ label }, i) => row(`${label}, cost to the salon`, ({ costs }) => costs[i]!.minor))}
        {row('Margin', ({ margin }) => margin, true)}
      </tbody>
    </Box>
  )
}

const ANY_GRAMS: Limit = { ...LIMITS.stockG, unit: 'g' }
const MINUTES: Limit = { min: 0, max: 900, unit: 'min' }
const FOILS: Limit = { min: 0, max: 2000, unit: 'foils' }

/** The bill from what was really used; it starts from what was expected. */
function BillPart() {
  const rates = usePlan((state) => state.document.rates)
  const figures = usePlan((state) => state.answer?.figures)
  const judged = usePlan((state) => state.judged?.figures)
  const [actual, setActual] = useState<Partial<Record<'grams' | 'minutes' | 'foils' | 'bowls', number>>>({})
  if (!rates || !figures || !judged) return NO_PRICES
  const expected = Object.values(figures.grams).reduce((sum, range) => sum + range.expected, 0)
  const cost = judged.mix.reduce((sum, { costMinor }) => sum + costMinor, 0)
  const used = {
    grams: actual.grams ?? roundToTenth(expected),
    minutes: actual.minutes ?? figures.minutes.expected,
    foils: actual.foils ?? figures.foils,
    bowls: actual.bowls ?? judged.mix.reduce((sum, { bowls }) => sum + bowls.length, 0),
  }
  const bill = billFor(
    {
      grams: used.grams,
      productCost: expected > 0 ? (cost * used.grams) / expected : 0,
      bowls: used.bowls,
      foils: used.foils,
      seconds: 60 * used.minutes,
    },
    rates,
  )
  const set = (key: keyof typeof used) => (value: number) => setActual({ ...actual, [key]: value })
  return (
    <>
      <Box sx={{ display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(200px, 1fr))', mb: 2 }}>
        <NumberField label="Mix used" value={used.grams} limit={ANY_GRAMS} step={5} onChange={set('grams')} />
        <NumberField label="Hands-on time" value={used.minutes} limit={MINUTES} step={5} onChange={set('minutes')} />
        <NumberField label="Foils" value={used.foils} limit={FOILS} step={1} onChange={set('foils')} />
        <NumberField
          label="Bowls"
          value={used.bowls}
          limit={{ min: 0, max: 60, unit: 'bowls' }}
          step={1}
          onChange={set('bowls')}
        />
      </Box>
      <BillTable bills={[['Bill', bill]]} currency={rates.currency} />
    </>
  )
}

function PricesPart({ rates, mayPrice }: Pick<Props, 'rates' | 'mayPrice'>) {
  const { store, permissions } = usePlanStore()
  const notice = useNotice()
  const form = useEntryForm(SalonRatesDto, {
    start: { rates: rates.rates, baseRevision: rates.revision },
    send: async (entry) => {
      const saved = await callApi<SalonRates>('/api/rates', 'PUT', entry)
      form.setValue('baseRevision', saved.revision)
      if (permissions.write) store.edit('Prices', 'rates', (plan) => void (plan.rates = saved.rates))
      notice('Prices kept for the salon and put into this plan.')
    },
  })
  const { control } = form
  return (
    <>
      {!mayPrice && <Alert severity="info">Prices are the owner’s to change.</Alert>}
      {form.refused && <Alert severity="error">{form.refused}</Alert>}
      <PriceFields control={control} disabled={!mayPrice} />
      {mayPrice && (
        <SaveButton onSave={form.save} busy={form.busy}>
          Keep these prices
        </SaveButton>
      )}
    </>
  )
}
