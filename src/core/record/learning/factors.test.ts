import { chance } from '../../numeric'
import { courseOf, learnFactors, SPREADS, type FactorName, type Job } from '.'

const job = (actual: number, changes: Partial<Job> = {}): Job => ({
  id: `${actual}`,
  visitId: 'v',
  on: '2026-01-01',
  who: 'oriel',
  of: 'load',
  context: 'powderLightener',
  planned: 100,
  actual,
  ...changes,
})
const one = (jobs: readonly Job[]) => learnFactors(jobs)[0]!

/** A colourist with a hidden factor works so many jobs. */
function worked(draw: ReturnType<typeof chance>, of: FactorName, hidden: number, count: number, who = 'oriel'): Job[] {
  return Array.from({ length: count }, (_, i) => {
    const planned = 20 + 100 * draw.even()
    return job(planned * hidden * Math.exp(SPREADS[of].job * draw.normal()), { id: `${who} ${i}`, of, planned, who })
  })
}
const hiddenFactor = (draw: ReturnType<typeof chance>, of: FactorName): number =>
  Math.exp(Math.hypot(SPREADS[of].salon, SPREADS[of].person) * draw.normal())

describe('what is learned', () => {
  it('is nothing where nothing was logged', () => {
    expect(learnFactors([])).toEqual([])
    expect(learnFactors([job(0), job(NaN), job(50, { planned: 0 })])).toEqual([])
  })

  it.each(['load', 'pace', 'lift', 'mixed'] as const)(
    'holds the hidden factor of %s in 80 of 100 colourists, whatever they have worked',
    (of) => {
      for (const count of [1, 4, 10]) {
        const draw = chance(7 * count + of.length)
        const runs = 1000
        let held = 0
        for (let run = 0; run < runs; run++) {
          const hidden = hiddenFactor(draw, of)
          const { low, high } = one(worked(draw, of, hidden, count))
          if (hidden >= low && hidden <= high) held++
        }
        expect(held / runs).toBeGreaterThan(0.75)
        expect(held / runs).toBeLessThan(0.85)
      }
    },
  )

  it('covers 80 of 100 new jobs within 5, with the spread of single jobs about the factor', () => {
    const draw = chance(99)
    let held = 0
    const runs = 2000
    for (let run = 0; run < runs; run++) {
      const hidden = hiddenFactor(draw, 'load')
      const { mean, low, high, spread } = one(worked(draw, 'load', hidden, 8))
      const [next] = worked(draw, 'load', hidden, 1)
      const own = Math.log(high / low) / 2
      const half = Math.hypot(own, 1.2816 * Math.sqrt(Math.log1p(spread * spread)))
      if (Math.abs(Math.log(next!.actual / next!.planned / mean)) <= half) held++
    }
    expect(held / runs).toBeGreaterThan(0.75)
    expect(held / runs).toBeLessThan(0.85)
  })

  it('halves the mean error of grams at least after ten visits', () => {
    const draw = chance(5)
    let [taught, untaught] = [0, 0]
    for (let run = 0; run < 500; run++) {
      const hidden = hiddenFactor(draw, 'load')
      taught += Math.abs(one(worked(draw, 'load', hidden, 10)).mean - hidden)
      untaught += Math.abs(1 - hidden)
    }
    expect(taught).toBeLessThan(untaught / 2)
  })

  it('moves little by few jobs and much by many', () => {
    const factorAfter = (count: number) => one(Array.from({ length: count }, (_, i) => job(150, { id: `${i}` }))).mean
    expect(factorAfter(1)).toBeLessThan(1.3)
    expect(factorAfter(1)).toBeGreaterThan(1.1)
    expect(factorAfter(40)).toBeGreaterThan(1.47)
    expect(factorAfter(40)).toBeLessThan(1.5)
    const [few, many] = [one([job(150)]), one(Array.from({ length: 40 }, () => job(150)))]
    expect(many.high / many.low).toBeLessThan(few.high / few.low)
  })

  it('is moved less than 5 % by one job that is ten times off, also where it is the only one', () => {
    const draw = chance(11)
    for (let run = 0; run < 60; run++) {
      const jobs = worked(draw, 'load', hiddenFactor(draw, 'load'), run % 12)
      const before = jobs.length === 0 ? 1 : one(jobs).mean
      for (const actual of [1000, 10]) {
        const { mean, jobs: weighed } = one([...jobs, job(actual)])
        expect(Math.abs(mean / before - 1)).toBeLessThan(0.05)
        expect(weighed.at(-1)!.weight).toBeLessThan(0.1)
      }
    }
  })

  it('shows what each job counted', () => {
    const { jobs } = one([job(100), job(104), job(96), job(400)])
    expect(jobs.slice(0, 3).map(({ weight }) => weight)).toEqual([1, 1, 1])
    expect(jobs[3]!.weight).toBeLessThan(0.2)
  })

  it('carries nothing from one context or figure to another, and something from colleague to colleague', () => {
    const many = Array.from({ length: 20 }, (_, i) => job(150, { id: `${i}` }))
    const gloss = job(100, { context: 'gloss' })
    const pace = job(100, { of: 'pace' })
    const learned = learnFactors([...many, gloss, pace])
    expect(learned).toHaveLength(3)
    expect(learned.filter(({ mean }) => Math.abs(mean - 1) < 1e-9)).toHaveLength(2)
    const beside = (jobs: readonly Job[]) => learnFactors(jobs).find(({ who }) => who === 'bram')!
    const bram = [job(100, { who: 'bram' })]
    expect(beside([...many, ...bram]).mean).toBeGreaterThan(beside(bram).mean)
    expect(beside([...many, ...bram]).mean).toBeLessThan(one(many).mean)
  })

  it('does not depend on the order of the jobs', () => {
    const jobs = worked(chance(3), 'pace', 1.3, 9).concat(worked(chance(4), 'pace', 0.8, 5, 'bram'))
    const means = (all: readonly Job[]) => new Map(learnFactors(all).map(({ who, mean }) => [who, mean]))
    const back = means([...jobs].reverse())
    for (const [who, mean] of means(jobs)) expect(back.get(who)).toBeCloseTo(mean, 9)
  })
})

describe('how a factor came to be', () => {
  const days = ['2026-01-01', '2026-02-01', '2026-02-01', '2026-03-01']
  const jobs = days.map((on, i) => job(80 + i, { id: `${i}`, on }))

  it('ends where it stands now, and began with the first day alone', () => {
    const course = courseOf(jobs, 'oriel', 10)
    expect(course.map(({ on }) => on)).toEqual(['2026-01-01', '2026-02-01', '2026-03-01'])
    const { mean, low, high } = one(jobs)
    expect(course.at(-1)).toEqual({ on: '2026-03-01', mean, low, high })
    expect(course[0]!.mean).toBe(one(jobs.slice(0, 1)).mean)
    expect(course[0]!.high - course[0]!.low).toBeGreaterThan(course[2]!.high - course[2]!.low)
  })

  it('has the newest days only, and only those with a job of hers', () => {
    const others = [...jobs, job(120, { id: 'x', who: 'bram', on: '2026-04-01' })]
    expect(courseOf(others, 'oriel', 2).map(({ on }) => on)).toEqual(['2026-02-01', '2026-03-01'])
    expect(courseOf(others, 'bram', 2)).toHaveLength(1)
    expect(courseOf([], 'oriel', 2)).toEqual([])
    expect(courseOf([job(0)], 'oriel', 2)).toEqual([])
  })
})
