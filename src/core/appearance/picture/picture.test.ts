import { converter } from 'culori'
import { createHead, defaultMeasures } from '../../scalp/head'
import { bustOf } from '../../scalp/mannequin'
import type { Paint } from '../paint'
import type { Roots, Strands } from '../strands'
import {
  blank,
  cameraAt,
  develop,
  exposeSkin,
  exposeStrands,
  isSkin,
  pointOf,
  reachOf,
  skinOf,
  VIEW_NAMES,
  VIEWS,
  type View,
} from '.'
import { project } from './camera'
import { emptyCover, isCovered, refreshCover } from './cover'
import { eighthOf, lightOf, scalpOf, skinPixel, strandPixel } from './exposure'

const REACH = { lowest: -20, highest: 15, aside: 12 }
const camera = (view: View = VIEWS.front, size = { width: 120, height: 160 }) => cameraAt(view, size, REACH)

/** Strands through given points, x, y, z, of a breadth, as nothing but lines. */
function lines(points: [number, number, number][][], halfWidth = 0.2): Strands {
  const counts = points.map((line) => line.length)
  const first = Uint32Array.from([0, ...counts.map((_, i) => counts.slice(0, i + 1).reduce((a, b) => a + b, 0))])
  const total = first.at(-1)!
  const roots: Roots = {
    count: points.length,
    map: new Float32Array(2 * points.length),
    space: Float32Array.from(points.flatMap(([root]) => root!)),
    s: new Float32Array(points.length),
    psi: new Float32Array(points.length),
    cell: new Uint16Array(points.length),
    length: new Float32Array(points.length).fill(10),
    clump: new Int32Array(points.length),
  }
  return {
    roots,
    wear: 'straight',
    first,
    positions: Float32Array.from(points.flat(2)),
    along: Float32Array.from(points.flatMap((line) => line.map((_, k) => 10 + k))),
    owner: Uint16Array.from(points.flatMap((line, i) => line.map(() => i))),
    halfWidths: new Float32Array(total).fill(halfWidth),
  }
}
const paintOf = (strands: Strands, rgb: [number, number, number] = [0.5, 0.4, 0.3]): Paint => ({
  levels: new Float32Array(strands.along.length).fill(6),
  rgb: Float32Array.from(Array.from(strands.owner).flatMap(() => rgb)),
  roots: new Float32Array(3 * 192).fill(0.2),
  change: new Float32Array(strands.roots.count),
})

describe('the camera', () => {
  it('has the client’s left on the right in front and on the left from behind, and up is up', () => {
    const left = Float32Array.from([8, 0, 0])
    expect(project(camera(), left)[0]).toBeGreaterThan(60)
    expect(project(camera(VIEWS.back), left)[0]).toBeLessThan(60)
    const high = Float32Array.from([0, 0, 12])
    expect(project(camera(), high)[1]).toBeLessThan(80)
  })

  it('looks from where it says: what is nearer is nearer', () => {
    const nose = Float32Array.from([0, 10, 0])
    expect(project(camera(), nose)[2]).toBeGreaterThan(8)
    expect(project(camera(VIEWS.back), nose)[2]).toBeLessThan(-8)
    const ear = Float32Array.from([8, 0, 0])
    expect(project(camera(VIEWS.left), ear)[2]).toBeGreaterThan(6)
    expect(project(camera(VIEWS.right), ear)[2]).toBeLessThan(-6)
    expect(project(camera(VIEWS.top), Float32Array.from([0, 0, 13]))[2]).toBeGreaterThan(6)
  })

  it('keeps lengths: axes stand square on each other and a cm is as long everywhere', () => {
    for (const name of VIEW_NAMES) {
      const { right, up, towards } = camera(VIEWS[name])
      const dot = (a: readonly number[], b: readonly number[]) => a.reduce((sum, x, i) => sum + x * b[i]!, 0)
      for (const axis of [right, up, towards]) expect(dot(axis, axis)).toBeCloseTo(1, 12)
      for (const [a, b] of [
        [right, up],
        [up, towards],
        [right, towards],
      ] as const)
        expect(dot(a, b)).toBeCloseTo(0, 12)
    }
  })

  it('shows all hair, however long it hangs or high it stands', () => {
    for (const reach of [
      { lowest: -60, highest: 14, aside: 12 },
      { lowest: -10, highest: 24, aside: 12 },
    ]) {
      const wide = cameraAt(VIEWS.front, { width: 120, height: 160 }, reach)
      for (const z of [reach.lowest, reach.highest]) {
        const row = project(wide, Float32Array.from([0, 0, z]))[1]!
        expect(row).toBeGreaterThan(0)
        expect(row).toBeLessThan(160)
      }
    }
    expect(
      reachOf(
        lines([
          [
            [0, 0, 5],
            [0, 0, -7],
          ],
        ]),
      ),
    ).toEqual({ lowest: -7, highest: 5, aside: 1 })
  })
})

describe('pixels', () => {
  it('say what they show', () => {
    expect(pointOf(strandPixel(1234, 5))).toBe(1234)
    expect(eighthOf(strandPixel(1234, 5))).toBe(5)
    expect(isSkin(strandPixel(1_000_000, 7))).toBe(false)
    const skin = skinPixel(191, 200)
    expect([isSkin(skin), scalpOf(skin), lightOf(skin)]).toEqual([true, 191, 200])
  })
})

describe('strands before a camera', () => {
  it('cover as much as their length and breadth, whichever way they run', () => {
    for (const end of [
      [0, 10, -8],
      [8, 10, 0],
      [6, 10, 6],
      [-6, 10, 5],
    ] as const) {
      const exposure = blank(camera({ turn: 0, tilt: 0 }, { width: 960, height: 1280 }))
      exposeStrands(exposure, lines([[[0, 10, 0], [...end]]]))
      const covered = exposure.pixels.filter((pixel) => pixel !== 0).length / exposure.camera.scale ** 2
      const length = Math.hypot(end[0], end[2])
      expect(covered / (0.4 * length)).toBeGreaterThan(0.85)
      expect(covered / (0.4 * length)).toBeLessThan(1.15)
    }
  })

  it('hide what lies behind them, in whatever order they come', () => {
    const [near, far] = [
      [
        [-5, 10, 0],
        [5, 10, 0],
      ],
      [
        [0, 2, -5],
        [0, 2, 5],
      ],
    ] as [number, number, number][][]
    for (const [order, nearOne] of [
      [[near!, far!], 0],
      [[far!, near!], 1],
    ] as const) {
      const strands = lines([...order])
      const exposure = blank(camera({ turn: 0, tilt: 0 }))
      exposeStrands(exposure, strands)
      const at = project(exposure.camera, Float32Array.from([0, 10, 0]))
      const pixel = exposure.pixels[Math.floor(at[1]!) * exposure.camera.width + Math.floor(at[0]!)]!
      expect(strands.owner[pointOf(pixel)]).toBe(nearOne)
    }
  })

  it('are hidden by skin, and hide it', () => {
    const head = createHead(defaultMeasures())
    const skin = skinOf(head, bustOf(head).mesh)
    const exposure = blank(camera({ turn: 0, tilt: 0 }))
    exposeSkin(exposure, skin)
    exposeStrands(
      exposure,
      lines([
        [
          [-3, 20, -5],
          [3, 20, -5],
        ],
        [
          [-3, -20, 2],
          [3, -20, 2],
        ],
      ]),
    )
    const seen = new Set(
      [...exposure.pixels].filter((pixel) => pixel !== 0 && !isSkin(pixel)).map((pixel) => pointOf(pixel)),
    )
    expect([...seen]).toEqual([0])
    expect([...exposure.pixels].filter(isSkin).length).toBeGreaterThan(2000)
  })

  it('out of the picture write nothing', () => {
    const exposure = blank(camera({ turn: 0, tilt: 0 }))
    exposeStrands(
      exposure,
      lines([
        [
          [200, 0, 0],
          [220, 0, 0],
        ],
        [
          [0, 0, 300],
          [0, 0, 320],
        ],
      ]),
    )
    expect(exposure.pixels.every((pixel) => pixel === 0)).toBe(true)
  })
})

describe('what is covered', () => {
  it('hides a strip only where all of it lies behind what is there', () => {
    const depth = new Float32Array(32 * 32).fill(5)
    depth[3 * 32 + 3] = -Infinity
    const cover = emptyCover({ width: 32, height: 32 })
    /** A strip of breadth 2 between two points, each column, row and depth. */
    const hides = (...ends: number[]) => isCovered(cover, Float32Array.from([9, 9, 9, ...ends]), 3, 1)
    expect(hides(20, 20, 4, 24, 24, 4)).toBe(false)
    refreshCover(cover, depth, 32)
    expect(hides(20, 20, 3, 24, 24, 4)).toBe(true)
    expect(hides(20, 20, 6, 24, 24, 4)).toBe(false)
    expect(hides(4, 4, 4, 6, 6, 4)).toBe(false)
    expect(hides(22, 4, 4, 4, 4, 4)).toBe(false)
    expect(hides(22, 20, 4, 4, 20, 4)).toBe(true)
    expect(hides(4, 22, 4, 4, 4, 4)).toBe(false)
    expect(hides(20, 20, 4, 24, 24, 6)).toBe(false)
  })
})

describe('skin', () => {
  const head = createHead(defaultMeasures())
  const skin = skinOf(head, bustOf(head).mesh)

  it('grows hair on the scalp, and none on face, ears and neck', () => {
    const { positions } = skin.mesh
    const at = (i: number) => [positions[3 * i]!, positions[3 * i + 1]!, positions[3 * i + 2]!] as const
    let [bald, hairy] = [0, 0]
    skin.scalp.forEach((scalp, i) => {
      const [x, y, z] = at(i)
      if (z > 10 && scalp === 0) bald++
      if ((z < -12 || (y > 8 && z < 4) || Math.abs(x) > 8.2) && scalp > 0) hairy++
    })
    expect(bald).toBe(0)
    expect(hairy).toBe(0)
  })

  it('faces outwards, and goes straight down where the bust ends', () => {
    const { positions } = skin.mesh
    let lowest = 0
    for (let at = 2; at < positions.length; at += 3) lowest = Math.min(lowest, positions[at]!)
    expect(lowest).toBeLessThan(-80)
    let outwards = 0
    skin.scalp.forEach((scalp, i) => {
      if (scalp === 0) return
      const dot = [0, 1, 2].reduce((sum, k) => sum + positions[3 * i + k]! * skin.normals[3 * i + k]!, 0)
      if (dot > 0) outwards++
    })
    expect(outwards).toBe(skin.scalp.filter((scalp) => scalp > 0).length)
  })
})

describe('a picture', () => {
  const strands = lines(
    [
      [
        [0, 10, 8],
        [0, 10, -8],
      ],
    ],
    3,
  )
  const exposure = blank(camera({ turn: 0, tilt: 0 }))
  exposeStrands(exposure, strands)
  const middleOf = (rgb: [number, number, number]) => {
    const { rgba, width, height } = develop(exposure, strands, paintOf(strands, rgb), { fine: 1, seed: 1 })
    const at = 4 * (Math.floor(height / 2) * width + Math.floor(width / 2))
    return [...rgba.slice(at, at + 4)]
  }

  it('shows the wall where nothing is, and is opaque', () => {
    const { rgba } = develop(exposure, strands, paintOf(strands), { fine: 1, seed: 1 })
    expect([...rgba.slice(0, 4)]).toEqual([236, 236, 234, 255])
  })

  it('is lighter where hair is lighter, and keeps its hue', () => {
    const [deep, light] = [middleOf([0.05, 0.03, 0.02]), middleOf([0.6, 0.45, 0.25])]
    for (let k = 0; k < 3; k++) expect(light[k]!).toBeGreaterThan(deep[k]! + 30)
    expect(light[0]!).toBeGreaterThan(light[1]!)
    expect(light[1]!).toBeGreaterThan(light[2]!)
  })

  it('is turned from linear light into sRGB as a colour package does (culori), to a step of 8 bits', () => {
    const toRgb = converter('rgb')
    const wall = toRgb({ mode: 'lrgb', r: 0.8388, g: 0.8388, b: 0.8228 })
    const { rgba } = develop(exposure, strands, paintOf(strands), { fine: 1, seed: 1 })
    for (const [k, channel] of (['r', 'g', 'b'] as const).entries())
      expect(Math.abs(rgba[k]! - 255 * wall[channel])).toBeLessThanOrEqual(1)
  })

  it('drawn at twice the size and averaged down looks the same from afar', () => {
    const twice = blank(cameraAt({ turn: 0, tilt: 0 }, { width: 240, height: 320 }, REACH))
    exposeStrands(twice, strands)
    const [once, fine] = [
      develop(exposure, strands, paintOf(strands), { fine: 1, seed: 1 }),
      develop(twice, strands, paintOf(strands), { fine: 2, seed: 1 }),
    ]
    expect([fine.width, fine.height]).toEqual([once.width, once.height])
    const mean = (rgba: Uint8ClampedArray) => rgba.reduce((sum, byte) => sum + byte, 0) / rgba.length
    expect(mean(fine.rgba)).toBeCloseTo(mean(once.rgba), 0)
  })

  it('shows scalp between strands nearly as its roots are, and lies deeper in shade under other hair', () => {
    const scalp = blank(camera({ turn: 0, tilt: 0 }))
    scalp.pixels.fill(skinPixel(5, 200))
    scalp.depth.fill(0)
    const paint = paintOf(strands)
    paint.roots.fill(0.01)
    const bare = blank(camera({ turn: 0, tilt: 0 }))
    bare.pixels.fill(skinPixel(0, 200))
    const red = (one: typeof scalp) => develop(one, strands, paint, { fine: 1, seed: 1 }).rgba[0]!
    expect(red(scalp)).toBeLessThan(0.6 * red(bare))
    const under = blank(camera({ turn: 0, tilt: 0 }))
    exposeStrands(under, strands)
    const before = develop(under, strands, paint, { fine: 1, seed: 1 }).rgba
    const middle = Math.floor(under.camera.height / 2) * under.camera.width + Math.floor(under.camera.width / 2)
    under.depth[middle] = under.depth[middle]! - 3
    const after = develop(under, strands, paint, { fine: 1, seed: 1 }).rgba
    expect(after[4 * middle]!).toBeLessThan(before[4 * middle]! - 10)
  })

  it('is brightest where hair lies across the light (Kajiya & Kay 1989: the sine of the angle between them)', () => {
    const shade = (end: [number, number, number]) => {
      const one = lines([[[0, 10, 0], end]], 3)
      const own = blank(camera({ turn: 0, tilt: 0 }))
      exposeStrands(own, one)
      const { rgba } = develop(own, one, paintOf(one), { fine: 1, seed: 1 })
      const lit = [...own.pixels.keys()].filter((index) => own.pixels[index] !== 0)
      return lit.reduce((sum, index) => sum + rgba[4 * index]!, 0) / lit.length
    }
    // The light comes from above and before: hair across it is brighter than hair that points into it.
    expect(shade([8, 10, 0])).toBeGreaterThan(shade([0, 16, 6]) + 8)
  })
})
