'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import LinearProgress from '@mui/material/LinearProgress'
import MenuItem from '@mui/material/MenuItem'
import Paper from '@mui/material/Paper'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { proxy, wrap } from 'comlink'
import { useEffect, useMemo, useState } from 'react'
import { hexFromLab, labOfHair, toneOfFormula } from '@/core/hair/colour'
import type { Suggestion } from '@/core/product/formula'
import { byId, LIMITS, TONE_HUES, type Goal, type ToneHue } from '@/core/model'
import { roundToTenth } from '@/core/units'
import type { MixWorker } from '@/workers/mix.worker'
import { usePlan, usePlanStore } from '../map/context'
import { NumberField, Read } from '../parts'
import { WORDS } from '../words'
import { dropUnused, editFormula, embed, useBench, viewOf } from './context'
import { Swatch } from './OnHair'

/** Looks for shades that come nearest to a wished colour, and offers a few with what speaks for each. */
export function SuggestDialog({ id, goal, onClose }: { id: string; goal: Goal | null; onClose: () => void }) {
  const { store } = usePlanStore()
  const plan = usePlan((state) => state.document)
  const { catalogue, canvas } = useBench()
  const formula = byId(plan.formulas, id)
  const view = useMemo(() => viewOf(plan, formula, canvas), [plan, formula, canvas])
  const [wish, setWish] = useState(() => {
    const target = goal?.targets.find(({ region }) => region === 'all')
    const { hue, strength } =
      target && Math.abs(target.level - formula.level) < 1 ? target : toneOfFormula(formula.tone)
    return { level: formula.level, hue, strength }
  })
  const [surfaceAt, setSurfaceAt] = useState(0)
  const [found, setFound] = useState<{ key: string; list: Suggestion[] }>()
  const [done, setDone] = useState(0)
  const { kind } = view.recipe.leading
  const key = JSON.stringify([wish, surfaceAt])

  useEffect(() => {
    const worker = new Worker(new URL('../../workers/mix.worker.ts', import.meta.url), { type: 'module' })
    const surfaces = [view.surfaces[surfaceAt]!, ...view.surfaces.filter((_, i) => i !== surfaceAt)]
    const products = [
      ...catalogue,
      ...plan.products.filter(
        ({ developerVol }) =>
          developerVol !== undefined && !catalogue.some((item) => item.developerVol === developerVol),
      ),
    ]
    const wanted = {
      surfaces,
      goal: wish,
      kind: kind === 'clear' ? ('gloss' as const) : kind,
      use: view.use,
      developerVol: formula.developerVol,
      ratio: formula.ratio,
    }
    void wrap<MixWorker>(worker)
      .suggest(wanted, products, proxy(setDone))
      .then((list) => setFound({ key, list }))
    return () => worker.terminate()
    // The search belongs to the wish it was begun with; the plan does not change while this dialog is open.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key])

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

  const searching = found?.key !== key
  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="suggest-title">
      <DialogTitle id="suggest-title">Shades for formula {id}</DialogTitle>
      <DialogContent>
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
            onChange={(level) => setWish({ ...wish, level })}
          />
          <TextField
            select
            size="small"
            label="Tone"
            value={wish.hue}
            onChange={({ target }) =>
              setWish({ ...wish, hue: target.value as ToneHue, strength: wish.strength || 0.4 })
            }
            sx={{ mt: 2 }}
          >
            {TONE_HUES.map((hue) => (
              <MenuItem key={hue} value={hue}>
                {WORDS.hue[hue]}
              </MenuItem>
            ))}
          </TextField>
          <NumberField
            label="How strong"
            value={Math.round(100 * wish.strength)}
            limit={LIMITS.percent}
            step={10}
            onChange={(percent) => setWish({ ...wish, strength: percent / 100 })}
          />
          <Box sx={{ mt: 2.5 }}>
            <Swatch hex={hexFromLab(labOfHair(wish.level, wish.hue, wish.strength))} words="wish" />
          </Box>
        </Box>
        {view.surfaces.length > 1 && (
          <TextField
            select
            size="small"
            label="Judged on"
            value={surfaceAt}
            onChange={({ target }) => setSurfaceAt(Number(target.value))}
            sx={{ mt: 2, minWidth: 280 }}
          >
            {view.surfaces.map(({ name }, i) => (
              <MenuItem key={name} value={i}>
                {name}
              </MenuItem>
            ))}
          </TextField>
        )}
        {view.surfaces.length === 1 && (
          <Typography color="textSecondary" sx={{ mt: 1 }}>
            Judged on: <Read>{view.surfaces[0]!.name}</Read>
          </Typography>
        )}
        <Box sx={{ minHeight: 300, mt: 1.5 }} aria-busy={searching}>
          {searching ? (
            <Box role="status">
              <Typography sx={{ mb: 1 }}>Trying mixes of up to three shades…</Typography>
              <LinearProgress variant="determinate" value={100 * done} aria-label="Search" />
            </Box>
          ) : found.list.length === 0 ? (
            <Alert severity="info">
              The catalogue has no {WORDS.product[kind]} shades that may be used like this. Add some on the Shelf page,
              or choose another product.
            </Alert>
          ) : (
            <Stack spacing={1}>
              {found.list.map((suggestion, i) => (
                <Paper
                  key={i}
                  variant="outlined"
                  component="section"
                  aria-label={`Suggestion ${i + 1}`}
                  sx={{ p: 1.5, display: 'flex', gap: 1.5, alignItems: 'center', flexWrap: 'wrap' }}
                >
                  <Swatch
                    hex={hexFromLab(suggestion.result.lab)}
                    words={`level ${roundToTenth(suggestion.result.level)}`}
                  />
                  <Box sx={{ flex: '1 1 260px', minWidth: 0 }}>
                    <Typography sx={{ fontWeight: 600 }}>
                      {suggestion.formula
                        .shades!.map(
                          ({ productId, amount }) =>
                            `${suggestion.formula.shades!.length > 1 ? `${amount} × ` : ''}${catalogue.find(({ id: code }) => code === productId)?.name}`,
                        )
                        .join(' + ')}
                    </Typography>
                    <Typography variant="caption" color="textSecondary" sx={{ display: 'block' }}>
                      ΔE {roundToTenth(suggestion.difference)} from the wish: {suggestion.tradeOff}
                    </Typography>
                    {suggestion.findings.slice(0, 2).map(({ id: finding, text }) => (
                      <Typography key={finding} variant="caption" color="warning" sx={{ display: 'block' }}>
                        <Read>{text}</Read>
                      </Typography>
                    ))}
                  </Box>
                  <Button variant={i === 0 ? 'contained' : 'outlined'} onClick={() => take(suggestion)}>
                    Take
                  </Button>
                </Paper>
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
