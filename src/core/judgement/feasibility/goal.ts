import type { Canvas, Goal, HairState } from '../../model'
import { strandLevel } from './assess'
import { strandsOf } from '../../hair/hairRecord'
import { UNSEEN_LEVELS } from './constants'

/** What is wrong with a goal, at a path such as `targets[1].level`. */
export interface GoalProblem {
  path: string
  message: string
}

/**
 * What a consultation begins with, for the wish to be made from: subtle, rooted, three levels lighter. Our estimate of
 * the most usual one.
 */
export const startingGoal = ({ naturalLevel }: Pick<HairState, 'naturalLevel'>): Goal => ({
  targets: [{ region: 'all', level: Math.min(10, naturalLevel + 3), hue: 'beige', strength: 0.3 }],
  warmth: 'some',
  contrast: 'subtle',
  lightPercent: 30,
  faceFrame: 'soft',
  root: 'rooted',
  shadowCm: 2,
  white: 'keep',
  wear: { straight: 0.5, waved: 0.5, tiedLow: 0, tiedHigh: 0 },
  upkeepWeeks: 8,
  means: 'open',
  school: 'lowAndSlow',
})

/**
 * Checks what no single field can tell: one wish a region, one for all of them, no wish that the allowed means cannot
 * meet.
 */
export function checkGoal(goal: Goal, canvas?: Canvas): GoalProblem[] {
  const problems: GoalProblem[] = []
  const regions = goal.targets.map(({ region }) => region)
  if (!regions.includes('all'))
    problems.push({
      path: 'targets',
      message: 'Say first what is wanted for the whole head, then where a region differs.',
    })
  regions.forEach((region, i) => {
    if (regions.indexOf(region) < i)
      problems.push({
        path: `targets[${i}].region`,
        message: 'This region has a wish already. Change that one, or remove one of them.',
      })
  })
  const { straight, waved, tiedLow, tiedHigh } = goal.wear
  if (straight + waved + tiedLow + tiedHigh <= 0)
    problems.push({ path: 'wear', message: 'Say how the hair is worn: at least one way has to count.' })
  if (canvas && goal.means === 'depositOnly')
    goal.targets.forEach(({ region, level }, i) => {
      const lightest = Math.max(...strandsOf(canvas, region).map(({ strand }) => strandLevel(strand)))
      if (level > lightest + UNSEEN_LEVELS)
        problems.push({
          path: `targets[${i}].level`,
          message: `Deposit alone never lightens: this hair is at level ${Math.round(lightest * 4) / 4} at its lightest. Choose that or deeper, or allow lightener.`,
        })
    })
  return problems
}
