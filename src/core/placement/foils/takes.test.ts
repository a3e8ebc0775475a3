import fc from 'fast-check'
import { createHead, placeFromMap } from '../../scalp/head'
import { signedArea } from '../layout'
import { DROPOUT_KINDS, RAMP_FIGURES, type DropoutKind, type MapPoint, type Placement } from '../../model'
import { planWith, type Wanted } from '../../../../tests/support/plan'
import { isTakeFigure, rampedFigure, rampedTake } from './ramps'
import { defaultPlacement, MAP, paintRamp, pieceOutline, pieceStitches, STRIDE, type Piece } from '.'
import { computeStages } from '../../../../tests/support/planner'

const head = createHead({ circumferenceCm: 54 })
const pieces = (placement: Wanted['placement'], rest: Wanted = {}): Piece[] =>
  computeStages(planWith({ ...rest, only: rest.only ?? ['backLeft'], placement })).pieces
const sum = (list: readonly Piece[], value: (piece: Piece) => number) =>
  list.reduce((total, piece) => total + value(piece), 0)

describe('ramps', () => {
  it('are monotone from one edge to the other, and end where they are asked to', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...RAMP_FIGURES),
        fc.double({ min: 0, max: 40, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        fc.double({ min: 0, max: 0.5, noNaN: true }),
        (figure, to, a, b) => {
          const placement: Placement = { ...defaultPlacement(), upToCm: 20, ramps: [{ figure, way: 'upwards', to }] }
          placement.stopBeforeEndsCm = 3
          const at = (height: number): number => {
            const place = { height, turn: 0, foil: 0, along: 0 }
            return isTakeFigure(figure)
              ? rampedTake(placement, placement.take, place)[figure]!
              : rampedFigure(placement, figure, place)!
          }
          expect(at(1)).toBeCloseTo(to, 9)
          const rising = at(1) >= at(0)
          expect(rising ? at(a + b) >= at(a) - 1e-9 : at(a + b) <= at(a) + 1e-9).toBe(true)
        },
      ),
    )
  })

  it('of the gap lay rows closer towards the upper edge and still fill the zone', () => {
    const plan = planWith({
      only: ['backLeft'],
      placement: { rowGapMm: 20, ramps: [{ figure: 'rowGapMm', way: 'upwards', to: 2 }] },
    })
    const zone = computeStages(plan).zones.find(({ zoneId }) => zoneId === 'backLeft')!
    const even = computeStages(planWith({ only: ['backLeft'], placement: { rowGapMm: 20 } })).zones.find(
      ({ zoneId }) => zoneId === 'backLeft',
    )!
    expect(zone.placement.rowCount).toBeGreaterThan(even.placement.rowCount)
    expect(zone.placement.pitch * zone.placement.rowCount).toBeCloseTo(zone.field.extent, 6)
  })

  it('along the row begin at the hairline, change the stitches from foil to foil, and count the hair they take', () => {
    const along = { figure: 'stitchGapMm', way: 'alongRow', to: 12 } as const
    const changing = pieces({ take: { stitchMm: 4, stitchGapMm: 2 }, ramps: [along] })
    const dense = pieces({ take: { stitchMm: 4, stitchGapMm: 2 } })
    const thin = pieces({ take: { stitchMm: 4, stitchGapMm: 12 } })
    const taken = (list: readonly Piece[]) =>
      sum(list, ({ takenHairs }) => takenHairs) / sum(list, ({ hairs }) => hairs)
    expect(taken(changing)).toBeLessThan(taken(dense))
    expect(taken(changing)).toBeGreaterThan(taken(thin))
    for (const { take, takeAtEnd } of changing) {
      expect(takeAtEnd!.stitchGapMm).toBeGreaterThan(take.stitchGapMm)
    }
    const depth = ({ line }: Piece, at: number) => placeFromMap(head, { x: line[at + MAP]!, y: line[at + MAP + 1]! }).s
    const rows = [...new Set(changing.map(({ row }) => row))].map((row) =>
      changing.filter((piece) => piece.row === row),
    )
    for (const row of rows) {
      expect(depth(row[0]!, 0)).toBeGreaterThan(depth(row.at(-1)!, row.at(-1)!.line.length - STRIDE))
      expect(row[0]!.take.stitchGapMm).toBeCloseTo(2, 9)
      expect(row.at(-1)!.takeAtEnd!.stitchGapMm).toBeCloseTo(12, 9)
    }
    // What is drawn lies ever further apart, and covers the share that is counted.
    const widest = changing.reduce((best, piece) => (piece.width > best.width ? piece : best))
    const area = (outline: readonly MapPoint[]) => Math.abs(signedArea(outline))
    const drawn =
      pieceStitches(widest, false).reduce((total, outline) => total + area(outline), 0) / area(pieceOutline(widest))
    expect(drawn).toBeCloseTo(widest.takenHairs / widest.hairs, 1)
  })

  it('alternate foil by foil, and set in after so many rows', () => {
    const starts = [
      ...new Set(pieces({ ramps: [{ figure: 'startCm', way: 'alternating', to: 3 }] }).map(({ fromCm }) => fromCm)),
    ]
    expect(starts).toEqual([0, 3])
    const later = pieces({ rowGapMm: 3, ramps: [{ figure: 'startCm', way: 'afterRows', to: 4, rows: 2 }] })
    const rows = [...new Set(later.map(({ row }) => row))]
    expect(later.filter(({ row }) => rows.indexOf(row) < 2).every(({ fromCm }) => fromCm === 0)).toBe(true)
    expect(later.filter(({ row }) => rows.indexOf(row) >= 2).every(({ fromCm }) => fromCm === 4)).toBe(true)
  })
})

describe('what a subsection gives', () => {
  it('never gives the same hair twice: picked up and left out add up to what is there', () => {
    for (const kind of DROPOUT_KINDS) {
      const all = pieces({ rowGapMm: 0, dropout: { kind, formulaId: 'B' } })
      const bySubsection = new Map<string, Piece[]>()
      for (const piece of all)
        bySubsection.set(piece.id.replace('/dropout', ''), [
          ...(bySubsection.get(piece.id.replace('/dropout', '')) ?? []),
          piece,
        ])
      for (const pair of bySubsection.values())
        expect(sum(pair, ({ takenHairs }) => takenHairs)).toBeLessThanOrEqual(pair[0]!.hairs + 1e-6)
      expect(all.filter(({ id }) => id.endsWith('/dropout'))).toHaveLength(all.length / 2)
    }
  })

  it('foils a dropout that is lowlit, paints one that is painted, and brings base to the skin', () => {
    const dropped = (kind: DropoutKind) =>
      pieces({ dropout: { kind, formulaId: 'B' } }).find(({ id }) => id.endsWith('/dropout'))!
    expect(dropped('lowlight')).toMatchObject({ kind: 'foil', cover: 'foil' })
    expect(dropped('sameFoil')).toMatchObject({ kind: 'open', cover: 'foil', foilLength: 0 })
    expect(dropped('paint')).toMatchObject({ kind: 'open', cover: 'open' })
    expect(dropped('base')).toMatchObject({ kind: 'onScalp', cover: 'open', fromCm: 0, toCm: 1.2 })
  })

  it('needs as many foils again where what is left goes into the next one, and none where it goes into the same', () => {
    const foils = (kind?: DropoutKind) =>
      pieces(kind ? { dropout: { kind, formulaId: 'B' } } : {}).filter((piece) => piece.kind === 'foil').length
    expect(foils('lowlight')).toBe(2 * foils())
    expect(foils('sameFoil')).toBe(foils())
  })

  it('is painted without foils, higher towards the face, and takes more product the more it is soaked', () => {
    const painted = pieces(
      { take: { kind: 'painted', shape: 'v', faceLiftCm: 8 }, startCm: 12 },
      { only: ['frontLeft', 'backLeft'] },
    )
    expect(painted.every(({ kind, foilLength }) => kind === 'open' && foilLength === 0)).toBe(true)
    const start = (zone: string) =>
      Math.min(...painted.filter(({ zoneId }) => zoneId === zone).map(({ fromCm }) => fromCm))
    expect(start('frontLeft')).toBeLessThan(start('backLeft'))
    const fibre = (saturation: number) =>
      sum(pieces({ take: { kind: 'painted', saturation } }), ({ treatedFibre }) => treatedFibre)
    expect(fibre(1)).toBeGreaterThan(fibre(0.2))
  })

  it('stops before the ends and keeps a buffer', () => {
    const whole = sum(pieces({}), ({ treatedFibre }) => treatedFibre)
    expect(sum(pieces({ stopBeforeEndsCm: 10 }), ({ treatedFibre }) => treatedFibre)).toBeLessThan(whole)
    expect(pieces({ startCm: 1, bufferCm: 1.5 })[0]!.fromCm).toBe(2.5)
  })

  it('reaches only so far from the scalp, in a shorter foil, and no further than the ends', () => {
    const whole = pieces({})
    const near = pieces({ upToCm: 2 })
    expect(near.map(({ id }) => id)).toEqual(whole.map(({ id }) => id))
    near.forEach((piece, i) => {
      expect([piece.fromCm, piece.toCm]).toEqual([0, 2])
      // Where no hair ends, two centimetres of every taken fibre lie in it.
      expect(piece.treatedFibre / piece.takenHairs).toBeCloseTo(2, 1)
      expect(piece.foilLength).toBeCloseTo(whole[i]!.foilLength - (piece.hairLength - 2), 9)
    })
    expect(pieces({ upToCm: 60 })).toEqual(whole)
  })

  it('at the hairline is a panel of its own, or all there is', () => {
    const panelled = pieces(
      { direction: 'horizontal', panel: { widthCm: 2.5, take: 'slice', rest: 'same' } },
      { only: ['frontLeft'] },
    )
    expect(panelled.some(({ take, width }) => take.kind === 'slice' && Math.abs(width - 2.5) < 0.01)).toBe(true)
    const stitched = pieces({ panel: { widthCm: 3, take: 'same', rest: 'leave' } }, { only: ['frontLeft'] })
    expect(stitched.every(({ width }) => width <= 3.01)).toBe(true)
    expect(stitched.length).toBeLessThan(panelled.length)
  })

  it('is limited to hair of a kind, and copies the white where it is', () => {
    const plan = planWith({ template: 'fourQuadrants', placement: { select: 'copyWhite', rowGapMm: 3 } })
    const map = (percent: (i: number) => number) => ({
      whitePercent: Array.from({ length: 192 }, (_, i) => percent(i)),
      earlierPercent: Array.from({ length: 192 }, () => 30),
    })
    const taken = (select: Placement['select'], percent: (i: number) => number) => {
      for (const zone of plan.variants[0]!.stages[0]!.zones) zone.placement.select = select
      const computed = computeStages({ ...plan, hairMap: map(percent) })
      return sum(computed.pieces, ({ takenHairs }) => takenHairs) / sum(computed.pieces, ({ hairs }) => hairs)
    }
    expect(taken('copyWhite', () => 40)).toBeCloseTo(0.4, 6)
    expect(taken('white', () => 40)).toBeCloseTo(0.5 * 0.4, 6)
    expect(taken('dark', () => 40)).toBeCloseTo(0.5 * 0.6, 6)
    expect(taken('earlier', () => 40)).toBeCloseTo(0.5 * 0.3, 6)
    expect(taken('notEarlier', () => 40)).toBeCloseTo(0.5 * 0.7, 6)
    expect(
      computeStages({ ...plan, hairMap: map(() => 0) }).zones.every(({ placement }) =>
        placement.pieces.every(({ takenHairs }) => takenHairs > 0),
      ),
    ).toBe(true)
  })

  it('is worked from the part outwards where asked', () => {
    const zone = computeStages(
      planWith({
        template: 'topStrip',
        only: ['leftSide'],
        placement: { direction: 'vertical', rowOrder: 'fromPart', rowGapMm: 3 },
      }),
    ).zones.find(({ zoneId }) => zoneId === 'leftSide')!
    const nearest = (piece: Piece) =>
      Math.min(...Array.from({ length: piece.line.length / 10 }, (_, i) => Math.abs(piece.line[10 * i + 2]!)))
    const order = zone.placement.pieces.map(nearest)
    expect(order[0]).toBeLessThan(order.at(-1)!)
  })
})

describe('a stage', () => {
  const twoStages = (worksOn: 'took' | 'dropped') => {
    const plan = planWith({ placement: { rowGapMm: 0 } })
    const [first] = plan.variants[0]!.stages
    const zones = first!.zones.map((zone) => ({
      ...zone,
      id: `${zone.id}2`,
      placement: { ...zone.placement, take: { ...zone.placement.take, kind: 'block' as const }, sequence: ['B'] },
    }))
    plan.variants[0]!.stages.push({
      ...first!,
      id: 'second',
      kind: 'gloss',
      name: 'Second',
      worksOn: { kind: worksOn, stageId: first!.id },
      zones,
      order: zones.map(({ id }) => id),
    })
    return computeStages(plan)
  }

  it('finds what an earlier one took, or dropped, and the two are everything', () => {
    const [took, dropped] = [twoStages('took'), twoStages('dropped')].map(({ shareByFormula }) => shareByFormula['B']!)
    expect(took! + dropped!).toBeCloseTo(twoStages('took').shareByFormula['A']! + dropped!, 1)
    expect(took! + dropped!).toBeGreaterThan(0.93)
    expect(took! + dropped!).toBeLessThan(1.001)
  })

  it('sees the new hair when the earlier stage changes', () => {
    const plan = planWith({ placement: { rowGapMm: 0 } })
    const [first] = plan.variants[0]!.stages
    const zones = first!.zones.map((zone) => ({
      ...zone,
      id: `${zone.id}2`,
      placement: { ...zone.placement, sequence: ['B'] },
    }))
    plan.variants[0]!.stages.push({
      ...first!,
      id: 'second',
      worksOn: { kind: 'dropped', stageId: first!.id },
      zones,
      order: zones.map(({ id }) => id),
    })
    const before = computeStages(plan).shareByFormula['B']!
    for (const zone of first!.zones)
      zone.placement = { ...zone.placement, take: { ...zone.placement.take, stitchGapMm: 1 } }
    expect(computeStages(plan).shareByFormula['B']!).toBeLessThan(before)
  })
})

describe('a ramp drawn over the map', () => {
  const { zones } = computeStages(planWith({ template: 'topStrip' }))
  const named = (...ids: string[]) => zones.filter(({ zoneId }) => ids.includes(zoneId))
  const upTheBack = {
    line: [
      { x: 0, y: -22 },
      { x: 0, y: -3 },
    ],
    from: 12,
    to: 2,
  } as const

  it('is worked into the zones under the line, and only into those', () => {
    const ramps = paintRamp(zones, upTheBack, [])
    expect(ramps.map(({ zoneId }) => zoneId)).not.toContain('leftSide')
    expect(ramps.map(({ zoneId }) => zoneId)).toContain('back')
    expect(
      paintRamp(zones, upTheBack, ['leftSide', 'rightSide'])
        .map(({ zoneId }) => zoneId)
        .sort(),
    ).toEqual(['leftSide', 'rightSide'])
    expect(
      paintRamp(
        zones,
        {
          ...upTheBack,
          line: [
            { x: 0, y: 0 },
            { x: 0, y: 0 },
          ],
        },
        [],
      ),
    ).toEqual([])
  })

  it('falls with the line from zone to zone, inside the two values', () => {
    const [nape, back] = ['nape', 'back'].map((id) => paintRamp(named(id), upTheBack, [id])[0]!)
    expect(nape!.lower).toBeGreaterThan(nape!.upper)
    expect(back!.lower).toBeGreaterThan(back!.upper)
    expect(nape!.upper).toBeGreaterThan(back!.upper)
    for (const { lower, upper } of [nape!, back!])
      for (const value of [lower, upper]) expect(value >= 2 && value <= 12).toBe(true)
  })

  it('turned round, turns round what it gives', () => {
    const there = paintRamp(named('back'), upTheBack, ['back'])[0]!
    const back = paintRamp(named('back'), { line: [upTheBack.line[1], upTheBack.line[0]], from: 2, to: 12 }, [
      'back',
    ])[0]!
    expect(back.lower).toBeCloseTo(there.lower, 9)
    expect(back.upper).toBeCloseTo(there.upper, 9)
  })
})
