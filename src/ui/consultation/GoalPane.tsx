'use client'
import Alert from '@mui/material/Alert'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import MenuItem from '@mui/material/MenuItem'
import Stack from '@mui/material/Stack'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import { useMemo } from 'react'
import { hexFromLab, labOfHair } from '@/core/hair/colour'
import { checkGoal, CONTRAST_LEVELS, SCHOOL_MEANS, UPKEEP_WEEKS } from '@/core/judgement/feasibility'
import {
  CONTRASTS,
  FACE_FRAMES,
  LENGTH_REGIONS,
  LIMITS,
  MEANS,
  ROOT_WISHES,
  SCHOOLS,
  TONE_HUES,
  WARMTH_TOLERANCES,
  WHITE_WISHES,
  type Goal,
  type Limit,
  type Target,
  type Wear,
} from '@/core/model'
import { Choice, ListChoice, NumberField, Read } from '../parts'
import { LINE } from '../theme'
import { optionsOf, WORDS } from '../words'
import { useConsultation, useEntry } from './context'
import { VerdictCard } from './VerdictCard'

const grid = { display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(230px, 1fr))' } as const
const WEARS = ['straight', 'waved', 'tiedLow', 'tiedHigh'] as const satisfies readonly (keyof Wear)[]

/** The wish on the left, what is possible on the right. */
export function GoalPane() {
  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 440px' }, minHeight: 0, flex: 1 }}
    >
      <Stack spacing={2.5} sx={{ p: { xs: 1.5, md: 2 }, overflow: { md: 'auto' } }}>
        <Targets />
        <Figures />
        <Wearing />
        <MeansAndLimits />
      </Stack>
      <Box
        sx={{
          p: { xs: 1.5, md: 2 },
          borderLeft: { md: LINE },
          borderTop: { xs: LINE, md: 'none' },
          bgcolor: 'background.paper',
          overflow: { md: 'auto' },
        }}
      >
        <VerdictCard />
      </Box>
    </Box>
  )
}

/** The wish, what is wrong with it, and how it is changed. */
function useGoal() {
  const { store, writable } = useConsultation()
  const goal = useEntry((state) => state.entry.goal)
  const canvas = useEntry((state) => state.entry.canvas)
  const problems = useMemo(() => checkGoal(goal, canvas), [goal, canvas])
  return {
    goal,
    disabled: !writable,
    problemAt: (path: string) => problems.find((problem) => problem.path === path)?.message,
    set: (label: string, change: Partial<Goal>) =>
      store.edit(label, `goal/${Object.keys(change)[0]}`, (entry) => ({
        ...entry,
        goal: { ...entry.goal, ...change },
      })),
  }
}

/** Level and tone of the light pieces, and of the regions that differ. */
function Targets() {
  const { goal, disabled, problemAt, set } = useGoal()
  const { targets } = goal
  const free = LENGTH_REGIONS.filter((region) => !targets.some((target) => target.region === region))

  function change(i: number, part: Partial<Target>) {
    const { region, level } = targets[i]!
    set(`${WORDS.targetRegion[region]} ${part.level ?? level}`, {
      targets: targets.map((one, k) => (k === i ? { ...one, ...part } : one)),
    })
  }
  const remove = (i: number) =>
    set(`${WORDS.targetRegion[targets[i]!.region]} as the rest`, { targets: targets.filter((_, k) => k !== i) })

  return (
    <Box component="section" aria-labelledby="wish">
      <Typography id="wish" variant="h2" sx={{ mb: 1 }}>
        The light pieces
      </Typography>
      <Stack spacing={1.5}>
        {targets.map((target, i) => (
          <TargetRow
            key={target.region}
            target={target}
            problem={problemAt(`targets[${i}].level`)}
            off={disabled}
            onChange={(part) => change(i, part)}
            onRemove={target.region === 'all' ? undefined : () => remove(i)}
          />
        ))}
        {!disabled && free.length > 0 && (
          <ListChoice
            label="A region that differs"
            value=""
            options={optionsOf(free, WORDS.region)}
            sx={{ maxWidth: 260 }}
            onChange={(region) =>
              set(`${WORDS.region[region]} differs`, { targets: [...targets, { ...targets[0]!, region }] })
            }
          />
        )}
      </Stack>
    </Box>
  )
}

/** How much, how strong, and how the root and white hair are met. */
function Figures() {
  const { goal, disabled, set } = useGoal()
  const upkeep = UPKEEP_WEEKS[goal.root]
  const levels = CONTRAST_LEVELS[goal.contrast]
  return (
    <Box sx={grid}>
      <NumberField
        label="How much of the hair is light"
        value={goal.lightPercent}
        limit={LIMITS.lightPercent}
        step={5}
        disabled={disabled}
        onChange={(lightPercent) => set(`${lightPercent} % light`, { lightPercent })}
      />
      <Choice
        label={`Contrast (${levels.low}${levels.high < 9 ? `–${levels.high}` : ' or more'} levels)`}
        value={goal.contrast}
        options={optionsOf(CONTRASTS, WORDS.contrast)}
        disabled={disabled}
        onChange={(contrast) => set(`Contrast ${contrast}`, { contrast })}
      />
      <Choice
        label="Warmth"
        value={goal.warmth}
        options={optionsOf(WARMTH_TOLERANCES, WORDS.warmth)}
        disabled={disabled}
        onChange={(warmth) => set(`Warmth: ${warmth}`, { warmth })}
      />
      <Choice
        label="Face frame"
        value={goal.faceFrame}
        options={optionsOf(FACE_FRAMES, WORDS.faceFrame)}
        disabled={disabled}
        onChange={(faceFrame) => set(`Face frame ${faceFrame}`, { faceFrame })}
      />
      <Choice
        label={`Root (carries ${upkeep.low}–${upkeep.high} weeks)`}
        value={goal.root}
        options={optionsOf(ROOT_WISHES, WORDS.root)}
        disabled={disabled}
        onChange={(root) => set(`Root ${WORDS.root[root]}`, { root })}
      />
      <NumberField
        label="Shadow at the root"
        value={goal.shadowCm}
        limit={LIMITS.shadowCm}
        step={0.5}
        disabled={disabled}
        onChange={(shadowCm) => set(`Shadow ${shadowCm} cm`, { shadowCm })}
      />
      <Choice
        label="White hair"
        value={goal.white}
        options={optionsOf(WHITE_WISHES, WORDS.white)}
        disabled={disabled}
        onChange={(white) => set(`White: ${WORDS.white[white]}`, { white })}
      />
      <NumberField
        label="Comes back after"
        value={goal.upkeepWeeks}
        limit={LIMITS.upkeepWeeks}
        step={1}
        disabled={disabled}
        onChange={(upkeepWeeks) => set(`Back after ${upkeepWeeks} weeks`, { upkeepWeeks })}
      />
    </Box>
  )
}

function Wearing() {
  const { goal, disabled, problemAt, set } = useGoal()
  const problem = problemAt('wear')
  return (
    <Box component="section" aria-labelledby="wear">
      <Typography id="wear" variant="h2">
        How it is worn
      </Typography>
      <Typography variant="caption" color="textSecondary" component="p" sx={{ mb: 1 }}>
        Parts of the week; only the proportions count.
      </Typography>
      {problem && (
        <Alert severity="warning" sx={{ mb: 1 }}>
          {problem}
        </Alert>
      )}
      <Box sx={{ ...grid, gridTemplateColumns: 'repeat(auto-fit, minmax(170px, 1fr))' }}>
        {WEARS.map((way) => (
          <NumberField
            key={way}
            label={WORDS.wear[way]}
            value={Math.round(100 * goal.wear[way])}
            limit={LIMITS.percent}
            step={10}
            disabled={disabled}
            onChange={(percent) =>
              set(`Worn ${WORDS.wear[way]} ${percent} %`, { wear: { ...goal.wear, [way]: percent / 100 } })
            }
          />
        ))}
      </Box>
    </Box>
  )
}

const MONEY: Limit = { min: 0, max: 10_000, unit: '' }

function MeansAndLimits() {
  const { goal, disabled, set } = useGoal()
  return (
    <Box component="section" aria-labelledby="limits">
      <Typography id="limits" variant="h2" sx={{ mb: 1 }}>
        Means and limits
      </Typography>
      <Box sx={grid}>
        <Choice
          label="What may be used"
          value={goal.means}
          options={optionsOf(MEANS, WORDS.means)}
          disabled={disabled}
          onChange={(means) => set(`Means: ${WORDS.means[means]}`, { means })}
        />
        <Box>
          <Choice
            label="School on developer strength"
            value={goal.school}
            options={optionsOf(SCHOOLS, WORDS.school)}
            disabled={disabled}
            onChange={(school) => set(WORDS.school[school], { school })}
          />
          <Typography variant="caption" color="textSecondary">
            <Read>{SCHOOL_MEANS[goal.school].words}</Read>
          </Typography>
        </Box>
        <NumberField
          label="Wants to be lighter again in"
          value={goal.lighterInMonths}
          limit={LIMITS.lighterInMonths}
          step={1}
          help="Empty: no such plan."
          disabled={disabled}
          onChange={(lighterInMonths) => set(`Lighter in ${lighterInMonths} months`, { lighterInMonths })}
          onClear={() => set('No lighter plan', { lighterInMonths: undefined })}
        />
        <NumberField
          label="Most time for a visit"
          value={goal.timeLimitMinutes}
          limit={LIMITS.timeLimitMinutes}
          step={15}
          help="Empty: no limit."
          disabled={disabled}
          onChange={(timeLimitMinutes) => set(`At most ${timeLimitMinutes} min`, { timeLimitMinutes })}
          onClear={() => set('No time limit', { timeLimitMinutes: undefined })}
        />
        <NumberField
          label="Most money for a visit"
          value={goal.moneyLimitMinor === undefined ? undefined : goal.moneyLimitMinor / 100}
          limit={MONEY}
          step={10}
          help="In the salon’s currency. Empty: no limit."
          disabled={disabled}
          onChange={(money) => set(`At most ${money}`, { moneyLimitMinor: Math.round(money * 100) })}
          onClear={() => set('No money limit', { moneyLimitMinor: undefined })}
        />
      </Box>
    </Box>
  )
}

interface TargetProps {
  target: Target
  problem: string | undefined
  off: boolean
  onChange: (change: Partial<Target>) => void
  onRemove: (() => void) | undefined
}

function TargetRow({ target, problem, off, onChange, onRemove }: TargetProps) {
  const where = WORDS.targetRegion[target.region]
  return (
    <Box
      sx={{ display: 'grid', gap: 1, gridTemplateColumns: { xs: '1fr', sm: '40px 210px 1fr auto' }, alignItems: 'end' }}
    >
      <Box
        aria-hidden
        sx={{ width: 40, height: 44, border: LINE, alignSelf: 'end' }}
        style={{ backgroundColor: hexFromLab(labOfHair(target.level, target.hue, target.strength)) }}
      />
      <NumberField
        label={`${where}: level`}
        value={target.level}
        limit={LIMITS.targetLevel}
        step={0.5}
        problem={problem}
        disabled={off}
        onChange={(level) => onChange({ level })}
      />
      <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
        <TextField
          select
          size="small"
          label="Tone"
          value={target.hue}
          disabled={off}
          sx={{ minWidth: 130, flex: 1 }}
          slotProps={{ htmlInput: { 'aria-label': `${where}: tone` } }}
          onChange={({ target: { value } }) => onChange({ hue: value as Target['hue'] })}
        >
          {TONE_HUES.map((hue) => (
            <MenuItem key={hue} value={hue}>
              {WORDS.hue[hue]}
            </MenuItem>
          ))}
        </TextField>
        <TextField
          select
          size="small"
          label="Strength"
          value={nearest(target.strength)}
          disabled={off || target.hue === 'neutral'}
          sx={{ minWidth: 100 }}
          slotProps={{ htmlInput: { 'aria-label': `${where}: strength` } }}
          onChange={({ target: { value } }) => onChange({ strength: Number(value) })}
        >
          {STRENGTHS.map(([value, label]) => (
            <MenuItem key={value} value={value}>
              {label}
            </MenuItem>
          ))}
        </TextField>
      </Box>
      {onRemove && (
        <Button color="inherit" onClick={onRemove} disabled={off} aria-label={`${where}: as the rest`}>
          Remove
        </Button>
      )}
    </Box>
  )
}

const STRENGTHS = [
  [0.2, 'hint'],
  [0.4, 'soft'],
  [0.7, 'clear'],
  [1, 'full'],
] as const
const nearest = (strength: number): number =>
  STRENGTHS.reduce(
    (best, [value]) => (Math.abs(value - strength) < Math.abs(best - strength) ? value : best),
    0.2 as number,
  )
