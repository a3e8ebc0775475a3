import { byId, LAYOUT_TEMPLATES } from '../../model'
import { divisionOf } from '../../../../tests/support/divisions'
import {
  bendParting,
  circleRadiusFor,
  createLayout,
  defaultLayoutParameters,
  diskFromPlace,
  moveParting,
  placeOf,
} from '.'
import { zigzag } from './templates/lines'

/** The corners of a parting in the disk: its first end, what lies between, its last. */
function cornersOf(division: ReturnType<typeof divisionOf>, edgeId: string) {
  const { from, to, via } = byId(division.edges, edgeId)
  const end = (id: string) => diskFromPlace(placeOf(byId(division.vertices, id)))
  return { from: end(from), via: via.map((one) => diskFromPlace(placeOf(one))), to: end(to) }
}
const inner = (division: ReturnType<typeof divisionOf>) =>
  division.edges.find(
    ({ kind, from, to }) =>
      kind === 'parting' && [from, to].every((id) => placeOf(byId(division.vertices, id)).s < 0.9),
  )!

describe('a parting that is moved or bent', () => {
  const before = divisionOf('topStrip')
  const { id } = inner(before)

  it('goes as a whole where its ends are free', () => {
    const after = cornersOf(moveParting(before, id, { x: 0.02, y: -0.03 }), id)
    const was = cornersOf(before, id)
    for (const end of ['from', 'to'] as const) {
      expect(after[end].x - was[end].x).toBeCloseTo(0.02, 3)
      expect(after[end].y - was[end].y).toBeCloseTo(-0.03, 3)
    }
    after.via.forEach(({ x, y }, i) => {
      expect(x - was.via[i]!.x).toBeCloseTo(0.02, 2)
      expect(y - was.via[i]!.y).toBeCloseTo(-0.03, 2)
    })
  })

  it('bends to where it is pulled, less and less towards its ends, which stay', () => {
    const was = cornersOf(before, id)
    const at = Math.floor(was.via.length / 2)
    const pulled = Math.max(0, at)
    const middle = was.via[pulled] ?? { x: (was.from.x + was.to.x) / 2, y: (was.from.y + was.to.y) / 2 }
    const to = { x: middle.x + 0.04, y: middle.y + 0.02 }
    const bent = cornersOf(bendParting(before, id, pulled, to), id)
    expect(bent.from).toEqual(was.from)
    expect(bent.to).toEqual(was.to)
    const reached = bent.via[Math.min(pulled, bent.via.length - 1)]!
    expect(reached.x).toBeCloseTo(to.x, 3)
    expect(reached.y).toBeCloseTo(to.y, 3)
    const far = bent.via.map(({ x }, i) => Math.abs(x - (was.via[i]?.x ?? middle.x)))
    expect(Math.max(...far)).toBeCloseTo(0.04, 3)
  })

  it('without a place between its ends is pulled by its middle', () => {
    const straight = { ...before, edges: before.edges.map((edge) => (edge.id === id ? { ...edge, via: [] } : edge)) }
    const { from, to } = cornersOf(straight, id)
    const target = { x: (from.x + to.x) / 2 + 0.05, y: (from.y + to.y) / 2 - 0.01 }
    const [middle, ...more] = cornersOf(bendParting(straight, id, 0, target), id).via
    expect(more).toEqual([])
    expect(middle!.x).toBeCloseTo(target.x, 3)
    expect(middle!.y).toBeCloseTo(target.y, 3)
  })
})

describe('a zigzag', () => {
  const line = [
    { x: 0, y: -1 },
    { x: 0, y: 1 },
  ]

  it('goes to and fro by so much beside the line, and straight at both ends', () => {
    // 3 mm of about 15 cm from the apex to the hairline.
    const drawn = zigzag(line, 3)
    const far = drawn.map(({ x }) => x)
    for (const end of [far.slice(0, 4), far.slice(-4)]) expect(end).toEqual([0, 0, 0, 0])
    const teeth = far.slice(4, -4)
    expect(teeth.length).toBeGreaterThan(3)
    teeth.forEach((x, i) => {
      expect(Math.abs(x)).toBeCloseTo(0.02, 9)
      if (i > 0) expect(Math.sign(x)).toBe(-Math.sign(teeth[i - 1]!))
    })
    expect([drawn[0], drawn.at(-1)]).toEqual([line[0], line[1]])
    const along = drawn.map(({ y }) => y)
    expect(along).toEqual([...along].sort((a, b) => a - b))
  })

  it('of nothing is the line itself', () => {
    expect(zigzag(line, 0)).toEqual(line)
    expect(zigzag(line, -3)).toEqual(line)
  })
})

describe('what a layout is begun with', () => {
  it('has a circle that holds about as much hair whatever the density, to half a centimetre', () => {
    const hairs = { low: 150, medium: 190, high: 230 }
    const radius = { low: circleRadiusFor('low'), medium: circleRadiusFor('medium'), high: circleRadiusFor('high') }
    expect(radius.low).toBeGreaterThan(radius.medium)
    expect(radius.medium).toBeGreaterThan(radius.high)
    for (const density of ['low', 'medium', 'high'] as const) {
      expect(2 * radius[density]).toBe(Math.round(2 * radius[density]))
      const even = radius.medium * Math.sqrt(hairs.medium / hairs[density])
      expect(Math.abs(radius[density] - even)).toBeLessThan(0.6)
    }
  })

  it('names every section once, whatever the template', () => {
    for (const template of LAYOUT_TEMPLATES) {
      const roles = createLayout(template, defaultLayoutParameters()).sections.map(({ role }) => role)
      expect(new Set(roles).size).toBe(roles.length)
    }
  })
})
