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
  type Target,
  type Wear,
} from '@/core/model'
import { Choice, NumberField, Read } from '../parts'
import { LINE } from '../theme'
import { optionsOf, WORDS } from '../words'
import { useConsultation, useEntry } from './context'
import { VerdictCard } from './VerdictCard'

const grid = { display: 'grid', gap: 1.5, gridTemplateColumns: 'repeat(auto-fit, minmax(230px, 1fr))' } as const
const WEARS = ['straight', 'waved', 'tiedLow', 'tiedHigh'] as const satisfies readonly (keyof Wear)[]

/** The wish on the left, what is possible on the right. */
export function GoalPane() {
  const { store, writable } = useConsultation()
  const goal = useEntry((state) => state.entry.goal)
  const canvas = useEntry((state) => state.entry.canvas)
  const problems = useMemo(() => checkGoal(goal, canvas), [goal, canvas])
  const set = (label: string, change: Partial<Goal>) =>
    store.edit(label, `goal/${Object.keys(change)[0]}`, (entry) => ({ ...entry, goal: { ...entry.goal, ...change } }))
  const problemAt = (path: string) => problems.find((problem) => problem.path === path)?.message
  const off = !writable
  const free = LENGTH_REGIONS.filter((region) => !goal.targets.some((target) => target.region === region))
  const upkeep = UPKEEP_WEEKS[goal.root]
  const levels = CONTRAST_LEVELS[goal.contrast]

  return (
    <Box
      sx={{ display: 'grid', gridTemplateColumns: { xs: '1fr', md: 'minmax(0, 1fr) 440px' }, minHeight: 0, flex: 1 }}
    >
      <Stack spacing={2.5} sx={{ p: { xs: 1.5, md: 2 }, overflow: { md: 'auto' } }}>
        <Box component="section" aria-labelledby="wish">
          <Typography id="wish" variant="h2" sx={{ mb: 1 }}>
            The light pieces
          </Typography>
          <Stack spacing={1.5}>
            {goal.targets.map((target, i) => (
              <TargetRow
                key={target.region}
                target={target}
                problem={problemAt(`targets[${i}].level`)}
                off={off}
                onChange={(change) =>
                  set(`${WORDS.targetRegion[target.region]} ${change.level ?? target.level}`, {
                    targets: goal.targets.map((one, k) => (k === i ? { ...one, ...change } : one)),
                  })
                }
                onRemove={
                  target.region === 'all'
                    ? undefined
                    : () =>
                        set(`${WORDS.targetRegion[target.region]} as the rest`, {
                          targets: goal.targets.filter((_, k) => k !== i),
                        })
                }
              />
            ))}
            {writable && free.length > 0 && (
              <TextField
                select
                size="small"
                label="A region that differs"
                value=""
                sx={{ maxWidth: 260 }}
                onChange={({ target: { value } }) =>
                  set(`${WORDS.region[value as keyof typeof WORDS.region]} differs`, {
                    targets: [...goal.targets, { ...goal.targets[0]!, region: value as Target['region'] }],
                  })
                }
              >
                {free.map((region) => (
                  <MenuItem key={region} value={region}>
                    {WORDS.region[region]}
                  </MenuItem>
                ))}
              </TextField>
            )}
          </Stack>
        </Box>
        <Box sx={grid}>
          <NumberField
            label="How much of the hair is light"
            value={goal.lightPercent}
            limit={LIMITS.lightPercent}
            step={5}
            disabled={off}
            onChange={(lightPercent) => set(`${lightPercent} % light`, { lightPercent })}
          />
          <Choice
            label={`Contrast (${levels.low}${levels.high < 9 ? `–${levels.high}` : ' or more'} levels)`}
            value={goal.contrast}
            options={optionsOf(CONTRASTS, WORDS.contrast)}
            disabled={off}
            onChange={(contrast) => set(`Contrast ${contrast}`, { contrast })}
          />
          <Choice
            label="Warmth"
            value={goal.warmth}
            options={optionsOf(WARMTH_TOLERANCES, WORDS.warmth)}
            disabled={off}
            onChange={(warmth) => set(`Warmth: ${warmth}`, { warmth })}
          />
          <Choice
            label="Face frame"
            value={goal.faceFrame}
            options={optionsOf(FACE_FRAMES, WORDS.faceFrame)}
            disabled={off}
            onChange={(faceFrame) => set(`Face frame ${faceFrame}`, { faceFrame })}
          />
          <Choice
            label={`Root (carries ${upkeep.low}–${upkeep.high} weeks)`}
            value={goal.root}
            options={optionsOf(ROOT_WISHES, WORDS.root)}
            disabled={off}
            onChange={(root) => set(`Root ${WORDS.root[root]}`, { root })}
          />
          <NumberField
            label="Shadow at the root"
            value={goal.shadowCm}
            limit={LIMITS.shadowCm}
            step={0.5}
            disabled={off}
            onChange={(shadowCm) => set(`Shadow ${shadowCm} cm`, { shadowCm })}
          />
          <Choice
            label="White hair"
            value={goal.white}
            options={optionsOf(WHITE_WISHES, WORDS.white)}
            disabled={off}
            onChange={(white) => set(`White: ${WORDS.white[white]}`, { white })}
          />
          <NumberField
            label="Comes back after"
            value={goal.upkeepWeeks}
            limit={LIMITS.upkeepWeeks}
            step={1}
            disabled={off}
            onChange={(upkeepWeeks) => set(`Back after ${upkeepWeeks} weeks`, { upkeepWeeks })}
          />
        </Box>
        <Box component="section" aria-labelledby="wear">
          <Typography id="wear" variant="h2">
            How it is worn
          </Typography>
          <Typography variant="caption" color="textSecondary" component="p" sx={{ mb: 1 }}>
            Parts of the week; only the proportions count.
          </Typography>
          {problemAt('wear') && (
            <Alert severity="warning" sx={{ mb: 1 }}>
              {problemAt('wear')}
            </Alert>
          )}
          <Box sx={{ ...grid, gridTemplateColumns: 'repeat(auto-fit, minmax(170px, 1fr))' }}>
            {WEARS.map((way) => (
              <NumberField
                key={way}
                label={WORDS.wear[way]}
                value={Math.round(100 * goal.wear[way])}
                limit={{ min: 0, max: 100, unit: '%' }}
                step={10}
                disabled={off}
                onChange={(percent) =>
                  set(`Worn ${WORDS.wear[way]} ${percent} %`, { wear: { ...goal.wear, [way]: percent / 100 } })
                }
              />
            ))}
          </Box>
        </Box>
        <Box component="section" aria-labelledby="limits">
          <Typography id="limits" variant="h2" sx={{ mb: 1 }}>
            Means and limits
          </Typography>
          <Box sx={grid}>
            <Choice
              label="What may be used"
              value={goal.means}
              options={optionsOf(MEANS, WORDS.means)}
              disabled={off}
              onChange={(means) => set(`Means: ${WORDS.means[means]}`, { means })}
            />
            <Box>
              <Choice
                label="School on developer strength"
                value={goal.school}
                options={optionsOf(SCHOOLS, WORDS.school)}
                disabled={off}
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
              disabled={off}
              onChange={(lighterInMonths) => set(`Lighter in ${lighterInMonths} months`, { lighterInMonths })}
              onClear={() => set('No lighter plan', { lighterInMonths: undefined })}
            />
            <NumberField
              label="Most time for a visit"
              value={goal.timeLimitMinutes}
              limit={LIMITS.timeLimitMinutes}
              step={15}
              help="Empty: no limit."
              disabled={off}
              onChange={(timeLimitMinutes) => set(`At most ${timeLimitMinutes} min`, { timeLimitMinutes })}
              onClear={() => set('No time limit', { timeLimitMinutes: undefined })}
            />
            <NumberField
              label="Most money for a visit"
              value={goal.moneyLimitMinor === undefined ? undefined : goal.moneyLimitMinor / 100}
              limit={{ min: 0, max: 10_000, unit: '' }}
              step={10}
              help="In the salon’s currency. Empty: no limit."
              disabled={off}
              onChange={(money) => set(`At most ${money}`, { moneyLimitMinor: Math.round(money * 100) })}
              onClear={() => set('No money limit', { moneyLimitMinor: undefined })}
            />
          </Box>
        </Box>
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
