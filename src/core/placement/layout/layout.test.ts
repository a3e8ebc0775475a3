import fc from 'fast-check'
import { createHead, directionFromMap, placeFromMap, pointFromMap, scalpArea, type Head } from '../../scalp/head'
import { byId, LAYOUT_TEMPLATES, type LayoutParameters, type Part, type Stage } from '../../model'
import { planWith, stageOf } from '../../../../tests/support/plan'
import {
  checkStage,
  createLayout,
  defaultLayoutParameters,
  LayoutParameterError,
  partOffsetFor,
  shapeZone,
  signedArea,
} from '.'

const head = createHead({ circumferenceCm: 54 })
const heads = [
  head,
  createHead({ circumferenceCm: 50 }),
  createHead({ circumferenceCm: 59, earToEarCm: 38, frontHairlineOffsetCm: 1 }),
]
const xyz = ({ x, y, z }: { x: number; y: number; z: number }) => [x, y, z]
const dot = (a: Parameters<typeof xyz>[0], b: Parameters<typeof xyz>[0]) => a.x * b.x + a.y * b.y + a.z * b.z
const between = (min: number, max: number) => fc.double({ min, max, noNaN: true })
const anyLayout = fc.record({
  template: fc.constantFrom(...LAYOUT_TEMPLATES),
  separateNape: fc.boolean(),
  stripWidthCm: between(3, 8),
  partOffsetCm: between(-1.5, 1.5),
  pastPartCm: fc.constantFrom(0, 2.5, 5),
  zigzagMm: fc.constantFrom(0, 3, 6),
  radiusCm: between(4.5, 8),
  rimCm: between(1, 4),
  pieces: fc.integer({ min: 2, max: 6 }),
  cutCornersCm: between(0, 2),
})
const stageWith = ({
  template,
  ...parameters
}: { template: (typeof LAYOUT_TEMPLATES)[number] } & Partial<LayoutParameters>): Stage =>
  stageOf(planWith({ template, parameters }))

const shapesOf = (on: Head, { layout, zones }: Pick<Stage, 'layout' | 'zones'>) =>
  zones.map((zone) => shapeZone(on, layout, zone))

/** The stage, or nothing where the measures are refused in words; too many refusals would empty the test. */
function stageOrRefusal(wanted: Parameters<typeof stageWith>[0]): Stage | undefined {
  try {
    return stageWith(wanted)
  } catch (error) {
    expect(error).toBeInstanceOf(LayoutParameterError)
    return undefined
  }
}

describe('templates', () => {
  it.each(
    LAYOUT_TEMPLATES.flatMap((template) => [false, true].map((separateNape) => [template, separateNape] as const)),
  )('%s with its usual measures is laid out (nape %s)', (template, separateNape) => {
    expect(checkStage(head, stageWith({ template, separateNape }))).toEqual([])
  })

  it('cover the scalp once, whatever their parameters and the head', () => {
    fc.assert(
      fc.property(anyLayout, fc.constantFrom(...heads), (wanted, other) => {
        const stage = stageOrRefusal(wanted)
        if (!stage) return
        expect(checkStage(other, stage)).toEqual([])
        const areas = shapesOf(other, stage).map(({ area }) => area)
        expect(Math.abs(areas.reduce((sum, area) => sum + area, 0) / scalpArea(other) - 1)).toBeLessThan(0.001)
      }),
      { numRuns: 30 },
    )
  })

  it('keep their zones and ids on a remeasured head', () => {
    const stage = stageWith({ template: 'topStrip' })
    const small = shapesOf(createHead({ circumferenceCm: 52 }), stage)
    const large = shapesOf(createHead({ circumferenceCm: 59, earToEarCm: 38 }), stage)
    expect(large.map(({ id }) => id)).toEqual(small.map(({ id }) => id))
    large.forEach((zone, i) => expect(zone.area).toBeGreaterThan(small[i]!.area))
  })

  it('mirror left and right', () => {
    const { layout, zones } = stageWith({ template: 'fourQuadrants', separateNape: true })
    const shapes = new Map(shapesOf(head, { layout, zones }).map((shape) => [shape.role, shape]))
    for (const part of ['front', 'back']) {
      const left = shapes.get(`${part}Left`)!
      const right = shapes.get(`${part}Right`)!
      expect(left.area).toBeCloseTo(right.area, 6)
      expect(left.meanPoint.x).toBeCloseTo(-right.meanPoint.x, 4)
    }
  })

  it('look outwards, lie within their heights, and those at the top reach the top of the head', () => {
    const { layout, zones } = stageWith({ template: 'topStrip' })
    for (const { area, meanNormal, meanPoint, height } of shapesOf(head, { layout, zones })) {
      const [length, outward] = [Math.hypot(...xyz(meanNormal)), dot(meanNormal, meanPoint)]
      expect(outward).toBeGreaterThan(0)
      // The normal is summed over the zone: as long as its area where it is flat, shorter where it bends.
      expect(length).toBeLessThan(area)
      expect(length).toBeGreaterThan(0.5 * area)
      expect(height.min).toBeLessThan(meanPoint.z)
      expect(height.max).toBeGreaterThan(meanPoint.z)
    }
    const heights = shapesOf(head, { layout, zones }).map(({ height }) => height)
    expect(Math.max(...heights.map(({ max }) => max))).toBeCloseTo(head.axes.up, 1)
    expect(Math.min(...heights.map(({ min }) => min))).toBeLessThan(0)
  })

  it('say which parting lies between no two zones, and which outline is broken', () => {
    const stage = stageWith({ template: 'fourQuadrants' })
    const paths = (zones: typeof stage.zones) => checkStage(head, { ...stage, zones }).map(({ path }) => path)
    const without = paths(stage.zones.slice(1))
    expect(without.filter((path) => path.startsWith('layout.edges')).length).toBeGreaterThanOrEqual(2)
    const [first, ...others] = stage.zones
    const [one, two, ...rest] = first!.boundary
    expect(
      paths([{ ...first!, boundary: [two!, one!, ...rest] }, ...others]).some((path) => path.startsWith('zones')),
    ).toBe(true)
    const turned = first!.boundary.map((step) => ({ ...step, reversed: !step.reversed }))
    expect(paths([{ ...first!, boundary: turned }, ...others])).not.toEqual([])
  })

  it('widen the strip where asked and move it to the side of the part', () => {
    const area = (stripWidthCm: number, partOffsetCm: number, role: string) => {
      const { layout, zones } = stageWith({ template: 'topStrip', stripWidthCm, partOffsetCm })
      return shapesOf(head, { layout, zones }).find((zone) => zone.role === role)!.area
    }
    expect(area(8, 0, 'top')).toBeGreaterThan(area(5, 0, 'top') * 1.4)
    expect(area(6, 1.5, 'leftSide')).toBeLessThan(area(6, 1.5, 'rightSide'))
    expect(area(6, 1.5, 'leftSide')).toBeCloseTo(area(6, -1.5, 'rightSide'), 1)
  })

  it('lie over the natural part as far as there is room, and past it on both sides', () => {
    const offset = (part: Part, stripWidthCm = 6) => partOffsetFor({ part }, 'topStrip', { stripWidthCm })
    expect([offset('left'), offset('right'), offset('centre'), offset('none')]).toEqual([2.5, -2.5, 0, 0])
    expect(offset('left', 4)).toBe(3)
    expect(partOffsetFor({ part: 'left' }, 'fourQuadrants', { stripWidthCm: 6 })).toBe(3)
    expect(partOffsetFor({ part: 'left' }, 'halo', { stripWidthCm: 6 })).toBe(0)
    // 2.5 cm and more past a part that lies 3 cm from the middle, or as much as the temple leaves.
    expect(checkStage(head, stageWith({ template: 'topStrip', partOffsetCm: offset('left') }))).toEqual([])
  })

  it('refuse a strip that runs over the temple, naming the field', () => {
    const make = () => createLayout('topStrip', { ...defaultLayoutParameters(), stripWidthCm: 12, partOffsetCm: 2 })
    expect(make).toThrow(LayoutParameterError)
    expect(make).toThrow(/within 5.5 cm/)
  })

  it('put the ear-to-ear parting through the crown and the nape under the occipital bone', () => {
    const { layout, zones } = stageWith({ template: 'fourQuadrants', separateNape: true })
    const nape = shapesOf(head, { layout, zones }).find(({ role }) => role === 'nape')!
    expect(nape.height.max).toBeLessThan(0)
    expect(nape.area).toBeGreaterThan(25)
    expect(nape.area).toBeLessThan(60)
  })
})

describe('a zone’s mesh', () => {
  it('has the zone’s area to the last digit and neighbours that agree', () => {
    const { layout, zones } = stageWith({ template: 'topStrip' })
    for (const { mesh, area, outline } of shapesOf(head, { layout, zones })) {
      expect(mesh.areas.reduce((sum, one) => sum + one, 0)).toBeCloseTo(area, 8)
      expect(signedArea(outline)).toBe(area)
      mesh.neighbours.forEach((other, half) => {
        if (other >= 0) expect([0, 1, 2].map((k) => mesh.neighbours[3 * other + k])).toContain(Math.floor(half / 3))
      })
    }
  })
})

describe('vertices of a mesh', () => {
  it('lie where the head has them, inner ones from the shared grid and those of the outline alike', () => {
    for (const on of heads) {
      const { layout, zones } = stageWith({ template: 'fourQuadrants' })
      for (const { mesh } of shapesOf(on, { layout, zones })) {
        for (let i = 0; i < mesh.s.length; i++) {
          const point = { x: mesh.map[2 * i]!, y: mesh.map[2 * i + 1]! }
          const { theta, psi } = directionFromMap(on, point)
          expect([mesh.direction[2 * i], mesh.direction[2 * i + 1]]).toEqual([theta, psi])
          expect(mesh.s[i]).toBeCloseTo(placeFromMap(on, point).s, 12)
          const { x, y, z } = pointFromMap(on, point)
          expect([...mesh.space.subarray(3 * i, 3 * i + 3)]).toEqual([x, y, z])
        }
      }
    }
  })
})

describe('the laws of layouts', () => {
  const broken = (harm: (stage: Stage) => void) => {
    const stage = structuredClone(stageWith({ template: 'fourQuadrants' }))
    harm(stage)
    return checkStage(head, stage)
  }

  it('refuse an edge without a vertex', () => {
    expect(broken((stage) => (stage.layout.edges[0]!.to = 'nowhere'))).toContainEqual({
      path: 'layout.edges[0].to',
      message: 'There is no vertex "nowhere".',
    })
  })

  it('refuse zones that overlap because a parting crosses over', () => {
    const problems = broken((stage) => {
      const parting = stage.layout.edges.find(({ kind, via }) => kind === 'parting' && via.length > 8)!
      parting.via[5] = { psiDeg: 90, s: 0.9 }
      parting.via[6] = { psiDeg: -90, s: 0.9 }
    })
    expect(problems.some(({ message }) => /overlap/.test(message))).toBe(true)
  })

  it('refuse a zone that is there twice', () => {
    const problems = broken((stage) => {
      stage.zones.push({ ...stage.zones[0]!, id: 'again' })
      stage.order.push('again')
    })
    expect(problems.some(({ message }) => /must lie between two zones/.test(message))).toBe(true)
  })

  it('refuse a missing zone, a broken outline and an order that forgets one', () => {
    expect(broken((stage) => (stage.zones = stage.zones.slice(1))).length).toBeGreaterThan(0)
    expect(broken((stage) => stage.zones[0]!.boundary.reverse()).some(({ message }) => /broken/.test(message))).toBe(
      true,
    )
    expect(broken((stage) => stage.order.pop())).toEqual([
      { path: 'order', message: 'The order must name every zone once.' },
    ])
  })

  it('refuse a hairline that is not at the hairline', () => {
    expect(
      broken((stage) => (byId(stage.layout.vertices, 'face').s = 0.9)).some(({ message }) =>
        /must end at the hairline/.test(message),
      ),
    ).toBe(true)
  })

  it('refuse ids used twice', () => {
    expect(
      broken((stage) => (stage.layout.vertices[1]!.id = stage.layout.vertices[0]!.id)).some(({ message }) =>
        /used twice/.test(message),
      ),
    ).toBe(true)
  })
})
