'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import LinearProgress from '@mui/material/LinearProgress'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { proxy, wrap } from 'comlink'
import { useEffect, useMemo, useState } from 'react'
import { hexFromLab, labOfHair, toneOfFormula } from '@/core/hair/colour'
import type { Suggestion } from '@/core/product/formula'
import {
  byId,
  LIMITS,
  TONE_HUES,
  type CatalogueItem,
  type Formula,
  type Goal,
  type Product,
  type Target,
} from '@/core/model'
import { roundToTenth } from '@/core/units'
import type { MixWorker } from '@/workers/mix.worker'
import { usePlan, usePlanStore } from '../map/context'
import { ListChoice, NumberField, Read } from '../parts'
import { optionsOf, WORDS } from '../words'
import { dropUnused, editFormula, embed, useBench, viewOf } from './context'
import { Swatch } from './OnHair'

interface Props {
  id: string
  goal: Goal | null
  onClose: () => void
}

/** A colour that is wished for: level, hue and how strong it is. */
type Wish = Pick<Target, 'level' | 'hue' | 'strength'>

/** How strong a hue is at first, 0…1. */
const FIRST_STRENGTH = 0.4

function firstWish(goal: Goal | null, { level, tone }: Formula): Wish {
  const target = goal?.targets.find(({ region }) => region === 'all')
  const { hue, strength } = target && Math.abs(target.level - level) < 1 ? target : toneOfFormula(tone)
  return { level, hue, strength }
}

/** Looks for shades that come nearest to a wished colour, and offers a few with what speaks for each. */
export function SuggestDialog({ id, goal, onClose }: Props) {
  const { store } = usePlanStore()
  const { catalogue } = useBench()
  const formula = usePlan((state) => byId(state.document.formulas, id))
  const [wish, setWish] = useState(() => firstWish(goal, formula))
  const [surfaceAt, setSurfaceAt] = useState(0)
  const { view, found, done } = useSuggestions(formula, wish, surfaceAt)

  function take({ formula: suggested }: Suggestion) {
    editFormula(store, id, 'suggested shades', (draft, document) => {
      for (const { productId } of suggested.shades!) embed(document, byId(catalogue, productId))
      draft.productId = suggested.productId
      draft.shades = suggested.shades
      draft.level = wish.level
      dropUnused(document)
    })
    onClose()
  }

  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="suggest-title">
      <DialogTitle id="suggest-title">Shades for formula {id}</DialogTitle>
      <DialogContent>
        <WishFields wish={wish} onChange={setWish} />
        <JudgedOn names={view.surfaces.map(({ name }) => name)} at={surfaceAt} onChange={setSurfaceAt} />
        <Box sx={{ minHeight: 300, mt: 1.5 }} aria-busy={!found}>
          {!found ? (
            <Box role="status">
              <Typography sx={{ mb: 1 }}>Trying mixes of up to three shades…</Typography>
              <LinearProgress variant="determinate" value={100 * done} aria-label="Search" />
            </Box>
          ) : found.length === 0 ? (
            <Alert severity="info">
              The catalogue has no {WORDS.product[view.recipe.leading.kind]} shades that may be used like this. Add some
              on the Shelf page, or choose another product.
            </Alert>
          ) : (
            <Stack spacing={1}>
              {found.map((suggestion, i) => (
                <SuggestionCard key={i} suggestion={suggestion} rank={i} onTake={() => take(suggestion)} />
              ))}
            </Stack>
          )}
        </Box>
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
      </DialogActions>
    </Dialog>
  )
}

/** Searches beside the page whenever the wish changes. `found` is there once the search for this wish has ended. */
function useSuggestions(formula: Formula, wish: Wish, surfaceAt: number) {
  const plan = usePlan((state) => state.document)
  const { catalogue } = useBench()
  const surfaces = usePlan((state) => state.judged!.surfaces[formula.id]!)
  const view = useMemo(() => viewOf(plan, formula, surfaces), [plan, formula, surfaces])
  const [found, setFound] = useState<{ key: string; list: Suggestion[] }>()
  const [done, setDone] = useState(0)
  const { kind } = view.recipe.leading
  const key = JSON.stringify([wish, surfaceAt])

  useEffect(() => {
    const worker = new Worker(new URL('../../workers/mix.worker.ts', import.meta.url), { type: 'module' })
    const wanted = {
      surfaces: [view.surfaces[surfaceAt]!, ...view.surfaces.filter((_, i) => i !== surfaceAt)],
      goal: wish,
      kind: kind === 'clear' ? ('gloss' as const) : kind,
      use: view.use,
      developerVol: formula.developerVol,
      ratio: formula.ratio,
    }
    void wrap<MixWorker>(worker)
      .suggest(wanted, withOwnDevelopers(catalogue, plan.products), proxy(setDone))
      .then((list) => setFound({ key, list }))
    return () => worker.terminate()
    // The search belongs to the wish it was begun with; the plan does not change while this dialog is open.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])

  return { view, found: found?.key === key ? found.list : undefined, done }
}

/** The catalogue, and the plan's developers of strengths that it has not. */
const withOwnDevelopers = (catalogue: readonly CatalogueItem[], own: readonly Product[]): Product[] => [
  ...catalogue,
  ...own.filter(
    ({ developerVol }) => developerVol !== undefined && !catalogue.some((item) => item.developerVol === developerVol),
  ),
]

function WishFields({ wish, onChange }: { wish: Wish; onChange: (wish: Wish) => void }) {
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1.5,
        gridTemplateColumns: { xs: '1fr', sm: 'repeat(3, 1fr) auto' },
        alignItems: 'start',
        pt: 1,
      }}
    >
      <NumberField
        label="Level wished for"
        value={wish.level}
        limit={LIMITS.targetLevel}
        step={0.5}
        onChange={(level) => onChange({ ...wish, level })}
      />
      <ListChoice
        label="Tone"
        value={wish.hue}
        options={optionsOf(TONE_HUES, WORDS.hue)}
        onChange={(hue) => onChange({ ...wish, hue, strength: wish.strength || FIRST_STRENGTH })}
        sx={{ mt: 2 }}
      />
      <NumberField
        label="How strong"
        value={Math.round(100 * wish.strength)}
        limit={LIMITS.percent}
        step={10}
        onChange={(percent) => onChange({ ...wish, strength: percent / 100 })}
      />
      <Box sx={{ mt: 2.5 }}>
        <Swatch hex={hexFromLab(labOfHair(wish.level, wish.hue, wish.strength))} words="wish" />
      </Box>
    </Box>
  )
}

interface JudgedOnProps {
  names: readonly string[]
  at: number
  onChange: (at: number) => void
}

/** The hair a mix is judged on, where there are several kinds. */
function JudgedOn({ names, at, onChange }: JudgedOnProps) {
  if (names.length > 1)
    return (
      <ListChoice
        label="Judged on"
        value={String(at)}
        options={names.map((label, i) => ({ value: String(i), label }))}
        onChange={(value) => onChange(Number(value))}
        sx={{ mt: 2, minWidth: 280 }}
      />
    )
  return (
    <Typography color="textSecondary" sx={{ mt: 1 }}>
      Judged on: <Read>{names[0]!}</Read>
    </Typography>
  )
}

interface CardProps {
  suggestion: Suggestion
  rank: number
  onTake: () => void
}

function SuggestionCard({ suggestion: { formula, result, difference, tradeOff, findings }, rank, onTake }: CardProps) {
  const { catalogue } = useBench()
  const shades = formula.shades ?? []
  const words = shades.map(({ productId, amount }) => {
    const { name } = byId(catalogue, productId)
    return shades.length > 1 ? `${amount} × ${name}` : name
  })
  return (
    <Paper
      variant="outlined"
      component="section"
      aria-label={`Suggestion ${rank + 1}`}
      sx={{ p: 1.5, display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}
    >
      <Swatch hex={hexFromLab(result.lab)} words={`level ${roundToTenth(result.level)}`} />
      <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
        <Typography sx={{ fontWeight: 600 }}>{words.join(' + ')}</Typography>
        <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
          ΔE {roundToTenth(difference)} from the wish: {tradeOff}
        </Typography>
        {findings.slice(0, 2).map(({ id, text }) => (
          <Typography key={id} variant="caption" color="warning" sx={{ display: 'block' }}>
            <Read>{text}</Read>
          </Typography>
        ))}
      </Box>
      <Button variant={rank === 0 ? 'contained' : 'outlined'} onClick={onTake}>
        Take
      </Button>
    </Paper>
  )
}
