import { createHead } from '../../scalp/head'
import { computeStages } from '../../../../tests/support/planner'
import { band } from '../../../../tests/support/canvas'
import { planWith, type Wanted } from '../../../../tests/support/plan'
import type { Band, FragileArea, ProductRules } from '../../model'
import type { Piece } from '../../placement/foils'
import { createProcess, middleOf, stayOf, type MetHair, type PieceTimes } from '.'

/** A visit of one formula on the whole head: its pieces, and what becomes of them. */
function serviceWith(wanted: Wanted = {}, met?: readonly MetHair[], change?: (plan: Plan) => void) {
  const plan = planWith(wanted)
  change?.(plan)
  const head = createHead(plan.head)
  return { head, pieces: computeStages(plan).pieces, process: createProcess(plan, head, met && (() => met)) }
}
type Plan = ReturnType<typeof planWith>

const TIMES: PieceTimes = { on: 5, off: 30, bowlAgeMinutes: 5, vol: 20 }
const hairOf = (level: number, share: number): MetHair => ({ bands: [band(0, 40, { level })], share })
const coloured = (kind: 'permanentColour' | 'gloss' | 'treatment') => (plan: Plan) => {
  plan.products[0] = { id: 'powder', name: 'Colour', kind, maximumMinutes: 45 }
  plan.formulas[0]!.level = 4
}

describe('where along a strand a piece is looked at', () => {
  it('is just inside both ends of the stretch that gets product, and in its middle', () => {
    const { pieces, process } = serviceWith({ placement: { startCm: 2 } })
    for (const piece of pieces.slice(0, 3)) {
      const toCm = Math.min(piece.toCm, piece.hairLength)
      const shares = process
        .after(piece, TIMES)
        .map(({ distanceCm }) => (distanceCm - piece.fromCm) / (toCm - piece.fromCm))
      expect(shares.map((share) => Math.round(100 * share))).toEqual([5, 50, 95])
    }
  })

  it('meets the band that grows there, and the last one beyond the end of what is recorded', () => {
    const met = [{ bands: [band(0, 10, { level: 4 }), band(10, 15, { level: 7 })], share: 1 }]
    const { pieces, process } = serviceWith({ hair: { naturalLevel: 4 } }, met)
    const [scalpEnd, , ends] = process.after(pieces[0]!, { ...TIMES, off: TIMES.on })
    expect([scalpEnd!.level.expected, ends!.level.expected]).toEqual([4, 7])
  })
})

describe('hair that breaks easily', () => {
  const strains = (
    fragile: FragileArea[],
    pick: (service: ReturnType<typeof serviceWith>) => Piece | undefined,
    integrity: Band['integrity'] = 'sound',
  ) => {
    const service = serviceWith({ hair: { fragile } }, [{ bands: [band(0, 40, { integrity })], share: 1 }])
    return service.process.after(pick(service)!, TIMES).map(({ strain }) => strain)
  }
  const first = ({ pieces }: ReturnType<typeof serviceWith>) => pieces[0]
  const nearest =
    (test: (place: ReturnType<typeof middleOf>) => number) =>
    ({ pieces, head }: ReturnType<typeof serviceWith>) =>
      [...pieces].sort((a, b) => test(middleOf(head, a)) - test(middleOf(head, b)))[0]
  const places: Record<Exclude<FragileArea, 'ends'>, Parameters<typeof strains>[1]> = {
    nape: nearest(({ s, psi }) => Math.PI - Math.abs(psi) - 2 * s),
    hairline: nearest(({ s }) => -s),
    temples: nearest(({ s, psi }) => Math.abs(1.2 - Math.abs(psi)) - 2 * s),
  }

  it.each(Object.entries(places))(
    'is strained more at the %s where that is fragile, along all of it',
    (where, pick) => {
      const [sound, fragile] = [strains([], pick), strains([where as FragileArea], pick)]
      fragile.forEach((strain, i) => expect(strain).toBeGreaterThan(1.2 * sound[i]!))
    },
  )

  it('is not strained more elsewhere, nor at the root where only the ends are fragile', () => {
    const crown = nearest(({ s }) => s)
    expect(strains(['nape', 'hairline', 'temples'], crown)).toEqual(strains([], crown))
    const [sound, ends] = [strains([], first), strains(['ends'], first)]
    expect(ends.slice(0, 2)).toEqual(sound.slice(0, 2))
    expect(ends[2]!).toBeGreaterThan(1.2 * sound[2]!)
  })

  it('stays as bad as it is where it is worse than fragile', () => {
    expect(strains(['ends'], first, 'breaking')).toEqual(strains([], first, 'breaking'))
    expect(strains([], first, 'breaking')[0]!).toBeGreaterThan(strains([], first, 'fragile')[0]!)
  })
})

describe('what is mixed', () => {
  it('has its peroxide in proportion to the developer that is really in it', () => {
    const { pieces, process } = serviceWith()
    const peroxide = (vol: number) => process.course(pieces[0]!, 0, vol).peroxidePercent
    // 20 vol is 6 %, and half of a mix of 1 : 2 is thinned to two thirds of it.
    expect(peroxide(20)).toBeCloseTo(4, 1)
    expect(peroxide(10) / peroxide(20)).toBeCloseTo(0.5, 12)
    expect(process.after(pieces[0]!, { ...TIMES, vol: 40 })[1]!.level.expected).toBeGreaterThan(
      process.after(pieces[0]!, TIMES)[1]!.level.expected,
    )
  })

  it('lifts by what its label says at most, and by what is usual where it says nothing', () => {
    const lifted = (maximumLift: number) => {
      const { pieces, process } = serviceWith({ hair: { naturalLevel: 2 } }, undefined, (plan) => {
        plan.products[0]!.rules = { ...RULES, maximumLift }
        plan.products[0]!.maximumMinutes = 600
      })
      return process.levelAtFullStrength(pieces[0]!, 20, 600) - 2
    }
    expect(lifted(3)).toBeCloseTo(3, 1)
    expect(lifted(0)).toBeGreaterThan(6)
  })
})

const RULES: ProductRules = {
  ratios: [2],
  developerMinVol: 5,
  developerMaxVol: 40,
  workingLifeMinutes: 45,
  minimumMinutes: 0,
  maximumLift: 0,
  heat: true,
  onScalp: true,
  damp: false,
}

describe('colour and care', () => {
  it('colour sits as long as is usual within its label, gets there then and stays as it is in no time', () => {
    const { pieces, process } = serviceWith({ hair: { naturalLevel: 7 } }, undefined, coloured('permanentColour'))
    const [piece] = pieces
    expect(process.stay(piece!, 5, 20)).toEqual({ least: 35, ready: 35, most: 45, short: false, again: [] })
    const level = (minutes: number, meantMinutes?: number) =>
      process.after(piece!, { ...TIMES, off: TIMES.on + minutes, meantMinutes })[1]!.level
    expect(level(0).expected).toBe(7)
    expect(level(17).expected).toBeLessThan(7)
    expect(level(17).expected).toBeGreaterThan(level(35).expected)
    expect(level(35).expected).toBeLessThan(4.5)
    // A label's longest time ends what it does; a shorter time that is meant is all of it.
    expect(level(90)).toEqual(level(45))
    expect(level(17, 17).expected).toBeCloseTo(level(35).expected, 6)
  })

  it('care does nothing to the level', () => {
    const { pieces, process } = serviceWith({ hair: { naturalLevel: 7 } }, undefined, coloured('treatment'))
    expect(process.after(pieces[0]!, TIMES).map(({ level }) => level)).toEqual(
      Array(3).fill({ low: 7, expected: 7, high: 7 }),
    )
  })

  it.each([
    ['the label’s least', { kind: 'gloss' as const, maximumMinutes: 20, rules: { minimumMinutes: 5 } }, 5, 20],
    ['what is usual where the label says none', { kind: 'gloss' as const, maximumMinutes: 30 }, 20, 30],
    ['not past the label’s longest', { kind: 'permanentColour' as const, maximumMinutes: 25 }, 25, 25],
    ['ten minutes where it is lightener', { kind: 'powderLightener' as const, maximumMinutes: 50 }, 10, 50],
  ])('stays for %s', (_what, product, least, most) => {
    expect(stayOf(product)).toEqual({ least, most })
  })
})

describe('several kinds of hair in one piece', () => {
  it('are weighed by how much there is of each', () => {
    const level = (...met: MetHair[]) => {
      const { pieces, process } = serviceWith({ hair: { naturalLevel: 4 } }, met)
      return process.after(pieces[0]!, TIMES)[1]!.level.expected
    }
    const [dark, light] = [level(hairOf(4, 1)), level(hairOf(6, 1))]
    expect(level(hairOf(4, 0.6), hairOf(6, 0.2))).toBeCloseTo(0.75 * dark + 0.25 * light, 9)
  })

  it('decide together how long it stays, but for what is rare', () => {
    const ready = (...met: MetHair[]) => {
      const { pieces, process } = serviceWith({ hair: { naturalLevel: 4 } }, met, (plan) => {
        plan.formulas[0]!.level = 7
      })
      return process.stay(pieces[0]!, 5, 20).ready
    }
    const [dark, light] = [ready(hairOf(4, 1)), ready(hairOf(6, 1))]
    expect(dark).toBeGreaterThan(light)
    expect(ready(hairOf(6, 0.8), hairOf(4, 0.2))).toBe(dark)
    expect(ready(hairOf(6, 0.9), hairOf(4, 0.1))).toBe(light)
    // The commonest always decides.
    expect(ready(hairOf(4, 0.1), hairOf(6, 0.1), hairOf(6, 0.8))).toBe(dark)
  })
})
