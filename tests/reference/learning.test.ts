import jstat from 'jstat'
import { learnFactors, SPREADS, type Job } from '@/core/record/learning'

const { jStat } = jstat

/**
 * The updating formulas against a statistics package: the posterior of two colourists of one salon by summing over a
 * grid of normal densities (jStat 1.9.6, `normal.pdf`), instead of by formula.
 */
const RATIOS = { oriel: [1.1, 1.22, 1.16, 1.08], bram: [0.95, 1.03] }
const jobs: Job[] = Object.entries(RATIOS).flatMap(([who, ratios]) =>
  ratios.map((ratio, i) => ({
    id: `${who} ${i}`,
    visitId: `${i}`,
    on: '2026-01-01',
    who,
    of: 'load' as const,
    context: 'gloss',
    planned: 40,
    actual: 40 * ratio,
  })),
)

it('comes to the posterior mean and range that sums of densities come to', () => {
  const learned = learnFactors(jobs)
  const { salon, person } = SPREADS.load
  // The spread of single jobs is learned as well; the peer is given the one that was found.
  const spread = Math.sqrt(Math.log1p(learned[0]!.spread ** 2))
  const grid = Array.from({ length: 801 }, (_, i) => -0.8 + i / 500)
  const pdf = (x: number, mean: number, sd: number) => jStat.normal.pdf(x, mean, sd)
  const likelihood = (who: keyof typeof RATIOS, own: number) =>
    RATIOS[who].reduce((product, ratio) => product * pdf(Math.log(ratio), own, spread), 1)
  for (const who of ['oriel', 'bram'] as const) {
    const other = who === 'oriel' ? 'bram' : 'oriel'
    const seen = grid.map((own) => likelihood(who, own))
    const others = grid.map((own) => likelihood(other, own))
    const ofSalon = grid.map(
      (mean) => pdf(mean, 0, salon) * grid.reduce((sum, own, i) => sum + others[i]! * pdf(own, mean, person), 0),
    )
    const density = grid.map(
      (own, i) => seen[i]! * grid.reduce((sum, mean, k) => sum + ofSalon[k]! * pdf(own, mean, person), 0),
    )
    const total = jStat.sum(density)
    const mean = jStat.sum(density.map((value, i) => value * grid[i]!)) / total
    const sd = Math.sqrt(jStat.sum(density.map((value, i) => value * (grid[i]! - mean) ** 2)) / total)
    const factor = learned.find((one) => one.who === who)!
    expect(Math.log(factor.mean)).toBeCloseTo(mean, 4)
    expect(Math.log(factor.high)).toBeCloseTo(mean + jStat.normal.inv(0.9, 0, 1) * sd, 4)
    expect(Math.log(factor.low)).toBeCloseTo(mean - jStat.normal.inv(0.9, 0, 1) * sd, 4)
  }
})
