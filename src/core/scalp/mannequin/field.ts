import { smooth } from '../../numeric'
import { REFERENCE_AXES, type Head } from '../head'
import { PARTS, PARTS_FROM, PARTS_WHOLE, ROUND, type Part } from './constants'

/** Distance to the bust at a point, cm: negative inside. Near the surface within a few hundredths, farther a guide. */
export type Field = (x: number, y: number, z: number) => number

/**
 * The bust around a head: its exact scalp, joined smoothly with face, ears, neck and shoulders of its breadth.
 * Everything is alike on both sides.
 */
export function mannequinField(head: Head): Field {
  const scale = head.axes.breadth / REFERENCE_AXES.breadth
  const parts = PARTS.map((part) => ({ ...part, distance: distanceTo(part), radius: ROUND[part.round] }))
  const beneath = parts.filter(({ overHair }) => !overHair)
  const over = parts.filter(({ overHair }) => overHair)
  const add = (to: number, some: typeof parts, x: number, y: number, z: number): number => {
    let distance = to
    for (const { cut, radius, distance: own } of some) {
      const away = own(x, y, z) * scale
      distance = cut ? without(distance, away, radius) : joined(distance, away, radius)
    }
    return distance
  }
  return (x, y, z) => {
    // What is on one side is on both.
    const px = Math.abs(x) / scale
    const py = y / scale
    const scalp = scalpDistance(head, x, y, z)
    const whole = add(scalp, beneath, px, py, z)
    const share = whole === scalp ? 0 : beyondHair(head, x, y, z)
    return add(scalp + share * (whole - scalp), over, px, py, z)
  }
}

/** Distance to the surface that hair grows on: the half-ellipsoids of the head. */
const scalpDistance = ({ axes }: Head, x: number, y: number, z: number): number =>
  ellipsoidDistance(x, y, z, axes.breadth, y >= 0 ? axes.front : axes.back, z >= 0 ? axes.up : axes.down)

/** How far beyond the hairline a direction lies, 0…1: nothing where hair grows. */
function beyondHair(head: Head, x: number, y: number, z: number): number {
  const theta = Math.atan2(Math.sqrt(x * x + y * y), z)
  const past = theta / head.hairline(Math.atan2(x, y))
  return smooth((past - PARTS_FROM) / (PARTS_WHOLE - PARTS_FROM))
}

/**
 * Distance to an ellipsoid about the origin: exact on its surface, and of first order beside it (the implicit form over
 * its gradient; Quilez, from memory).
 */
function ellipsoidDistance(x: number, y: number, z: number, a: number, b: number, c: number): number {
  const u = x / a
  const v = y / b
  const w = z / c
  const k0 = Math.sqrt(u * u + v * v + w * w)
  const p = u / a
  const q = v / b
  const r = w / c
  const k1 = Math.sqrt(p * p + q * q + r * r)
  return k1 === 0 ? -Math.min(a, b, c) : (k0 * (k0 - 1)) / k1
}

function distanceTo(part: Part): Field {
  const [cx, cy, cz] = part.at
  if ('axes' in part) {
    const [a, b, c] = part.axes
    return (x, y, z) => ellipsoidDistance(x - cx, y - cy, z - cz, a, b, c)
  }
  const [dx, dy, dz] = [part.to[0] - cx, part.to[1] - cy, part.to[2] - cz]
  const length = dx * dx + dy * dy + dz * dz
  return (x, y, z) => {
    const px = x - cx
    const py = y - cy
    const pz = z - cz
    const along = Math.min(1, Math.max(0, (px * dx + py * dy + pz * dz) / length))
    const rx = px - along * dx
    const ry = py - along * dy
    const rz = pz - along * dz
    return Math.sqrt(rx * rx + ry * ry + rz * rz) - part.radius
  }
}

/** Two bodies as one, rounded where they meet (polynomial smooth minimum; Quilez, from memory). */
function joined(one: number, other: number, round: number): number {
  const near = Math.max(round - Math.abs(one - other), 0) / round
  return Math.min(one, other) - (near * near * round) / 4
}

/** A body without another, rounded where they meet. */
const without = (one: number, other: number, round: number): number => -joined(-one, other, round)
