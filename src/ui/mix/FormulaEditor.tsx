'use client'
import Box from '@mui/material/Box'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import {
  byId,
  CONSISTENCIES,
  COUNTS,
  isColour,
  isCompanion,
  isLightener,
  LIMITS,
  TONES,
  type Formula,
  type Product,
} from '@/core/model'
import { recipeOf } from '@/core/product/formula'
import { percentFromVolume, roundToTenth, type ReadingUnits } from '@/core/units'
import { useUnits } from '../hooks/useUnits'
import { usePlan, usePlanStore } from '../map/context'
import { RemoveFormula } from '../map/RemoveFormula'
import { Choice, NumberField } from '../parts'
import { WORDS } from '../words'
import { Additives } from './Additives'
import { beginWith, editFormula, useBench, type FormulaEdit } from './context'
import { Hints } from './Hints'
import { ProductPicker } from './ProductPicker'
import { Ratio } from './Ratio'
import { Shades } from './Shades'

/** What a formula is mixed from. */
export function FormulaEditor({ id, onSuggest }: { id: string; onSuggest: () => void }) {
  const { store, permissions } = usePlanStore()
  const formula = usePlan((state) => byId(state.document.formulas, id))
  const leading = usePlan((state) => byId(state.document.products, formula.productId))
  const several = usePlan((state) => state.document.formulas.length > 1)
  const edit: FormulaEdit = {
    formula,
    readOnly: !permissions.write,
    onEdit: (what, recipe) => editFormula(store, id, what, recipe),
  }
  const set: Set = (what, change) => edit.onEdit(what, (draft) => void Object.assign(draft, change))

  return (
    <Stack spacing={2} component="section" aria-label={`Formula ${id}`}>
      <Box sx={{ display: 'flex', gap: 1, alignItems: 'center' }}>
        <TextField
          size="small"
          label={`Formula ${id}`}
          defaultValue={formula.name}
          disabled={edit.readOnly}
          slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
          onChange={({ target }) => target.value.trim() && set('name', { name: target.value.trim() })}
          sx={{ flex: 1 }}
        />
        {!edit.readOnly && several && <RemoveFormula id={id} />}
      </Box>
      {isColour(leading.kind) || leading.kind === 'clear' || leading.kind === 'filler' ? (
        <Shades {...edit} onSuggest={onSuggest} />
      ) : (
        <Lead leading={leading} {...edit} />
      )}
      <Figures {...edit} leading={leading} set={set} />
      <Hints formula={formula} readOnly={edit.readOnly} onLevel={(level) => set('level', { level })} />
      <Additives {...edit} />
      <TextField
        key={formula.note}
        size="small"
        multiline
        label="Note for this formula"
        defaultValue={formula.note ?? ''}
        disabled={edit.readOnly}
        slotProps={{ htmlInput: { maxLength: COUNTS.noteLength } }}
        onBlur={({ target }) => {
          if (target.value.trim() !== (formula.note ?? '')) set('note', { note: target.value.trim() })
        }}
      />
    </Stack>
  )
}

type Set = (what: string, change: Partial<Formula>) => void

interface FiguresProps extends FormulaEdit {
  leading: Product
  set: Set
}

/** Strength, ratio, and what the formula is meant to show. */
function Figures({ formula, leading, readOnly, onEdit, set }: FiguresProps) {
  const products = usePlan((state) => state.document.products)
  const { units } = useUnits()
  const recipe = recipeOf(formula, products)
  return (
    <Box
      sx={{ display: 'grid', gap: 2, gridTemplateColumns: 'repeat(auto-fit, minmax(220px, 1fr))', alignItems: 'start' }}
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
      {formula.ratio > 0 && <FirstBowl formula={formula} readOnly={readOnly} onEdit={onEdit} />}
      {isLightener(leading.kind) && <LiftGoal formula={formula} readOnly={readOnly} onEdit={onEdit} />}
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
      <Choice
        label="Mixed to"
        value={formula.consistency ?? 'cream'}
        disabled={readOnly}
        options={CONSISTENCIES.map((value) => ({ value, label: WORDS.consistency[value] }))}
        onChange={(consistency) => set('consistency', { consistency })}
      />
    </Box>
  )
}

/** How far a lightener lifts, where the hair is toned to another level afterwards. */
function LiftGoal({ formula: { liftGoal, level }, readOnly, onEdit }: FormulaEdit) {
  return (
    <NumberField
      label="Lifts to"
      value={liftGoal}
      limit={{ ...LIMITS.targetLevel, min: level }}
      step={0.5}
      disabled={readOnly}
      help={liftGoal === undefined ? 'the level it is meant to show' : `then toned to level ${level}`}
      onChange={(goal) => onEdit('lift goal', (draft) => void (draft.liftGoal = goal))}
      onClear={() => onEdit('lift goal', (draft) => delete draft.liftGoal)}
    />
  )
}

/** The strength of the first bowl, where the bowls rise. */
function FirstBowl({ formula: { firstBowlVol, firstBowlOnly = false, developerVol }, readOnly, onEdit }: FormulaEdit) {
  return (
    <>
      <NumberField
        label="Weaker first bowl"
        value={firstBowlVol}
        limit={{ ...LIMITS.developerVol, max: developerVol }}
        step={1}
        disabled={readOnly}
        help={
          firstBowlVol === undefined
            ? 'all bowls alike'
            : `${firstBowlOnly ? 'the second has' : 'rises bowl by bowl to'} ${developerVol} vol`
        }
        onChange={(vol) => onEdit('first bowl', (draft) => void (draft.firstBowlVol = vol))}
        onClear={() => onEdit('first bowl', (draft) => delete draft.firstBowlVol)}
      />
      {firstBowlVol !== undefined && (
        <Choice
          label="The bowls after it"
          value={firstBowlOnly ? 'only' : 'rise'}
          disabled={readOnly}
          options={[
            { value: 'rise', label: 'Rise evenly' },
            { value: 'only', label: 'All at full strength' },
          ]}
          onChange={(how) => onEdit('bowls after the first', (draft) => void (draft.firstBowlOnly = how === 'only'))}
        />
      )}
    </>
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

/** The one product a lightener, remover or treatment is. */
function Lead({ leading, readOnly, onEdit }: Omit<FormulaEdit, 'formula'> & { leading: Product }) {
  const { catalogue } = useBench()
  return (
    <ProductPicker
      label="Product"
      value={leading}
      disabled={readOnly}
      options={catalogue.filter(({ kind }) => !isCompanion(kind))}
      onChange={(item) => onEdit('product', (draft, plan) => beginWith(draft, plan, item))}
    />
  )
}
