'use client'
import Box from '@mui/material/Box'
import Button from '@mui/material/Button'
import Dialog from '@mui/material/Dialog'
import DialogActions from '@mui/material/DialogActions'
import DialogContent from '@mui/material/DialogContent'
import DialogTitle from '@mui/material/DialogTitle'
import Stack from '@mui/material/Stack'
import Table from '@mui/material/Table'
import TableBody from '@mui/material/TableBody'
import TableCell from '@mui/material/TableCell'
import TableHead from '@mui/material/TableHead'
import TableRow from '@mui/material/TableRow'
import TextField from '@mui/material/TextField'
import Typography from '@mui/material/Typography'
import type { Remote } from 'comlink'
import { useEffect, useState } from 'react'
import { v7 as newId } from 'uuid'
import { byId, COUNTS, type Placement, type Variant } from '@/core/model'
import type { PlanFigures } from '@/core/plan/planner'
import type { PlanWorker } from '@/workers/plan.worker'
import { ListChoice, Read } from '../../parts'
import { differences } from '../../differences'
import { SmallPair, useThumbnails, type Wanted } from '../../thumbnails'
import { WORDS } from '../../words'
import { usePlan, usePlanStore } from '../context'

interface Props {
  worker: Remote<PlanWorker> | undefined
  onClose: () => void
}

/** Other ideas for the same client: make one, choose one, hold two side by side. */
export function VariantsDialog({ worker, onClose }: Props) {
  const { variants, activeVariantId } = usePlan((state) => state.document)
  const active = byId(variants, activeVariantId)
  const others = variants.filter(({ id }) => id !== activeVariantId)
  const [otherId, setOtherId] = useState(others[0]?.id)
  const other = others.find(({ id }) => id === otherId)
  return (
    <Dialog open onClose={onClose} maxWidth="md" aria-labelledby="variants-title">
      <DialogTitle id="variants-title">Ideas for this plan</DialogTitle>
      <DialogContent>
        <Stack spacing={2} sx={{ pt: 1 }}>
          <InHand active={active} variants={variants} onLeft={setOtherId} />
          {others.length === 0 && (
            <Typography color="textSecondary">
              One idea so far. Make another from it, change that one, and both stand here side by side.
            </Typography>
          )}
          {others.length > 1 && (
            <ListChoice
              label="Held against"
              value={other?.id ?? ''}
              options={ideaOptions(others)}
              sx={{ maxWidth: 260 }}
              onChange={setOtherId}
            />
          )}
          {other && <SideBySide worker={worker} active={active} other={other} />}
        </Stack>
      </DialogContent>
      <DialogActions>
        <Button variant="contained" onClick={onClose}>
          Done
        </Button>
      </DialogActions>
    </Dialog>
  )
}

const ideaOptions = (ideas: readonly Variant[]) => ideas.map(({ id, name }) => ({ value: id, label: name }))

interface InHandProps {
  active: Variant
  variants: readonly Variant[]
  /** The idea that was in hand before. */
  onLeft: (id: string) => void
}

/** The idea on the map: another one, a copy of it, its name, without it. */
function InHand({ active, variants, onLeft }: InHandProps) {
  const { store, permissions } = usePlanStore()

  function copy() {
    const id = newId()
    const next: Variant = { ...renumbered(structuredClone(active)), id, name: `Idea ${variants.length + 1}` }
    store.edit(`${next.name} added`, `variant/${id}`, (draft) => {
      draft.variants.push(next)
      draft.activeVariantId = id
    })
    store.show(undefined)
    onLeft(active.id)
  }

  function choose(id: string) {
    onLeft(active.id)
    store.edit(`${byId(variants, id).name} in hand`, 'variant/choose', (draft) => void (draft.activeVariantId = id))
    store.show(undefined)
  }

  function remove() {
    const next = variants.find(({ id }) => id !== active.id)!
    store.edit(`${active.name} removed`, 'variant/remove', (draft) => {
      draft.variants = draft.variants.filter(({ id }) => id !== active.id)
      draft.activeVariantId = next.id
    })
    store.show(undefined)
  }

  function rename(name: string) {
    if (name) store.edit('Idea renamed', 'variant/name', (draft) => void (byId(draft.variants, active.id).name = name))
  }

  return (
    <Box sx={{ display: 'flex', gap: 1, flexWrap: 'wrap' }}>
      <ListChoice
        label="In hand"
        value={active.id}
        options={ideaOptions(variants)}
        disabled={!permissions.write}
        sx={{ minWidth: 200 }}
        onChange={choose}
      />
      {permissions.write && (
        <>
          <TextField
            size="small"
            label="Its name"
            value={active.name}
            slotProps={{ htmlInput: { maxLength: COUNTS.nameLength } }}
            onChange={({ target }) => rename(target.value)}
          />
          <Button variant="contained" disabled={variants.length >= COUNTS.variants} onClick={copy}>
            Another idea from this one
          </Button>
          {variants.length > 1 && (
            <Button color="inherit" onClick={remove}>
              Remove
            </Button>
          )}
        </>
      )}
    </Box>
  )
}

/** Figures of some ideas of the plan in hand, worked out beside it. */
function useIdeaFigures(worker: Props['worker'], ids: readonly string[]): Record<string, PlanFigures> {
  const document = usePlan((state) => state.document)
  const [figures, setFigures] = useState<Record<string, PlanFigures>>({})
  const asked = ids.join()
  useEffect(() => {
    let current = true
    for (const id of asked.split(','))
      void worker
        ?.figures({ ...document, activeVariantId: id })
        .then((found) => current && setFigures((before) => ({ ...before, [id]: found })))
    return () => {
      current = false
    }
  }, [worker, document, asked])
  return figures
}

/** Ideas of the plan in hand, small. */
function useIdeasDrawn(ideas: readonly Variant[]): Wanted[] {
  const document = usePlan((state) => state.document)
  const canvas = usePlan((state) => state.canvas)
  return ideas.map((idea) => ({
    name: idea.id,
    key: JSON.stringify([{ ...document, variants: [idea], activeVariantId: '' }, canvas]),
    of: () => ({ plan: { ...document, activeVariantId: idea.id }, canvas }),
  }))
}

function SideBySide({ worker, active, other }: Pick<Props, 'worker'> & { active: Variant; other: Variant }) {
  const figures = useIdeaFigures(worker, [active.id, other.id])
  const small = useThumbnails(useIdeasDrawn([active, other]))
  const [mine, theirs] = [figures[active.id], figures[other.id]]
  if (!mine || !theirs) return <Typography role="status">Working it out…</Typography>
  return (
    <>
      <Table size="small" aria-label="Two ideas side by side">
        <TableHead>
          <TableRow>
            <TableCell />
            {[active, other].map(({ id, name }) => (
              <TableCell key={id} align="right">
                <Box sx={{ display: 'inline-block' }}>
                  <SmallPair thumbnail={small.get(id)} />
                </Box>
                <div>{name}</div>
              </TableCell>
            ))}
          </TableRow>
        </TableHead>
        <TableBody>
          {compared(mine, theirs).map(({ label, one, two }) => (
            <TableRow key={label}>
              <TableCell component="th" scope="row">
                {label}
              </TableCell>
              {[one, two].map((words, i) => (
                <TableCell key={i} align="right" sx={{ fontWeight: one === two ? 400 : 700 }}>
                  <Read>{words}</Read>
                </TableCell>
              ))}
            </TableRow>
          ))}
        </TableBody>
      </Table>
      <Box component="section" aria-label="What differs">
        <Typography variant="h3">What differs</Typography>
        {zoneDifferences(active, other).map((line) => (
          <Typography key={line} variant="body2">
            <Read>{line}</Read>
          </Typography>
        ))}
      </Box>
    </>
  )
}

/** A copy whose stages and zones have ids of their own, and still name each other rightly. */
function renumbered(variant: Variant): Variant {
  const ids = new Map<string, string>()
  const fresh = (id: string) => ids.get(id) ?? (ids.set(id, newId()), ids.get(id)!)
  return {
    ...variant,
    stages: variant.stages.map((stage) => ({
      ...stage,
      id: fresh(stage.id),
      ...(stage.worksOn?.stageId && { worksOn: { ...stage.worksOn, stageId: fresh(stage.worksOn.stageId) } }),
      zones: stage.zones.map((zone) => ({ ...zone, id: fresh(zone.id) })),
      order: stage.order.map(fresh),
    })),
  }
}

function compared(mine: PlanFigures, theirs: PlanFigures): { label: string; one: string; two: string }[] {
  const line = (label: string, value: (figures: PlanFigures) => string) => ({
    label,
    one: value(mine),
    two: value(theirs),
  })
  return [
    line('Foils', ({ foils }) => String(foils)),
    ...Object.keys(mine.grams).map((id) => line(`Formula ${id}`, ({ grams }) => `${grams[id]?.expected ?? 0} g`)),
    line('Hands-on', ({ minutes }) => `${minutes.expected} min (${minutes.low}–${minutes.high})`),
    line('Lighter : darker : left', ({ look }) => `${look.lightPercent} : ${look.lowPercent} : ${look.leftPercent} %`),
    line('Contrast', ({ look }) => WORDS.contrastVerdict[look.contrast]),
    line('Part line', ({ look }) => (look.partLinePercent === null ? '–' : `${look.partLinePercent} %`)),
    line('Face against back', ({ look }) => (look.faceToBackPercent === null ? '–' : `${look.faceToBackPercent} %`)),
    line(
      'Mean level straight · waved · tied',
      ({ look }) => `${look.meanLevel.straight} · ${look.meanLevel.waved} · ${look.meanLevel.tied}`,
    ),
    line('Carries', ({ look }) => (look.upkeepWeeks ? `${look.upkeepWeeks.low}–${look.upkeepWeeks.high} weeks` : '–')),
    line('Cautions · advice', ({ cautions, advice }) => `${cautions.length} · ${advice.length}`),
  ]
}

/** Zone by zone what is set otherwise, in words. */
function zoneDifferences(one: Variant, two: Variant): string[] {
  const lines = one.stages.flatMap((stage, s) => {
    const against = two.stages[s]
    if (!against) return [`${stage.name} is only in ${one.name}.`]
    return stage.zones.flatMap((zone) => {
      const twin = against.zones.find(({ role }) => role === zone.role)
      if (!twin) return [`${zone.name} is only in ${one.name}.`]
      const paths = [
        ...new Set(
          differences(twin.placement, zone.placement).map(({ path }) =>
            path.slice(0, path[0] === 'take' ? 2 : 1).join('.'),
          ),
        ),
      ]
      return paths.length > 0
        ? [
            `${zone.name}: ${paths.map((path) => `${SET[path]?.name ?? path} ${shown(twin.placement, path)} → ${shown(zone.placement, path)}`).join(', ')}`,
          ]
        : []
    })
  })
  const more = two.stages.slice(one.stages.length).map(({ name }) => `${name} is only in ${two.name}.`)
  return lines.length + more.length > 0 ? [...lines, ...more] : ['Nothing: they are alike.']
}

/** What is set for a zone, by its place in the placement. */
const SET: Readonly<Record<string, { name: string; words?: Record<string, string>; unit?: string }>> = {
  direction: { name: 'partings', words: WORDS.direction },
  angleDeg: { name: 'slope', unit: '°' },
  subsectionMm: { name: 'subsection', unit: 'mm' },
  rowGapMm: { name: 'row gap', unit: 'mm' },
  bricklay: { name: 'bricklaid', words: { true: 'yes', false: 'no' } },
  'take.kind': { name: 'taken', words: WORDS.take },
  'take.stitchMm': { name: 'stitch', unit: 'mm' },
  'take.stitchGapMm': { name: 'gap between stitches', unit: 'mm' },
  'take.depthShare': { name: 'depth of the stitch' },
  'take.bandCm': { name: 'new growth', unit: 'cm' },
  'take.shape': { name: 'shape', words: WORDS.shape },
  'take.saturation': { name: 'saturation' },
  'take.faceLiftCm': { name: 'higher towards the face by', unit: 'cm' },
  sequence: { name: 'row rhythm' },
  startCm: { name: 'start from the scalp', unit: 'cm' },
  rowOrder: { name: 'rows', words: WORDS.rowOrder },
  cover: { name: 'cover', words: WORDS.cover },
  dropout: { name: 'what is not picked up' },
  ramps: { name: 'ramps' },
  panel: { name: 'hairline panel' },
  select: { name: 'which hair', words: WORDS.select },
  bufferCm: { name: 'buffer to a nearer product', unit: 'cm' },
  stopBeforeEndsCm: { name: 'stop before the ends', unit: 'cm' },
  upToCm: { name: 'only up to', unit: 'cm' },
}

function shown(placement: Placement, path: string): string {
  const value = path
    .split('.')
    .reduce<unknown>((at, key) => (at as Record<string, unknown> | undefined)?.[key], placement)
  if (value === undefined) return '–'
  if (Array.isArray(value) && value.every((one) => typeof one === 'string')) return value.join(' ') || 'left alone'
  if (typeof value === 'object') return 'set'
  const { words, unit = '' } = SET[path] ?? {}
  return words?.[String(value)]?.toLowerCase() ?? `${String(value)} ${unit}`.trim()
}
