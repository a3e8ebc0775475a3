'use client'
import Alert from '@mui/material/Alert'
import Autocomplete from '@mui/material/Autocomplete'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { hexFromLab, labOfHair } from '@/core/hair/colour'
import { gramsOfParts, recipeOf, shadowRootLevel, wantsCompanion } from '@/core/product/formula'
import { stageKindOf } from '@/core/product/bowls'
import {
  COUNTS,
  isColour,
  isCompanion,
  LIMITS,
  SHADE_UNITS,
  TONES,
  type CatalogueItem,
  type FaltoPlan,
  type Formula,
  type FormulaShade,
  type Product,
} from '@/core/model'
import { percentFromVolume, roundToTenth, type ReadingUnits } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { freeLetter } from '../formulaLetters'
import { usePlan, usePlanStore } from '../map/context'
import { Choice, NumberField, Read } from '../parts'
import { INK } from '../theme'
import { WORDS } from '../words'
import { dropUnused, editFormula, embed, useBench } from './context'

/** What a formula is mixed from. */
export function FormulaEditor({ id, onSuggest }: { id: string; onSuggest: () => void }) {
  const { store, permissions } = usePlanStore()
  const formula = usePlan((state) => state.document.formulas.find((one) => one.id === id)!)
  const products = usePlan((state) => state.document.products)
  const several = usePlan((state) => state.document.formulas.length > 1)
  const used = usePlan((state) =>
    state.document.variants.some(({ stages }) =>
      stages.some(({ zones }) =>
        zones.some(({ placement }) => placement.sequence.includes(id) || placement.dropout?.formulaId === id),
      ),
    ),
  )
  const { units } = useUnits()
  const readOnly = !permissions.write
  const leading = products.find((product) => product.id === formula.productId)!
  const recipe = recipeOf(formula, products)
  const edit = (what: string, recipeOfEdit: Parameters<typeof editFormula>[3]) =>
    editFormula(store, id, what, recipeOfEdit)
  const set = (what: string, change: Partial<Formula>) => edit(what, (draft) => void Object.assign(draft, change))

  return (
    <Stack spacing={2} component="section" aria-label={`Formula ${id}`}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <TextField
          size="small"
          label={`Formula ${id}`}
          defaultValue={formula.name}
          disabled={readOnly}
          slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
          onChange={({ target }) => target.value.trim() && set('name', { name: target.value.trim() })}
          sx={{ flex: 1 }}
        />
        {!readOnly && several && (
          <Button
            color="inherit"
            disabled={used}
            title={used ? 'Used on the map; take it out there first.' : undefined}
            onClick={() =>
              store.edit(
                `Formula ${id} removed`,
                `formula/${id}/remove`,
                (draft) => void (draft.formulas = draft.formulas.filter((one) => one.id !== id)),
              )
            }
          >
            Remove
          </Button>
        )}
      </Box>
      {isColour(leading.kind) || leading.kind === 'clear' || leading.kind === 'filler' ? (
        <Shades
          formula={formula}
          leading={leading}
          products={products}
          readOnly={readOnly}
          onEdit={edit}
          onSuggest={onSuggest}
        />
      ) : (
        <Lead leading={leading} readOnly={readOnly} onEdit={edit} />
      )}
      <Box
        sx={{
          display: 'grid',
          gap: 2,
          gridTemplateColumns: 'repeat(auto-fit, minmax(220px, 1fr))',
          alignItems: 'start',
        }}
      >
        {formula.ratio > 0 && (
          <NumberField
            label="Developer"
            value={formula.developerVol}
            limit={LIMITS.developerVol}
            step={1}
            disabled={readOnly}
            help={blendWords(recipe.blend, formula.developerVol, units.developer)}
            problem={recipe.blendProblem}
            onChange={(developerVol) => set('developer', { developerVol })}
          />
        )}
        <Ratio
          formula={formula}
          leading={leading}
          readOnly={readOnly}
          peroxide={recipe.peroxidePercent}
          onRatio={(ratio) => set('ratio', { ratio })}
        />
        {formula.ratio > 0 && (
          <NumberField
            label="Weaker first bowl"
            value={formula.firstBowlVol}
            limit={{ ...LIMITS.developerVol, max: formula.developerVol }}
            step={1}
            disabled={readOnly}
            help={
              formula.firstBowlVol === undefined
                ? 'all bowls alike'
                : `rises to ${formula.developerVol} vol bowl by bowl`
            }
            onChange={(firstBowlVol) => set('first bowl', { firstBowlVol })}
            onClear={() => edit('first bowl', (draft) => delete draft.firstBowlVol)}
          />
        )}
        <NumberField
          label="Level it is meant to show"
          value={formula.level}
          limit={LIMITS.targetLevel}
          step={0.5}
          disabled={readOnly}
          onChange={(level) => set('level', { level })}
        />
        <Choice
          label="Tone"
          value={formula.tone}
          disabled={readOnly}
          options={TONES.map((value) => ({ value, label: WORDS.tone[value] }))}
          onChange={(tone) => set('tone', { tone })}
        />
      </Box>
      <Hints formula={formula} readOnly={readOnly} onLevel={(level) => set('level', { level })} />
      <Additives formula={formula} readOnly={readOnly} onEdit={edit} />
    </Stack>
  )
}

/** A strength in the unit that the salon does not read it in, and what it is blended from. */
const blendWords = (
  blend: ReturnType<typeof recipeOf>['blend'],
  vol: number,
  developer: ReadingUnits['developer'],
): string => {
  const other = developer === '%' ? `${roundToTenth(vol)} volume` : `${roundToTenth(percentFromVolume(vol))} %`
  if (blend.length < 2) return other
  return `${other}: ${blend.map(({ vol: strength, share }) => `${Math.round(100 * share)} % of ${strength} vol`).join(' + ')}`
}

/** The ratios a label allows, in words of how the mix feels; any other one by figure. */
function Ratio({
  formula,
  leading,
  readOnly,
  peroxide,
  onRatio,
}: {
  formula: Formula
  leading: Product
  readOnly: boolean
  peroxide: number
  onRatio: (ratio: number) => void
}) {
  const allowed = [...(leading.rules?.ratios ?? [])].sort((a, b) => a - b)
  const words = `${roundToTenth(peroxide)} % peroxide in the mix`
  if (allowed.length === 0 && formula.ratio === 0)
    return <Typography sx={{ alignSelf: 'center' }}>Used as it is, without developer.</Typography>
  if (!allowed.includes(formula.ratio))
    return (
      <NumberField
        label="Developer to one part"
        value={formula.ratio}
        limit={LIMITS.ratio}
        step={0.5}
        disabled={readOnly}
        help={words}
        onChange={onRatio}
      />
    )
  const feel = (i: number) =>
    allowed.length === 1 ? '' : i === 0 ? ' thicker' : i === allowed.length - 1 ? ' wetter' : ''
  return (
    <Box>
      <Choice
        label="Developer to one part"
        value={String(formula.ratio)}
        disabled={readOnly}
        options={allowed.map((ratio, i) => ({
          value: String(ratio),
          label: `1 : ${ratio}${feel(i)}`,
          name: `1 to ${ratio}${feel(i)}`,
        }))}
        onChange={(ratio) => onRatio(Number(ratio))}
      />
      <Typography variant="caption" color="textSecondary">
        <Read>{words}</Read>
      </Typography>
    </Box>
  )
}

interface EditProps {
  formula: Formula
  readOnly: boolean
  onEdit: (what: string, recipe: Parameters<typeof editFormula>[3]) => void
}

/** The one product a lightener, remover or treatment is. */
function Lead({ leading, readOnly, onEdit }: Omit<EditProps, 'formula'> & { leading: Product }) {
  const { catalogue } = useBench()
  return (
    <ProductPicker
      label="Product"
      value={leading}
      disabled={readOnly}
      options={catalogue.filter(({ kind }) => !isCompanion(kind))}
      onChange={(item) => onEdit('product', (draft, plan) => begin(draft, plan, item))}
    />
  )
}

/** Begins a formula with a product: ratio and strength become what its label allows. */
function begin(formula: Formula, plan: FaltoPlan, item: CatalogueItem): void {
  const { ratios, developerMinVol, developerMaxVol } = item.rules
  embed(plan, item)
  formula.productId = item.id
  if (item.shade || item.kind === 'clear') formula.shades = [{ productId: item.id, amount: 1, unit: 'parts' }]
  else delete formula.shades
  if (!ratios.includes(formula.ratio)) formula.ratio = ratios[0] ?? 0
  if (formula.ratio > 0)
    formula.developerVol = Math.min(developerMaxVol, Math.max(developerMinVol, formula.developerVol))
  dropUnused(plan)
}

/** A swatch beside a product's name. */
function ShadeDot({ product: { shade, kind } }: { product: Pick<Product, 'shade' | 'kind'> }) {
  const fill = shade ? hexFromLab(shade.swatch ?? labOfHair(shade.level, shade.hue, shade.strength)) : 'transparent'
  return (
    <svg width={26} height={26} viewBox="0 0 26 26" aria-hidden style={{ flex: 'none' }}>
      <rect
        x={1}
        y={1}
        width={24}
        height={24}
        rx={3}
        fill={fill}
        stroke={INK.faint}
        strokeDasharray={kind === 'clear' ? '3 2' : undefined}
      />
    </svg>
  )
}

export function ProductPicker({
  label,
  value,
  options,
  disabled,
  onChange,
}: {
  label: string
  value: Product | null
  options: CatalogueItem[]
  disabled: boolean
  onChange: (item: CatalogueItem) => void
}) {
  return (
    <Autocomplete
      size="small"
      sx={{ flex: 1, minWidth: 180 }}
      disabled={disabled}
      disableClearable={value !== null}
      options={options}
      value={value as CatalogueItem}
      groupBy={({ line, kind }) => `${line}, ${WORDS.product[kind]}`}
      getOptionLabel={({ name }) => name}
      isOptionEqualToValue={(one, other) => one.id === other.id}
      onChange={(_event, item) => item && onChange(item)}
      renderOption={({ key, ...props }, option) => (
        <Box component="li" key={key} {...props} sx={{ gap: 1 }}>
          {option.shade && <ShadeDot product={option} />}
          {option.name}
        </Box>
      )}
      renderInput={(params) => <TextField {...params} label={label} />}
    />
  )
}

function Shades({
  formula,
  leading,
  products,
  readOnly,
  onEdit,
  onSuggest,
}: EditProps & { leading: Product; products: Product[]; onSuggest: () => void }) {
  const { catalogue } = useBench()
  const shades: FormulaShade[] = formula.shades && formula.shades.length > 0 ? formula.shades : []
  const recipe = recipeOf(formula, products)
  const choices =
    shades.length === 0
      ? catalogue.filter(({ kind }) => !isCompanion(kind))
      : catalogue.filter(({ kind, shade }) => (kind === leading.kind && shade) || kind === 'clear')
  const per100 = gramsOfParts(recipe, 100)
  const { field } = useUnits()
  const amountIn = (unit: FormulaShade['unit']) => field(unit === 'grams' ? 'g' : unit)

  function change(i: number, item: CatalogueItem) {
    onEdit('shade', (draft, plan) => {
      if (shades.length === 0) {
        begin(draft, plan, item)
        return
      }
      embed(plan, item)
      const list = draft.shades ?? []
      list[i] = { amount: list[i]?.amount ?? 1, unit: list[i]?.unit ?? 'parts', productId: item.id }
      draft.shades = list
      lead(draft, plan.products)
      dropUnused(plan)
    })
  }

  return (
    <Box>
      <Box sx={{ display: 'flex', alignItems: 'baseline', gap: 1, mb: 1 }}>
        <Typography component="h2" sx={{ fontWeight: 600 }}>
          Shades
        </Typography>
        <Typography variant="caption" color="textSecondary">
          {shades.length === 0 ? `${leading.name}: no shade chosen yet` : mixWords(recipe)}
        </Typography>
      </Box>
      <Stack spacing={1}>
        {shades.map((shade, i) => {
          const product = products.find(({ id }) => id === shade.productId)!
          return (
            <Box
              key={`${i}-${shade.productId}`}
              sx={{ display: 'flex', gap: 1, alignItems: 'center', flexWrap: 'wrap' }}
              role="group"
              aria-label={product.name}
            >
              <ShadeDot product={product} />
              <ProductPicker
                label={`Shade ${i + 1}`}
                value={product}
                disabled={readOnly}
                options={choices}
                onChange={(item) => change(i, item)}
              />
              <TextField
                size="small"
                type="number"
                label="Amount"
                key={shade.unit}
                defaultValue={amountIn(shade.unit).shown(shade.amount)}
                disabled={readOnly}
                slotProps={{ htmlInput: { min: LIMITS.shadeAmount.min, max: LIMITS.shadeAmount.max, step: 'any' } }}
                onChange={({ target }) => {
                  const amount = amountIn(shade.unit).kept(Number(target.value))
                  if (amount >= LIMITS.shadeAmount.min && amount <= LIMITS.shadeAmount.max)
                    onEdit('amount', (draft) => void (draft.shades![i]!.amount = amount))
                }}
                sx={{ width: 92 }}
              />
              <TextField
                select
                size="small"
                label="Unit"
                value={shade.unit}
                disabled={readOnly}
                onChange={({ target }) =>
                  onEdit('unit', (draft) => void (draft.shades![i]!.unit = target.value as FormulaShade['unit']))
                }
                sx={{ width: 92 }}
              >
                {SHADE_UNITS.map((value) => (
                  <MenuItem key={value} value={value}>
                    {amountIn(value).unit}
                  </MenuItem>
                ))}
              </TextField>
              <Typography variant="caption" color="textSecondary" sx={{ width: 84, textAlign: 'right' }}>
                {per100[i]} in 100
              </Typography>
              {!readOnly && (
                <Button
                  color="inherit"
                  aria-label={`Take ${product.name} out`}
                  onClick={() =>
                    onEdit('shade out', (draft, plan) => {
                      draft.shades!.splice(i, 1)
                      lead(draft, plan.products)
                      dropUnused(plan)
                    })
                  }
                  sx={{ minWidth: 44 }}
                >
                  ×
                </Button>
              )}
            </Box>
          )
        })}
        {!readOnly && (
          <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
            <Button variant={shades.length === 0 ? 'contained' : 'outlined'} onClick={onSuggest}>
              Suggest shades
            </Button>
            {shades.length < COUNTS.shades && (
              <Box sx={{ flex: '1 1 220px', maxWidth: 340 }}>
                <ProductPicker
                  key={shades.length}
                  label={shades.length === 0 ? 'Or choose a product' : 'Add a shade'}
                  value={null}
                  disabled={false}
                  options={choices}
                  onChange={(item) => change(shades.length, item)}
                />
              </Box>
            )}
          </Box>
        )}
      </Stack>
    </Box>
  )
}

/** The first coloured shade leads: it decides kind, times and rules. */
function lead(formula: Formula, products: readonly Product[]): void {
  const first =
    formula.shades?.find(({ productId }) => products.find(({ id }) => id === productId)?.shade) ?? formula.shades?.[0]
  if (first) formula.productId = first.productId
  else delete formula.shades
}

function mixWords({ mixed, baseShare }: ReturnType<typeof recipeOf>): string {
  if (!mixed) return ''
  const level = mixed.level === undefined ? 'clear' : `level ${Math.round(mixed.level * 100) / 100}`
  const tones =
    mixed.tones.map(({ hue, strength }) => `${WORDS.hue[hue]} ${Math.round(100 * strength)} %`).join(', ') || 'no tone'
  return `${level}, ${tones}, natural base ${Math.round(100 * baseShare)} %${mixed.depth < 1 ? `, ${Math.round(100 * mixed.depth)} % of it coloured` : ''}`
}

/**
 * What other parts of the plan ask of this formula: a shadow near the natural level, a warmer companion beside dark
 * foils.
 */
function Hints({
  formula,
  readOnly,
  onLevel,
}: {
  formula: Formula
  readOnly: boolean
  onLevel: (level: number) => void
}) {
  const { store } = usePlanStore()
  const plan = usePlan((state) => state.document)
  const { kind } = stageKindOf(plan, formula.id)
  const others = plan.formulas.filter(({ id }) => id !== formula.id)
  const lengths = Math.max(0, ...others.map(({ level }) => level))
  const shadow = shadowRootLevel(plan.hair.naturalLevel, lengths)
  const gloss = plan.products.find(({ id }) => id === formula.productId)?.kind === 'gloss'
  const companion =
    gloss &&
    kind === 'gloss' &&
    wantsCompanion(
      formula.level,
      others.map(({ level }) => level),
    ) &&
    plan.formulas.length < COUNTS.formulas &&
    !others.some(({ name }) => name === `${formula.name}, warmer`)

  function addCompanion() {
    const id = freeLetter(plan.formulas)
    store.edit(`Formula ${id}: a warmer companion of ${formula.id}`, `formula/${id}/companion`, (draft) => {
      const { shades: _shades, ...own } = draft.formulas.find((one) => one.id === formula.id)!
      draft.formulas.push({ ...own, id, name: `${own.name}, warmer`, tone: 'warm' })
    })
  }

  return (
    <>
      {kind === 'shadowRoot' && lengths > 0 && Math.abs(formula.level - shadow) >= 1 && (
        <Alert
          severity="info"
          variant="outlined"
          action={
            !readOnly && (
              <Button color="inherit" onClick={() => onLevel(shadow)}>
                Set to {shadow}
              </Button>
            )
          }
        >
          A shadow root lies near the natural level, here {shadow}.
        </Alert>
      )}
      {companion && (
        <Alert
          severity="info"
          variant="outlined"
          action={
            !readOnly && (
              <Button color="inherit" onClick={addCompanion}>
                Add it
              </Button>
            )
          }
        >
          When the dark foils are rinsed their colour runs over the light: a slightly warmer companion for the strands
          beside them keeps those from going muddy.
        </Alert>
      )}
    </>
  )
}

function Additives({ formula, readOnly, onEdit }: EditProps) {
  const { catalogue } = useBench()
  const offered = catalogue.filter(
    ({ kind, id }) => kind === 'bondAdditive' && !formula.additives?.some(({ productId }) => productId === id),
  )
  const named = usePlan((state) => state.document.products)
  if (readOnly && !formula.additives?.length) return null
  return (
    <Box sx={{ display: 'flex', gap: 1.5, flexWrap: 'wrap', alignItems: 'flex-start' }}>
      {formula.additives?.map(({ productId, percent }, i) => (
        <Box key={productId} sx={{ display: 'flex', alignItems: 'flex-start' }}>
          <NumberField
            label={named.find(({ id }) => id === productId)!.name}
            value={percent}
            limit={{ ...LIMITS.percent, unit: '%' }}
            step={1}
            disabled={readOnly}
            onChange={(next) => onEdit('additive', (draft) => void (draft.additives![i]!.percent = next))}
          />
          {!readOnly && (
            <Button
              color="inherit"
              aria-label="Take the additive out"
              sx={{ minWidth: 44, mt: 2 }}
              onClick={() => onEdit('additive out', (draft) => void draft.additives!.splice(i, 1))}
            >
              ×
            </Button>
          )}
        </Box>
      ))}
      {!readOnly &&
        offered.map((item) => (
          <Button
            key={item.id}
            variant="outlined"
            color="inherit"
            sx={{ mt: 2 }}
            onClick={() =>
              onEdit('additive', (draft, plan) => {
                embed(plan, item)
                draft.additives = [
                  ...(draft.additives ?? []),
                  { productId: item.id, percent: item.additive?.percent ?? 5 },
                ]
              })
            }
          >
            Add {item.name}
          </Button>
        ))}
    </Box>
  )
}
