'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import {
  byId,
  COUNTS,
  isCompanion,
  type CatalogueItem,
  type Formula,
  type FormulaShade,
  type Product,
} from '@/core/model'
import { gramsOfParts, recipeOf } from '@/core/product/formula'
import { usePlan, withMoved } from '../map/context'
import { SortableList } from '../parts/sortable'
import { WORDS } from '../words'
import { beginWith, dropUnused, embed, useBench, type FormulaEdit } from './context'
import { ProductPicker } from './ProductPicker'
import { ShadeRow } from './ShadeRow'

interface Props extends FormulaEdit {
  onSuggest: () => void
}

/** The shades of a mix in their order, the first coloured one leading. */
export function Shades({ formula, readOnly, onEdit, onSuggest }: Props) {
  const { catalogue } = useBench()
  const products = usePlan((state) => state.document.products)
  const leading = byId(products, formula.productId)
  const shades: readonly FormulaShade[] = formula.shades ?? []
  const recipe = recipeOf(formula, products)
  const per100 = gramsOfParts(recipe, 100)
  const choices =
    shades.length === 0
      ? catalogue.filter(({ kind }) => !isCompanion(kind))
      : catalogue.filter(({ kind, shade }) => (kind === leading.kind && shade) || kind === 'clear')
  const ids = shades.map(({ productId }, i) => `${i}-${productId}`)

  function put(i: number, item: CatalogueItem) {
    onEdit('shade', (draft, plan) => {
      if (shades.length === 0) return beginWith(draft, plan, item)
      embed(plan, item)
      const list = draft.shades ?? []
      list[i] = { amount: list[i]?.amount ?? 1, unit: list[i]?.unit ?? 'parts', productId: item.id }
      draft.shades = list
      lead(draft, plan.products)
      dropUnused(plan)
    })
  }

  function take(i: number) {
    onEdit('shade out', (draft, plan) => {
      draft.shades!.splice(i, 1)
      lead(draft, plan.products)
      dropUnused(plan)
    })
  }

  function move(id: string, to: string) {
    onEdit('order of shades', (draft, plan) => {
      draft.shades = withMoved(draft.shades!, ids.indexOf(id), ids.indexOf(to))
      lead(draft, plan.products)
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
        <SortableList ids={ids} nameOf={(id) => byId(products, shades[ids.indexOf(id)]!.productId).name} onMove={move}>
          {shades.map((shade, i) => (
            <ShadeRow
              key={ids[i]}
              id={ids[i]!}
              index={i}
              shade={shade}
              gramsIn100={per100[i]!}
              choices={choices}
              readOnly={readOnly}
              movable={!readOnly && shades.length > 1}
              onPut={(item) => put(i, item)}
              onChange={(what, change) => onEdit(what, (draft) => void Object.assign(draft.shades![i]!, change))}
              onTake={() => take(i)}
            />
          ))}
        </SortableList>
        {!readOnly && (
          <AddShade
            count={shades.length}
            choices={choices}
            onSuggest={onSuggest}
            onAdd={(item) => put(shades.length, item)}
          />
        )}
      </Stack>
    </Box>
  )
}

interface AddProps {
  count: number
  choices: CatalogueItem[]
  onSuggest: () => void
  onAdd: (item: CatalogueItem) => void
}

function AddShade({ count, choices, onSuggest, onAdd }: AddProps) {
  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      <Button variant={count === 0 ? 'contained' : 'outlined'} onClick={onSuggest}>
        Suggest shades
      </Button>
      {count < COUNTS.shades && (
        <Box sx={{ flex: '1 1 220px', maxWidth: 340 }}>
          <ProductPicker
            key={count}
            label={count === 0 ? 'Or choose a product' : 'Add a shade'}
            value={null}
            disabled={false}
            options={choices}
            onChange={onAdd}
          />
        </Box>
      )}
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
