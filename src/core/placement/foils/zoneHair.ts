import type { Head } from '../../scalp/head'
import { hairsPerCm2, rootLength } from '../../hair/fibre'
import type { ZoneShape } from '../layout'
import type { HairState } from '../../model'
import type { ZoneHair } from './foils'

/** Density and length of hair at every vertex of a zone's mesh, and the zone's hairs in all. */
export function zoneHair(head: Head, hair: HairState, shape: ZoneShape): ZoneHair {
  const { mesh } = shape
  const count = mesh.map.length / 2
  const density = new Float64Array(count)
  const length = new Float64Array(count)
  const lengthAt = rootLength(head, hair)
  for (let i = 0; i < count; i++) {
    const psi = mesh.direction[2 * i + 1]!
    density[i] = hairsPerCm2(hair, { psi, s: mesh.s[i]! })
    length[i] = lengthAt(mesh.direction[2 * i]!, psi)
  }
  let hairs = 0
  for (let t = 0; t < mesh.areas.length; t++) {
    const corners =
      density[mesh.triangles[3 * t]!]! + density[mesh.triangles[3 * t + 1]!]! + density[mesh.triangles[3 * t + 2]!]!
    hairs += (mesh.areas[t]! * corners) / 3
  }
  return { density, length, hairs }
}
