import fc from 'fast-check'
import type { Skill } from '../../model'
import {
  exactSchedule,
  findSchedule,
  prepare,
  searchSchedule,
  timed,
  timedWithin,
  type Decision,
  type Lag,
  type Person,
  type Prepared,
  type Problem,
  type Task,
} from '.'

const everyone: Skill[] = ['colour', 'mix', 'rinse', 'dry']
const person = (id: string, skills: Skill[] = everyone, rest: Partial<Person> = {}): Person => ({
  id,
  name: id,
  skills,
  ...rest,
})
const task = (id: string, seconds: number, rest: Partial<Task> = {}): Task => ({
  id,
  seconds,
  skill: 'colour',
  ...rest,
})
const problem = (tasks: Task[], lags: Lag[], people = [person('one')]): Problem => ({
  tasks,
  lags,
  people,
  resources: { basin: 1, dryer: 1 },
})
const then = (from: Task, to: Task, most?: number): Lag => ({
  from: from.id,
  to: to.id,
  least: from.seconds,
  ...(most !== undefined && { most }),
})

/** Any small problem: a few tasks, some of which follow others within a window. */
const anyProblem = (most: number, crew = 2): fc.Arbitrary<Problem> =>
  fc
    .record({
      seconds: fc.array(fc.integer({ min: 1, max: 20 }), { minLength: 2, maxLength: most }),
      skills: fc.array(fc.constantFrom<Skill>('colour', 'rinse'), { minLength: most, maxLength: most }),
      basins: fc.array(fc.boolean(), { minLength: most, maxLength: most }),
      lags: fc.array(
        fc.record({
          from: fc.nat(most - 1),
          to: fc.nat(most - 1),
          wait: fc.nat(15),
          window: fc.option(fc.integer({ min: 0, max: 40 })),
          ideal: fc.option(fc.nat(25)),
        }),
        { maxLength: 5 },
      ),
      people: fc.integer({ min: 1, max: crew }),
    })
    .map(({ seconds, skills, basins, lags, people }) => {
      const tasks = seconds.map((one, i) =>
        task(`t${i}`, one, { skill: skills[i]!, ...(basins[i] && { resource: 'basin' as const }) }),
      )
      return problem(
        tasks,
        lags
          .filter(({ from, to }) => from < to && to < tasks.length)
          .map(({ from, to, wait, window, ideal }) => {
            const least = seconds[from]! + wait
            return {
              from: `t${from}`,
              to: `t${to}`,
              least,
              ...(window !== null && { most: least + window }),
              ...(ideal !== null && { ideal: least + ideal }),
            }
          }),
        [person('one'), person('two', ['rinse'])].slice(0, people),
      )
    })

/** The best of every order and every person, tried without thought. */
function byBruteForce(prepared: Prepared): number {
  const { tasks, able, before } = prepared
  let best = Infinity
  const decisions: Decision[] = []
  const visit = (left: number[]) => {
    if (left.length === 0) best = Math.min(best, timed(prepared, decisions).cost)
    for (const one of left) {
      if (before[one]!.some(({ task: earlier }) => left.includes(earlier))) continue
      for (const who of able[one]!) {
        decisions.push({ task: one, person: who })
        visit(left.filter((other) => other !== one))
        decisions.pop()
      }
    }
  }
  visit([...tasks.keys()])
  return best
}

describe('finding a schedule', () => {
  it('gives what trying everything gives, on up to seven tasks', () => {
    fc.assert(
      fc.property(anyProblem(5), (one) => {
        const prepared = prepare(one)
        expect(findSchedule(prepared).cost).toBe(byBruteForce(prepared))
      }),
      { numRuns: 60 },
    )
    fc.assert(
      fc.property(anyProblem(7, 1), (one) => {
        const prepared = prepare(one)
        expect(exactSchedule(prepared).cost).toBe(byBruteForce(prepared))
      }),
      { numRuns: 12 },
    )
  })

  it('gives up on an order only where it costs more than matters', () => {
    const inTurn = ({ tasks, able }: Prepared): Decision[] => tasks.map((_, i) => ({ task: i, person: able[i]![0]! }))
    let [givenUp, late] = [0, 0]
    for (const prepared of fc.sample(anyProblem(7), 400).map(prepare)) {
      const whole = timed(prepared, inTurn(prepared))
      expect(timedWithin(prepared, inTurn(prepared), { most: whole.cost })).toEqual(whole)
      if (whole.violation === 0) continue
      late++
      const within = timedWithin(prepared, inTurn(prepared), { most: whole.finish })
      if (!within) givenUp++
      else expect(within).toEqual(whole)
    }
    expect(late).toBeGreaterThan(20)
    expect(givenUp).toBe(late)
  })

  it('comes within a few per cent of the best without trying everything', () => {
    // A single one may stay in a dead end that two moves at once would leave; such small ones are searched through
    // instead.
    const problems = fc.sample(anyProblem(6), 60).map(prepare)
    const sum = (costOf: (one: Prepared) => number) => problems.reduce((total, one) => total + costOf(one), 0)
    expect(sum((one) => searchSchedule(one).cost)).toBeLessThanOrEqual(1.03 * sum((one) => exactSchedule(one).cost))
  })

  it('never gives one person or one basin two things at once, and keeps every least time; longest ones too unless it says so', () => {
    fc.assert(
      fc.property(anyProblem(12), (one) => {
        const { starts, people, violation } = findSchedule(prepare(one))
        const at = new Map(one.tasks.map(({ id }, i) => [id, starts[i]!]))
        one.tasks.forEach((a, i) =>
          one.tasks.forEach((b, k) => {
            if (i >= k || (people[i] !== people[k] && !(a.resource && a.resource === b.resource))) return
            const apart = starts[i]! + a.seconds <= starts[k]! + 1e-5 || starts[k]! + b.seconds <= starts[i]! + 1e-5
            expect(apart).toBe(true)
          }),
        )
        one.tasks.forEach(({ skill }, i) => expect(one.people[people[i]!]!.skills).toContain(skill))
        let passed = 0
        for (const { from, to, least, most = Infinity } of one.lags) {
          const lag = at.get(to)! - at.get(from)!
          expect(lag).toBeGreaterThanOrEqual(least - 1e-5)
          passed += Math.max(0, lag - most)
        }
        expect(passed).toBeCloseTo(violation, 3)
      }),
      { numRuns: 60 },
    )
  })

  it('is never longer with one more pair of hands, on what is solved exactly', () => {
    fc.assert(
      fc.property(anyProblem(6, 1), (one) => {
        const more = { ...one, people: [...one.people, person('more')] }
        expect(exactSchedule(prepare(more)).cost).toBeLessThanOrEqual(exactSchedule(prepare(one)).cost)
      }),
      { numRuns: 30 },
    )
  })
})

/**
 * A textbook network (P13): A 3, B 4 and C 2 after A, D 5 after B, E 1 after C, F 2 after D and E; critical path
 * A–B–D–F, 14.
 */
describe('a textbook network', () => {
  const [a, b, c, d, e, f] = [
    task('A', 3),
    task('B', 4),
    task('C', 2),
    task('D', 5),
    task('E', 1),
    task('F', 2),
  ] as const
  const tasks = [a, b, c, d, e, f]
  const lags = [then(a, b), then(a, c), then(b, d), then(c, e), then(d, f), then(e, f)]

  it('takes its critical path with enough hands, and the sum of its work with two', () => {
    expect(findSchedule(prepare(problem(tasks, lags, [person('one'), person('two')]))).finish).toBe(14)
    expect(findSchedule(prepare(problem(tasks, lags))).finish).toBe(17)
  })
})

describe('longest times', () => {
  const [on, other, off] = [task('on', 10), task('other', 30), task('off', 5)] as const

  it('make an earlier task begin later rather than be passed', () => {
    const { starts, violation } = findSchedule(
      prepare(problem([on, other, off], [then(on, off, 20), then(other, off)])),
    )
    expect(violation).toBe(0)
    expect(starts[2]! - starts[0]!).toBeLessThanOrEqual(20)
  })

  it('are passed, and told, only where nothing keeps them', () => {
    const within = problem(
      [on, other, off],
      [then(on, other), then(other, off), { from: 'on', to: 'off', least: 0, most: 25 }],
    )
    expect(findSchedule(prepare(within)).violation).toBe(15)
  })

  it('let ideals give way, evenly, before they are passed', () => {
    const lags: Lag[] = [
      { from: 'on', to: 'off', least: 10, ideal: 60, most: 60 },
      { from: 'other', to: 'off', least: 30, most: 40 },
      then(on, other, 12),
    ]
    const { starts, violation } = findSchedule(prepare(problem([on, other, off], lags)))
    expect(violation).toBe(0)
    expect(starts[2]! - starts[0]!).toBeGreaterThan(40)
  })
})

it('keeps hours, releases and the number of basins', () => {
  const basin = { resource: 'basin' as const }
  const [first, second] = [task('first', 10, basin), task('second', 10, { ...basin, release: 3 })]
  const both = problem([first, second], [], [person('one'), person('two', everyone, { from: 4 })])
  expect(findSchedule(prepare(both)).finish).toBe(20)
  expect(findSchedule(prepare({ ...both, resources: { basin: 2, dryer: 1 } })).finish).toBe(14)
})

it('says what it cannot do', () => {
  expect(() => prepare(problem([task('on', 1)], [], [person('one', ['mix'])]))).toThrow(
    'Nobody here can do on: it takes someone who can colour.',
  )
  expect(() => prepare(problem([task('on', 1)], [{ from: 'on', to: 'gone', least: 0 }]))).toThrow(/gone/)
})
