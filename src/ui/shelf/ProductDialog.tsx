'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Checkbox from '@mui/material/Checkbox'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import FormControlLabel from '@mui/material/FormControlLabel'
import MenuItem from '@mui/material/MenuItem'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useState } from 'react'
import { hexFromLab, labOfHair } from '@/core/hair/colour'
import {
  BASES,
  isColour,
  LIMITS,
  PRODUCT_KINDS,
  TONE_HUES,
  type Base,
  type CatalogueItem,
  type Limit,
  type ProductKind,
  type ShelfItem,
  type ToneHue,
} from '@/core/model'
import { callApi, problemAt } from '../hooks/api'
import { Choice, NumberField, Read, SaveButton } from '../parts'
import { Swatch } from '../mix/OnHair'
import { WORDS } from '../words'

const EMPTY: CatalogueItem = {
  id: '',
  line: '',
  name: '',
  kind: 'gloss',
  maximumMinutes: 20,
  shade: { level: 8, hue: 'neutral', strength: 0, base: 'natural', whiteCoverPercent: 40 },
  rules: {
    ratios: [1],
    developerMinVol: 5,
    developerMaxVol: 10,
    workingLifeMinutes: 45,
    minimumMinutes: 5,
    maximumLift: 0,
    heat: false,
    onScalp: true,
    damp: true,
  },
  pack: { grams: 60, priceMinor: 700, densityGPerMl: 1 },
  reorderG: 60,
}
const BASE_WORDS: Record<Base, string> = { natural: 'natural', toned: 'some', none: 'none' }
const PRICE: Limit = { min: 0, max: 10_000, unit: '' }

interface Props {
  /** The product to change; a new one is made without it. */
  known: ShelfItem | undefined
  onClose: () => void
  onDone: (message: string) => void
  onRemove: (id: string, name: string) => Promise<void>
}

/** Everything the salon knows of a product; wrong entries are told at their fields. */
export function ProductDialog({ known, onClose, onDone, onRemove }: Props) {
  const [item, setItem] = useState(known?.item ?? EMPTY)
  const [ratios, setRatios] = useState((known?.item ?? EMPTY).rules.ratios.join(' '))
  const [error, setError] = useState<unknown>()
  const at = (path: string) => problemAt(error, `item.${path}`)
  const set = (change: Partial<CatalogueItem>) => setItem({ ...item, ...change })
  const rules = (change: Partial<CatalogueItem['rules']>) => set({ rules: { ...item.rules, ...change } })
  const pack = (change: Partial<CatalogueItem['pack']>) => set({ pack: { ...item.pack, ...change } })
  const shade = item.shade
  const wrongRatio = ratios
    .split(/\s+/)
    .filter(Boolean)
    .some((word) => !Number.isFinite(Number(word.replace(',', '.'))))

  function choose(kind: ProductKind) {
    const { shade: _shade, additive: _additive, developerVol: _vol, ...rest } = item
    setItem({
      ...rest,
      kind,
      ...((isColour(kind) || kind === 'filler') && { shade: shade ?? EMPTY.shade! }),
      ...(kind === 'bondAdditive' && {
        additive: item.additive ?? { percent: 5, maximumPercent: 10, liftFactor: 0.9, timeFactor: 1.1 },
      }),
      ...(kind === 'developer' && { developerVol: item.developerVol ?? 20 }),
    })
  }

  async function save() {
    try {
      await callApi('/api/products', 'PUT', {
        item: { ...item, name: item.name.trim(), line: item.line.trim() },
        ...(known && { baseRevision: known.revision }),
      })
      onDone(`${item.name} is kept.`)
    } catch (problem) {
      setError(problem)
    }
  }

  const field = (key: 'id' | 'name' | 'line', label: string, help: string) => (
    <TextField
      size="small"
      label={label}
      value={item[key]}
      slotProps={{ htmlInput: { readOnly: key === 'id' && known !== undefined } }}
      error={at(key) !== undefined}
      helperText={at(key) ?? (key === 'id' && known ? 'stays as it is' : help)}
      onChange={({ target }) => set({ [key]: target.value })}
    />
  )
  const grid = {
    display: 'grid',
    gap: 1.5,
    gridTemplateColumns: 'repeat(auto-fill, minmax(210px, 1fr))',
    alignItems: 'start',
  } as const

  return (
    <Dialog open onClose={onClose} maxWidth="md" fullWidth aria-labelledby="product-title">
      <DialogTitle id="product-title">{known ? known.item.name : 'A new product'}</DialogTitle>
      <DialogContent>
        {error instanceof Error && (
          <Alert severity="error" sx={{ mb: 2 }}>
            <Read>{error.message}</Read>
          </Alert>
        )}
        <Box sx={{ ...grid, pt: 1 }}>
          {field('name', 'Name', 'with its level, in words')}
          {field('line', 'Line', 'what is mixed together')}
          {field('id', 'Code', 'letters, digits, dashes')}
          <TextField
            select
            size="small"
            label="Kind"
            value={item.kind}
            onChange={({ target }) => choose(target.value as ProductKind)}
          >
            {PRODUCT_KINDS.map((kind) => (
              <MenuItem key={kind} value={kind}>
                {WORDS.product[kind]}
              </MenuItem>
            ))}
          </TextField>
        </Box>
        {shade && (
          <>
            <Heading>Shade</Heading>
            <Box sx={grid}>
              <NumberField
                label="Level"
                value={shade.level}
                limit={LIMITS.targetLevel}
                step={1}
                problem={at('shade.level')}
                onChange={(level) => set({ shade: { ...shade, level } })}
              />
              <TextField
                select
                size="small"
                label="Tone"
                value={shade.hue}
                onChange={({ target }) => set({ shade: { ...shade, hue: target.value as ToneHue } })}
                sx={{ mt: 2 }}
              >
                {TONE_HUES.map((hue) => (
                  <MenuItem key={hue} value={hue}>
                    {WORDS.hue[hue]}
                  </MenuItem>
                ))}
              </TextField>
              <NumberField
                label="Strength of the tone"
                value={Math.round(100 * shade.strength)}
                limit={LIMITS.percent}
                step={10}
                onChange={(percent) => set({ shade: { ...shade, strength: percent / 100 } })}
              />
              <NumberField
                label="Covers white"
                value={shade.whiteCoverPercent}
                limit={LIMITS.percent}
                step={10}
                onChange={(whiteCoverPercent) => set({ shade: { ...shade, whiteCoverPercent } })}
              />
              <Choice
                label="Natural base"
                value={shade.base}
                options={BASES.map((value) => ({ value, label: BASE_WORDS[value] }))}
                onChange={(base) => set({ shade: { ...shade, base } })}
              />
              <Box sx={{ mt: 2 }}>
                <Swatch
                  hex={hexFromLab(shade.swatch ?? labOfHair(shade.level, shade.hue, shade.strength))}
                  words={shade.swatch ? 'as measured' : 'swatch'}
                />
              </Box>
            </Box>
          </>
        )}
        {item.additive && (
          <>
            <Heading>Additive</Heading>
            <Box sx={grid}>
              <NumberField
                label="Dose"
                value={item.additive.percent}
                limit={LIMITS.percent}
                step={1}
                onChange={(percent) => set({ additive: { ...item.additive!, percent } })}
              />
              <NumberField
                label="At most"
                value={item.additive.maximumPercent}
                limit={LIMITS.percent}
                step={1}
                onChange={(maximumPercent) => set({ additive: { ...item.additive!, maximumPercent } })}
              />
              <NumberField
                label="Lift goes on at"
                value={item.additive.liftFactor}
                limit={LIMITS.factor}
                step={0.05}
                onChange={(liftFactor) => set({ additive: { ...item.additive!, liftFactor } })}
              />
              <NumberField
                label="Time it needs"
                value={item.additive.timeFactor}
                limit={LIMITS.factor}
                step={0.05}
                onChange={(timeFactor) => set({ additive: { ...item.additive!, timeFactor } })}
              />
            </Box>
          </>
        )}
        <Heading>Label</Heading>
        <Box sx={grid}>
          {item.developerVol !== undefined && (
            <NumberField
              label="Strength"
              value={item.developerVol}
              limit={LIMITS.developerVol}
              step={5}
              onChange={(developerVol) => set({ developerVol })}
            />
          )}
          <TextField
            size="small"
            label="Developer to one part"
            value={ratios}
            error={wrongRatio || at('rules.ratios') !== undefined}
            helperText={
              wrongRatio
                ? 'numbers with spaces between'
                : (at('rules.ratios') ?? 'such as 1 1.5 2; empty: used as it is')
            }
            onChange={({ target }) => {
              setRatios(target.value)
              const list = target.value
                .split(/\s+/)
                .filter(Boolean)
                .map((word) => Number(word.replace(',', '.')))
              if (list.every(Number.isFinite)) rules({ ratios: list })
            }}
            sx={{ mt: 2 }}
          />
          <NumberField
            label="Weakest developer"
            value={item.rules.developerMinVol}
            limit={LIMITS.developerVol}
            step={5}
            onChange={(developerMinVol) => rules({ developerMinVol })}
          />
          <NumberField
            label="Strongest developer"
            value={item.rules.developerMaxVol}
            limit={LIMITS.developerVol}
            step={5}
            problem={at('rules.developerMaxVol')}
            onChange={(developerMaxVol) => rules({ developerMaxVol })}
          />
          <NumberField
            label="A mixed bowl is good for"
            value={item.rules.workingLifeMinutes}
            limit={LIMITS.workingLifeMinutes}
            step={5}
            onChange={(workingLifeMinutes) => rules({ workingLifeMinutes })}
          />
          <NumberField
            label="Stays on at least"
            value={item.rules.minimumMinutes}
            limit={LIMITS.minimumMinutes}
            step={5}
            onChange={(minimumMinutes) => rules({ minimumMinutes })}
          />
          <NumberField
            label="Stays on at most"
            value={item.maximumMinutes}
            limit={LIMITS.maximumMinutes}
            step={5}
            problem={at('maximumMinutes')}
            onChange={(maximumMinutes) => set({ maximumMinutes })}
          />
          <NumberField
            label="Lifts at most"
            value={item.rules.maximumLift}
            limit={LIMITS.maximumLift}
            step={1}
            onChange={(maximumLift) => rules({ maximumLift })}
          />
        </Box>
        <Box sx={{ display: 'flex', flexWrap: 'wrap' }}>
          {(
            [
              ['heat', 'takes heat'],
              ['onScalp', 'may touch the scalp'],
              ['damp', 'goes on damp hair'],
            ] as const
          ).map(([key, label]) => (
            <FormControlLabel
              key={key}
              label={label}
              control={
                <Checkbox checked={item.rules[key]} onChange={({ target }) => rules({ [key]: target.checked })} />
              }
            />
          ))}
        </Box>
        <Heading>Pack</Heading>
        <Box sx={grid}>
          <NumberField
            label="Pack"
            value={item.pack.grams}
            limit={LIMITS.packG}
            step={10}
            onChange={(grams) => pack({ grams })}
          />
          <NumberField
            label="Price of a pack"
            value={item.pack.priceMinor / 100}
            limit={PRICE}
            step={1}
            onChange={(price) => pack({ priceMinor: Math.round(100 * price) })}
          />
          <NumberField
            label="Density"
            value={item.pack.densityGPerMl}
            limit={LIMITS.densityGPerMl}
            step={0.05}
            onChange={(densityGPerMl) => pack({ densityGPerMl })}
          />
          <NumberField
            label="Order when less is left"
            value={item.reorderG}
            limit={LIMITS.reorderG}
            step={10}
            onChange={(reorderG) => set({ reorderG })}
          />
        </Box>
      </DialogContent>
      <DialogActions>
        {known && (
          <Button color="inherit" onClick={() => void onRemove(item.id, item.name)} sx={{ mr: 'auto' }}>
            Remove
          </Button>
        )}
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
        <SaveButton
          onSave={save}
          disabled={item.name.trim() === '' || item.line.trim() === '' || item.id === '' || wrongRatio}
        >
          Keep
        </SaveButton>
      </DialogActions>
    </Dialog>
  )
}

const Heading = ({ children }: { children: string }) => (
  <Typography component="h2" sx={{ fontWeight: 600, mt: 2, mb: 0.5 }}>
    {children}
  </Typography>
)
