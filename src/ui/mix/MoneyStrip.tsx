'use client'
import Box from '@mui/material/Box'
import ButtonBase from '@mui/material/ButtonBase'
import Typography from '@mui/material/Typography'
import { usePlan } from '../map/context'
import { LINE } from '../theme'
import { money } from './context'
import { Read } from '../parts'

/** What everything comes to, before the work; opens what it is made of. */
export function MoneyStrip({ onOpen }: { onOpen: () => void }) {
  const quote = usePlan((state) => state.judged?.figures.quote)
  const mix = usePlan((state) => state.judged?.figures.mix)
  const grams = usePlan((state) => state.answer?.figures.grams)
  const foils = usePlan((state) => state.answer?.figures.foils)
  const total = Object.values(grams ?? {}).reduce((sum, { expected }) => sum + Math.round(10 * expected), 0) / 10
  const bowls = mix?.reduce((sum, one) => sum + one.bowls.length, 0) ?? 0
  return (
    <ButtonBase
      onClick={onOpen}
      aria-label="Open the money"
      sx={{
        position: { xs: 'sticky', lg: 'static' },
        bottom: { xs: 56, sm: 0 },
        zIndex: 1,
        display: 'flex',
        flexWrap: 'wrap',
        columnGap: 3,
        rowGap: 0.25,
        px: 2,
        py: 1,
        minHeight: 56,
        justifyContent: 'flex-start',
        borderTop: LINE,
        bgcolor: 'background.paper',
        width: '100%',
        textAlign: 'left',
      }}
    >
      <Typography>
        <b>
          <Read>{`${total} g`}</Read>
        </b>{' '}
        in {bowls} bowls, <b>{foils ?? '…'}</b> foils
      </Typography>
      {quote ? (
        <>
          <Typography>
            Product costs <b>{money(quote.expected.costs[0]!.minor, quote.currency)}</b>
          </Typography>
          <Typography>
            Quote{' '}
            <b>
              {money(quote.low.gross, quote.currency)}–{money(quote.high.gross, quote.currency)}
            </b>
          </Typography>
          <Typography color="textSecondary">
            leaves {money(quote.expected.margin, quote.currency)} of {money(quote.expected.net, quote.currency)} net
          </Typography>
        </>
      ) : (
        <Typography color="textSecondary">No prices in this plan yet: take them over, or set them here.</Typography>
      )}
      <Box sx={{ flex: 1 }} />
      <Typography color="textSecondary">open</Typography>
    </ButtonBase>
  )
}
