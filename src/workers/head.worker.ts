import { expose as serve } from 'comlink'
import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Group,
  LineBasicMaterial,
  LineLoop,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Raycaster,
  Scene,
  Vector2,
  WebGLRenderer,
} from 'three'
import type { View } from '@/core/appearance/picture'
import { between } from '@/core/numeric'
import type { HeadModel, Triangles } from '@/core/plan/sheets'

/** What the head shows, and how. */
export interface HeadShown {
  /** Foils of this stage are shown. */
  stageId: string
  swatches: Record<string, string>
  selectedZone: string | undefined
  chosenPiece: string | undefined
  view: View
  /** How much nearer than the whole bust; 1 is the whole. */
  near: number
  dark: boolean
  /** Size of the picture, CSS pixels, and pixels of the screen to one of them. */
  width: number
  height: number
  sharpness: number
}

/** A foil or panel that was pressed. */
export interface PressedPiece {
  pieceId: string
  zoneId: string
}

/** A line or a face, and what it stands for. */
interface Part {
  object: LineLoop<BufferGeometry, LineBasicMaterial> | Mesh<BufferGeometry, MeshLambertMaterial>
  stageId?: string
  zoneId?: string
  formulaId?: string
  pieceId?: string
}

/**
 * Distance of the camera, cm, and its field of view, °; how far the bust is lifted so that all of it is in the middle,
 * and which height of the head comes to the middle when one is near, cm. Our choice.
 */
const CAMERA = { away: 58, fieldOfView: 34, lift: 3, crown: 8 } as const
/** Greys of skin and lines, for either scheme. Our choice. */
const GREY = {
  skin: '#dcdcdc',
  darkSkin: '#6d6d6d',
  line: '#6d6d6d',
  chosenLine: '#000000',
  chosen: '#1d1d1d',
} as const
/** What is not of the selected zone is seen through this much. Our choice. */
const ASIDE = 0.35

const scene = new Scene()
const camera = new PerspectiveCamera(CAMERA.fieldOfView)
/** Tilted, within it turned, within it from the core's axes (left, face, up) to three's (right, up, to the viewer). */
const [tilted, turned, bust] = [new Group(), new Group(), new Group()]
const skin = new MeshLambertMaterial({ side: DoubleSide })
let renderer: WebGLRenderer | undefined
let parts: Part[] = []
setScene()

function setScene() {
  const sun = new DirectionalLight('white', 1.9)
  sun.position.set(-9, 16, 18)
  scene.add(new AmbientLight('white', 0.9), sun, tilted.add(turned.add(bust)))
  camera.position.z = CAMERA.away
  bust.rotation.x = -Math.PI / 2
  bust.scale.x = -1
}

const api = {
  /** Takes the canvas over. @returns whether this device can draw in space */
  begin(canvas: OffscreenCanvas): boolean {
    try {
      renderer = new WebGLRenderer({ canvas, antialias: true, alpha: true })
    } catch {
      return false
    }
    return true
  },
  /** The head in hand and all that lies on it; shown with the next picture. */
  load(model: HeadModel): void {
    for (const { object } of parts) {
      bust.remove(object)
      object.geometry.dispose()
      if (object.material !== skin) object.material.dispose()
    }
    parts = partsOf(model)
    bust.add(...parts.map(({ object }) => object))
  },
  /** Draws it. */
  show(shown: HeadShown): void {
    if (!renderer) return
    const { width, height, view, near } = shown
    renderer.setPixelRatio(shown.sharpness)
    renderer.setSize(width, height, false)
    camera.aspect = width / height
    camera.zoom = near
    turned.position.y = between(CAMERA.lift, -CAMERA.crown, 1 - 1 / near)
    camera.updateProjectionMatrix()
    tilted.rotation.x = view.tilt
    turned.rotation.y = Math.PI - view.turn
    skin.color.set(shown.dark ? GREY.darkSkin : GREY.skin)
    for (const part of parts) dress(part, shown)
    renderer.render(scene, camera)
  },
  /** The foil or panel at a place of the picture. @param x @param y share of its width and height from the top left */
  pick(x: number, y: number): PressedPiece | undefined {
    const ray = new Raycaster()
    ray.setFromCamera(new Vector2(2 * x - 1, 1 - 2 * y), camera)
    const solid = parts.filter(({ object }) => object instanceof Mesh && object.visible)
    const hit = ray.intersectObjects(solid.map(({ object }) => object))[0]
    const part = solid.find(({ object }) => object === hit?.object)
    return part?.pieceId !== undefined && part.zoneId !== undefined
      ? { pieceId: part.pieceId, zoneId: part.zoneId }
      : undefined
  },
}

function partsOf({ bust: surface, hairline, zones, pieces }: HeadModel): Part[] {
  return [
    { object: new Mesh(geometryOf(surface), skin) },
    { object: loop(hairline, GREY.chosen) },
    ...zones.flatMap(({ zoneId, stageId, outlines }) =>
      outlines.map((outline) => ({ object: loop(outline, GREY.line), zoneId, stageId })),
    ),
    ...pieces.map(({ triangles, ...piece }) => ({
      object: new Mesh(geometryOf(triangles), new MeshLambertMaterial({ side: DoubleSide, transparent: true })),
      ...piece,
    })),
  ]
}

/** Shows a part if it is of the stage in hand, in the colour of what it is now. */
function dress({ object, stageId, zoneId, formulaId, pieceId }: Part, shown: HeadShown) {
  object.visible = stageId === undefined || stageId === shown.stageId
  if (zoneId === undefined) return
  const isSelected = shown.selectedZone === zoneId
  if (formulaId === undefined || pieceId === undefined) {
    object.material.color.set(isSelected ? GREY.chosenLine : GREY.line)
    return
  }
  object.material.color.set(pieceId === shown.chosenPiece ? GREY.chosen : new Color(shown.swatches[formulaId]))
  object.material.opacity = shown.selectedZone === undefined || isSelected ? 1 : ASIDE
}

function loop(positions: Float32Array, colour: string): LineLoop<BufferGeometry, LineBasicMaterial> {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(positions, 3))
  return new LineLoop(geometry, new LineBasicMaterial({ color: colour }))
}

function geometryOf({ positions, indices }: Triangles): BufferGeometry {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(positions, 3))
  geometry.setIndex(new BufferAttribute(indices, 1))
  geometry.computeVertexNormals()
  return geometry
}

export type HeadWorker = typeof api
serve(api)
