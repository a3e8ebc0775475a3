'use client'
import { Canvas, useThree, type ThreeEvent } from '@react-three/fiber'
import { useColorScheme } from '@mui/material/styles'
import { useEffect, useMemo, useRef } from 'react'
import { BufferAttribute, BufferGeometry, DoubleSide } from 'three'
import type { HeadModel, Triangles } from '@/core/plan/sheets'

interface Props {
  model: HeadModel
  swatches: Record<string, string>
  /** Foils of this stage are shown. */
  stageId: string
  selectedZone: string | undefined
  chosenPiece: string | undefined
  onChoose: (piece: { pieceId: string; zoneId: string; stageId: string }) => void
  /** Turn and tilt of the view, rad. */
  view: { turn: number; tilt: number }
  onTurn: (view: { turn: number; tilt: number }) => void
}

/** The head with its foils, drawn when something changes and not in a loop. Drag to turn. */
export default function Head3D({ view, onTurn, ...shown }: Props) {
  const drag = useRef<{ x: number; y: number; turn: number; tilt: number }>(undefined)
  return (
    <Canvas
      frameloop="demand"
      camera={{ position: [0, 0, 58], fov: 34 }}
      role="img"
      aria-label="The head with its foils; drag or use the turn buttons to turn it"
      style={{ touchAction: 'none', cursor: 'grab' }}
      onPointerDown={(event) => {
        drag.current = { x: event.clientX, y: event.clientY, ...view }
      }}
      onPointerMove={(event) => {
        const { current } = drag
        if (!current) return
        onTurn({
          turn: current.turn + (event.clientX - current.x) * 0.012,
          tilt: Math.min(1.4, Math.max(-0.5, current.tilt + (event.clientY - current.y) * 0.008)),
        })
      }}
      onPointerUp={() => (drag.current = undefined)}
      onPointerLeave={() => (drag.current = undefined)}
    >
      <ambientLight intensity={0.9} />
      <directionalLight position={[-9, 16, 18]} intensity={1.9} />
      <Model {...shown} view={view} />
    </Canvas>
  )
}

/** The core's axes are left, face, up; three's are right, up, towards the viewer. Turn 0 shows the back of the head. */
function Model({ model, swatches, stageId, selectedZone, chosenPiece, onChoose, view }: Omit<Props, 'onTurn'>) {
  const { mode } = useColorScheme()
  const { invalidate } = useThree()
  useEffect(() => invalidate(), [invalidate, view, model, swatches, stageId, selectedZone, chosenPiece])
  const surface = useMemo(() => geometryOf(model.bust), [model])
  const hairline = useMemo(() => {
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new BufferAttribute(model.hairline, 3))
    return geometry
  }, [model])
  const pieces = useMemo(
    () =>
      model.pieces
        .filter((piece) => piece.stageId === stageId)
        .map((piece) => ({ ...piece, geometry: geometryOf(piece.triangles) })),
    [model, stageId],
  )
  const zones = useMemo(
    () =>
      model.zones
        .filter((zone) => zone.stageId === stageId)
        .flatMap(({ zoneId, outlines }) =>
          outlines.map((outline) => {
            const geometry = new BufferGeometry()
            geometry.setAttribute('position', new BufferAttribute(outline, 3))
            return { zoneId, geometry }
          }),
        ),
    [model, stageId],
  )
  // Geometry lives on the graphics card and is given back when a newer model takes its place.
  useEffect(
    () => () => {
      for (const geometry of [surface, hairline, ...[...pieces, ...zones].map((one) => one.geometry)])
        geometry.dispose()
    },
    [surface, hairline, pieces, zones],
  )

  return (
    <group rotation={[view.tilt, 0, 0]}>
      <group rotation={[0, view.turn, 0]} position={[0, 3, 0]}>
        <group rotation={[-Math.PI / 2, 0, 0]} scale={[-1, 1, 1]}>
          <mesh geometry={surface}>
            <meshLambertMaterial color={mode === 'dark' ? '#6d6d6d' : '#dcdcdc'} side={DoubleSide} />
          </mesh>
          <lineLoop geometry={hairline}>
            <lineBasicMaterial color="#1d1d1d" />
          </lineLoop>
          {zones.map(({ geometry, zoneId }, i) => (
            <lineLoop key={i} geometry={geometry}>
              <lineBasicMaterial color={zoneId === selectedZone ? '#000000' : '#6d6d6d'} />
            </lineLoop>
          ))}
          {pieces.map(({ geometry, formulaId, zoneId, pieceId }) => (
            <mesh
              key={pieceId}
              geometry={geometry}
              onClick={(event: ThreeEvent<MouseEvent>) => {
                event.stopPropagation()
                onChoose({ pieceId, zoneId, stageId })
              }}
            >
              <meshLambertMaterial
                color={pieceId === chosenPiece ? '#1d1d1d' : (swatches[formulaId] ?? '#888888')}
                side={DoubleSide}
                transparent
                opacity={selectedZone === undefined || selectedZone === zoneId ? 1 : 0.35}
              />
            </mesh>
          ))}
        </group>
      </group>
    </group>
  )
}

function geometryOf({ positions, indices }: Triangles): BufferGeometry {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(positions, 3))
  geometry.setIndex(new BufferAttribute(indices, 1))
  geometry.computeVertexNormals()
  return geometry
}
