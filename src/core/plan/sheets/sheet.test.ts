import { byId } from '../../model'
import { computeStages } from '../../../../tests/support/planner'
import { planWith } from '../../../../tests/support/plan'
import { headModel, mapDrawing, sideViews } from '.'

const plan = planWith({ template: 'topStrip', placement: { sequence: ['A', 'B'] } })
const computed = computeStages(plan)

describe('the map drawing', () => {
  const drawing = mapDrawing(plan, computed)

  it('numbers pieces in the order of application over the whole plan', () => {
    const turns = drawing.zones.flatMap(({ id, pieces }) => pieces.map((_, i) => drawing.firstTurns[id]! + i))
    expect(turns).toEqual(Array.from({ length: computed.pieces.length }, (_, i) => i + 1))
  })

  it('keeps the very drawing of a zone that was not touched, and draws a touched one anew', () => {
    const edited = structuredClone(plan)
    byId(edited.variants[0]!.stages[0]!.zones, 'back').placement.take.stitchMm = 6
    const after = mapDrawing(edited, computeStages(edited))
    after.zones.forEach((zone, i) => expect(zone === drawing.zones[i]).toBe(zone.id !== 'back'))
  })

  it('curves outlines through all their points, so that neighbours meet', () => {
    drawing.zones.forEach(({ outline }, i) => {
      const drawn = new Set(
        outline
          .replace('Z', '')
          .split(/[MC]/)
          .slice(1)
          .map((step) => step.split(' ').slice(-2).join(' ')),
      )
      for (const { x, y } of computed.zones[i]!.shape.outline)
        expect(drawn).toContain(`${Math.round(x * 100) / 100} ${Math.round(-y * 100) / 100}`)
    })
  })

  it('draws closed paths of plain numbers', () => {
    for (const { outline, pieces } of drawing.zones) {
      for (const path of [outline, ...pieces.map(({ stitches }) => stitches)])
        expect(path).toMatch(
          /^(M-?[\d.]+ -?[\d.]+(L-?[\d.]+ -?[\d.]+|C-?[\d.]+ -?[\d.]+ -?[\d.]+ -?[\d.]+ -?[\d.]+ -?[\d.]+)+Z)+$/,
        )
    }
  })

  it('has the face at the top and labels inside the head', () => {
    expect(drawing.extent.top).toBeLessThan(0)
    for (const { label } of drawing.zones) {
      expect(label.x).toBeGreaterThan(drawing.extent.left)
      expect(label.x).toBeLessThan(drawing.extent.right)
    }
  })

  it('gives each formula a swatch of its own', () => {
    expect(Object.keys(drawing.swatches)).toEqual(['A', 'B', 'C'])
    for (const swatch of Object.values(drawing.swatches)) expect(swatch).toMatch(/^#[0-9a-f]{6}$/)
    expect(drawing.swatches['A']).not.toBe(drawing.swatches['B'])
  })
})

describe('the head in space', () => {
  const model = headModel(computed)

  it('has a triangle strip for every piece, a little off the scalp', () => {
    expect(model.pieces.length).toBe(computed.pieces.length)
    for (const { triangles } of model.pieces) {
      expect(Math.max(...triangles.indices)).toBeLessThan(triangles.positions.length / 3)
      expect(triangles.positions.every(Number.isFinite)).toBe(true)
    }
  })

  it('has the same bust for every plan on one head', () => {
    expect(headModel(computed).bust).toBe(model.bust)
  })
})

describe('the head from four sides', () => {
  const [stage] = plan.variants[0]!.stages
  const views = sideViews(computed, stage!, mapDrawing(plan, computed).zones)
  const view = (side: string) => views.find((one) => one.side === side)!
  const coordinates = (path: string) =>
    [...path.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => ({ x: Number(x), y: Number(y) }))

  it('shows every zone’s number from somewhere, at the turn in which it is worked', () => {
    const turns = views.flatMap(({ numbers }) => numbers.map(({ turn }) => turn))
    expect([...new Set(turns)].sort((a, b) => a - b)).toEqual(stage!.order.map((_, i) => i + 1))
  })

  it('has what is seen from the front not seen from the back, and her left on the right of the picture from the front', () => {
    const all = new Set(view('front').numbers.map(({ turn }) => turn))
    for (const { turn } of view('back').numbers) expect(all.has(turn)).toBe(false)
    const left = view('left').numbers.map(({ turn }) => turn)
    for (const { turn, x } of view('front').numbers) if (left.includes(turn)) expect(x).toBeGreaterThan(0)
    for (const { turn, x } of view('back').numbers) if (left.includes(turn)) expect(x).toBeLessThan(0)
  })

  it('keeps every line within the head’s own outline, whose breadth and height are the head’s', () => {
    const { breadth, front, back, up, down } = computed.head.axes
    for (const { side, bounds, hairline, extent } of views) {
      const isProfile = side === 'left' || side === 'right'
      expect(extent.right - extent.left).toBeCloseTo(isProfile ? front + back : 2 * breadth, 1)
      expect(extent.bottom - extent.top).toBeCloseTo(up + down, 1)
      for (const { x, y } of coordinates(bounds + hairline)) {
        expect(x).toBeGreaterThan(extent.left - 0.01)
        expect(x).toBeLessThan(extent.right + 0.01)
        expect(y).toBeGreaterThan(extent.top - 0.01)
        expect(y).toBeLessThan(extent.bottom + 0.01)
      }
    }
  })

  it('shows the hairline at the forehead from the front, higher than at the nape from behind', () => {
    const middle = (path: string) =>
      coordinates(path).reduce((nearest, at) => (Math.abs(at.x) < Math.abs(nearest.x) ? at : nearest))
    expect(middle(view('front').hairline).y).toBeLessThan(middle(view('back').hairline).y)
  })
})
