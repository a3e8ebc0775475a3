'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Stack from '@mui/material/Stack'
import Typography from '@mui/material/Typography'
import { exposedLab, hexFromLab, underlyingPigment } from '@/core/hair/colour'
import {
  depositOn,
  fillerFor,
  findingsOf,
  labOfSurface,
  neutralisedBy,
  type Finding,
  type Surface,
} from '@/core/product/formula'
import { byId, isLightener, liftGoalOf } from '@/core/model'
import { roundToTenth } from '@/core/units'
import { usePlan } from '../map/context'
import { inkOn, Read } from '../parts'
import { LINE } from '../theme'
import { WORDS } from '../words'
import { viewOf, type FormulaView } from './context'

const SEVERITY = { stop: 'error', caution: 'warning', note: 'info' } as const satisfies Record<
  Finding['severity'],
  string
>
const VERDICT = { cancels: 'cancels', mutes: 'only mutes', keeps: 'keeps' } as const
const ORDER = { stop: 0, caution: 1, note: 2 }

/** What a formula leaves on each canvas it goes on, and what speaks against it. */
export function OnHair({ id }: { id: string }) {
  const plan = usePlan((state) => state.document)
  const surfaces = usePlan((state) => state.judged?.surfaces[id])
  const formula = byId(plan.formulas, id)
  if (!surfaces) return null
  return <Surfaces view={viewOf(plan, formula, surfaces)} />
}

function Surfaces({ view: { formula, recipe, surfaces, use } }: { view: FormulaView }) {
  const findings = findingsOf(recipe, use, surfaces).sort((a, b) => ORDER[a.severity] - ORDER[b.severity])
  const light = isLightener(recipe.leading.kind)
  const goal = liftGoalOf(formula)
  return (
    <Box component="section" aria-label="On the hair" sx={{ mt: 3 }}>
      <Typography component="h2" sx={{ fontWeight: 600, mb: 1 }}>
        On the hair
      </Typography>
      {light && (
        <Typography color="textSecondary" sx={{ mb: 1 }}>
          Lifted to level {goal} the hair shows {underlyingPigment(goal).name}; {underlyingPigment(goal).cancelledBy}{' '}
          cancels it.
        </Typography>
      )}
      <Stack spacing={0}>
        {surfaces.map((surface) => {
          const before = labOfSurface(surface)
          const after = recipe.dye
            ? depositOn(surface, recipe.dye)
            : light && goal > surface.level
              ? { lab: exposedLab(goal), level: goal }
              : undefined
          const calm = neutralisedBy(recipe, surface)
          return (
            <Box
              key={surface.name}
              sx={{ display: 'flex', gap: 1.5, alignItems: 'center', py: 0.75, borderTop: LINE, flexWrap: 'wrap' }}
            >
              <Typography sx={{ flex: '1 1 190px', minWidth: 0 }}>
                <Read>{surface.name}</Read>
                {surface.white > 0.02 && `, ${Math.round(100 * surface.white)} % white`}
              </Typography>
              <Swatch hex={hexFromLab(before)} words={`level ${roundToTenth(surface.level)}`} />
              {after && (
                <>
                  <span aria-hidden>→</span>
                  <Swatch hex={hexFromLab(after.lab)} words={`level ${roundToTenth(after.level)}`} />
                </>
              )}
              <Typography variant="caption" color="textSecondary" sx={{ flex: '1 1 170px' }}>
                {calm
                  ? `${VERDICT[calm.verdict]} the ${calm.pigment.name}; ${calm.pigment.cancelledBy} is its opposite`
                  : light
                    ? after
                      ? 'as it is meant; the Clock will say when'
                      : 'light enough already'
                    : recipe.dye
                      ? ''
                      : 'no shade chosen yet'}
                {recipe.mixed?.level !== undefined && fillerWords(surface, recipe.mixed.level)}
              </Typography>
            </Box>
          )
        })}
      </Stack>
      <Typography variant="caption" color="textSecondary" sx={{ display: 'block', mt: 0.5 }}>
        Estimated from the swatches and the canvas as recorded; a strand test and daylight decide.
      </Typography>
      <Stack spacing={1} sx={{ mt: 1.5 }}>
        {findings.map(({ id: key, severity, text, surface }, i) => (
          <Alert key={`${key}-${i}`} severity={SEVERITY[severity]} variant="outlined">
            {surfaces.length > 1 && surface ? (
              <b>
                <Read>{surface}</Read>:{' '}
              </b>
            ) : null}
            <Read>{text}</Read>
          </Alert>
        ))}
      </Stack>
    </Box>
  )
}

function fillerWords(surface: Surface, level: number): string {
  const { needed, level: at, hue, reason } = fillerFor(surface, level)
  return needed ? ` · filler first: ${WORDS.hue[hue]} around level ${roundToTenth(at)}. ${reason}` : ''
}

export function Swatch({ hex, words }: { hex: string; words: string }) {
  return (
    <Box
      sx={{
        bgcolor: hex,
        color: inkOn(hex),
        border: LINE,
        borderRadius: 1,
        px: 1,
        minWidth: 84,
        minHeight: 36,
        display: 'grid',
        placeItems: 'center',
        fontSize: '0.85rem',
      }}
    >
      {words}
    </Box>
  )
}
