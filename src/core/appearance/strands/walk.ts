import { probeField, type Grid } from '../../scalp/mannequin'
import { FACE, SHOULDERS } from './constants'

/**
 * A strand's way over the bust, one step after another: where it is, where it heads, and the surface below it. One
 * object serves a whole head of hair, and its numbers are fields, because a head has some hundred thousand steps.
 */
export class Walk {
  x = 0
  y = 0
  z = 0
  dx = 0
  dy = 0
  dz = 0
  /** The surface's outward direction below, from the last {@link lay}. */
  nx = 0
  ny = 0
  nz = 1
  /** From the skin, cm, as it was before the last {@link lay}. */
  private distance = 0
  private readonly probe = new Float64Array(4)

  constructor(
    private readonly grid: Grid,
    /** Breadth of the head against the reference head's. */
    private readonly scale: number,
  ) {}

  /** Sets off at a root in a direction, cut down to what runs along the scalp, with some lift off it. */
  setOff(x: number, y: number, z: number, [cx, cy, cz]: readonly [number, number, number], lift: number): void {
    this.x = x
    this.y = y
    this.z = z
    this.feel()
    const out = cx * this.nx + cy * this.ny + cz * this.nz
    this.head(cx - out * this.nx, cy - out * this.ny, cz - out * this.nz)
    this.head(this.dx + lift * this.nx, this.dy + lift * this.ny, this.dz + lift * this.nz)
  }

  /** Turns a share of the way towards a direction of length 1. */
  turn(share: number, x: number, y: number, z: number): void {
    this.head(this.dx + share * (x - this.dx), this.dy + share * (y - this.dy), this.dz + share * (z - this.dz))
  }

  go(cm: number): void {
    this.x += cm * this.dx
    this.y += cm * this.dy
    this.z += cm * this.dz
  }

  /**
   * Comes to lie on its layer: out to it where it is nearer the skin, and on along it. @param height cm over the skin
   */
  lay(height: number): void {
    const short = height - this.feel()
    if (short <= 0) return
    this.x += short * this.nx
    this.y += short * this.ny
    this.z += short * this.nz
    const inwards = this.dx * this.nx + this.dy * this.ny + this.dz * this.nz
    if (inwards < 0) this.head(this.dx - inwards * this.nx, this.dy - inwards * this.ny, this.dz - inwards * this.nz)
  }

  /** Parts before and behind the shoulders instead of lying on them. */
  spareShoulders(cm: number): void {
    if (this.z > SHOULDERS.fromZ || this.distance > SHOULDERS.withinCm) return
    const forward = this.y > SHOULDERS.y * this.scale ? 0.8 : -0.8
    this.turn(SHOULDERS.turn * cm, 0, forward, -0.6)
  }

  /** Keeps off the face: hair that would hang before it goes aside, on its own side. */
  spareFace(cm: number): void {
    const { scale } = this
    const half = FACE.half * scale
    const aside = Math.abs(this.x)
    if (this.y <= FACE.fromY * scale || this.z > FACE.top || this.z < FACE.bottom) return
    if (this.y > FACE.besideY * scale) this.y -= FACE.backwards * cm
    if (aside >= half) return
    const step = Math.min(half - aside, FACE.aside * cm)
    this.x += this.x < 0 ? -step : step
  }

  /** Distance from the skin, cm; its direction is kept. */
  private feel(): number {
    const { probe } = this
    probeField(this.grid, this.x, this.y, this.z, probe)
    const length = Math.sqrt(probe[1]! * probe[1]! + probe[2]! * probe[2]! + probe[3]! * probe[3]!) || 1
    this.nx = probe[1]! / length
    this.ny = probe[2]! / length
    this.nz = probe[3]! / length
    this.distance = probe[0]!
    return this.distance
  }

  private head(x: number, y: number, z: number): void {
    const length = Math.sqrt(x * x + y * y + z * z)
    if (length < 1e-9) return
    this.dx = x / length
    this.dy = y / length
    this.dz = z / length
  }
}
