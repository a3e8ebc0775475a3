import { byId, type FaltoPlan, type Formula, type Stage } from '../../model'
import { foilsOf } from '../../placement/foils'
import type { ComputedStages } from '../../placement/quantity'
import { mapDrawing, type MapDrawing, type ZoneDrawing } from './mapDrawing'
import { sideViews, type SideView } from './sideViews'

/** One stage on a head sheet: the map and the order of application in words. */
export interface SheetStage {
  name: string
  zones: ZoneDrawing[]
  order: { turn: number; name: string; words: string }[]
  /** The head from four sides, with the same numbers. */
  views: SideView[]
}

/**
 * A head sheet as a tree of what is drawn and said; SVG and PDF are made from it. Black and white: formulas are told
 * apart by letter and hatch. Units: cm of the map, y downwards.
 */
export interface HeadSheet {
  title: string
  hair: string
  map: Pick<MapDrawing, 'hairline' | 'extent' | 'landmarks'>
  stages: SheetStage[]
  formulas: { id: string; words: string; hatch: Hatch }[]
}

/** Direction in degrees and distance in cm of a formula's lines. */
export interface Hatch {
  angle: number
  gap: number
}

/** In the order of the letters; beyond them they begin again wider. */
const HATCHES: readonly Hatch[] = [
  { angle: 45, gap: 0.16 },
  { angle: 0, gap: 0.16 },
  { angle: 90, gap: 0.16 },
  { angle: 135, gap: 0.16 },
  { angle: 45, gap: 0.3 },
  { angle: 0, gap: 0.3 },
]

/** @param stages of the active variant @param grams of mix per formula, ready to read */
export function headSheet(
  plan: FaltoPlan,
  stages: readonly Stage[],
  computed: ComputedStages,
  grams: Readonly<Record<string, string>>,
): HeadSheet {
  const drawing = mapDrawing(plan, computed)
  const { naturalLevel, lengthCm, texture, density } = plan.hair
  return {
    title: plan.name,
    hair: `level ${naturalLevel}, ${lengthCm} cm, ${texture} fibre, ${density} density${plan.note ? ` · ${shortNote(plan.note, PLAN_NOTE_LETTERS)}` : ''}`,
    map: drawing,
    stages: stages.map((stage) => ({
      name: stage.name,
      views: sideViews(computed, stage, drawing.zones),
      zones: drawing.zones.filter(({ stageId }) => stageId === stage.id),
      order: stage.order.map((id, i) => {
        const zone = byId(stage.zones, id)
        const { pieces } = computed.zones.find(({ zoneId }) => zoneId === id)!.placement
        const foils = foilsOf(pieces)
        const letters = [...new Set(pieces.map(({ formulaId }) => formulaId))].join(' ')
        return {
          turn: i + 1,
          name: zone.name,
          words: `${
            pieces.length === 0
              ? 'left'
              : `${foils > 0 ? `${foils} foils` : `${pieces.length} ${pieces[0]!.kind === 'open' ? 'panels' : 'partings'}`} ${letters}`
          }${zone.note ? ` · ${shortNote(zone.note)}` : ''}`,
        }
      }),
    })),
    formulas: plan.formulas.map(({ id, name, developerVol, ratio, level, tone, productId, shades, note }, i) => ({
      id,
      words: `${name}: ${mixedFrom(plan, productId, shades)}, ${developerVol} vol, 1 : ${ratio}, level ${level} ${tone}, ${grams[id] ?? '0 g'}${note ? ` · ${shortNote(note)}` : ''}`,
      hatch: HATCHES[i % HATCHES.length]!,
    })),
  }
}

/** As much of a note as fits beside the map, and under the title. Our choice. */
const NOTE_LETTERS = 30
const PLAN_NOTE_LETTERS = 60
const shortNote = (note: string, letters = NOTE_LETTERS): string =>
  note.length > letters ? `${note.slice(0, letters - 1)}…` : note

/** What a formula is mixed from, in words. */
function mixedFrom({ products }: FaltoPlan, productId: string, shades: Formula['shades'] = []): string {
  const nameOf = (code: string) => byId(products, code).name
  if (shades.length < 2) return nameOf(shades[0]?.productId ?? productId)
  return shades
    .map(({ productId: code, amount, unit }) => `${amount} ${unit === 'grams' ? 'g' : unit} ${nameOf(code)}`)
    .join(' + ')
}

/** The sheet as an SVG document, one map a stage, A4 wide. */
export function svgOfSheet({ title, hair, map, stages, formulas }: HeadSheet): string {
  const { left, right, top, bottom } = map.extent
  const width = right - left + 2
  const height = bottom - top + 2
  const listed = Math.max(...stages.map(({ order }) => order.length))
  const mapHeight = Math.max(height, 1.1 * listed + 2)
  const viewHeight =
    VIEW_SCALE * Math.max(...stages.flatMap(({ views }) => views.map(({ extent }) => extent.bottom - extent.top)))
  const perStage = mapHeight + viewHeight + 3
  const pageWidth = width + 13
  const pageHeight = 3.4 + stages.length * perStage + formulas.length * 0.9 + 1
  const patterns = formulas.map(
    ({ id, hatch: { angle, gap } }) =>
      `<pattern id="h${id}" width="${gap}" height="${gap}" patternUnits="userSpaceOnUse" patternTransform="rotate(${angle})"><rect width="${gap}" height="${gap}" fill="#fff"/><line x1="0" y1="0" x2="${gap}" y2="0" stroke="#000" stroke-width="0.05"/></pattern>`,
  )
  const text = (x: number, y: number, size: number, words: string, rest = '') =>
    `<text x="${x}" y="${y}" font-size="${size}" ${rest}>${escaped(words)}</text>`
  const body = stages.map(({ name, zones, order, views }, k) => {
    const y = 3.2 + k * perStage
    const drawn = zones.map(
      (zone) =>
        `${zone.pieces.map(({ stitches, formulaId }) => (stitches ? `<path d="${stitches}" fill="url(#h${formulaId})" stroke="#000" stroke-width="0.02"/>` : '')).join('')}<path d="${zone.outline}" fill="none" stroke="#000" stroke-width="0.07"/>`,
    )
    const numbers = zones.map(
      ({ label }, i) =>
        `<circle cx="${label.x}" cy="${label.y}" r="0.6" fill="#fff" stroke="#000" stroke-width="0.05"/>${text(label.x, label.y + 0.26, 0.75, String(i + 1), 'text-anchor="middle" font-weight="700"')}`,
    )
    const list = order.map(({ turn, name: zone, words }, i) =>
      text(width + 0.6, 1.9 + 1.1 * i, 0.72, `${turn}  ${zone}: ${words}`),
    )
    return `<g transform="translate(0.5 ${y})">${text(0, 0.2, 0.9, `${k + 1} ${name}`, 'font-weight="700"')}<g transform="translate(${1 - left} ${1 - top})"><path d="${map.hairline}" fill="#fff" stroke="#000" stroke-width="0.1"/>${drawn.join('')}${numbers.join('')}</g>${list.join('')}<g transform="translate(0 ${mapHeight + 1})">${views.map((view, i) => svgOfView(view, (pageWidth / views.length) * i)).join('')}</g></g>`
  })
  const legend = formulas.map(({ id, words }, i) => {
    const y = 3.2 + stages.length * perStage + i * 0.9
    return `<rect x="0.5" y="${y - 0.6}" width="1" height="0.7" fill="url(#h${id})" stroke="#000" stroke-width="0.04"/>${text(1.8, y, 0.66, `${id}  ${words}`)}`
  })
  return `<?xml version="1.0" encoding="UTF-8"?>\n<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${pageWidth.toFixed(2)} ${pageHeight.toFixed(2)}" width="190mm" font-family="sans-serif"><title>${escaped(title)}</title><defs>${patterns.join('')}</defs><rect width="100%" height="100%" fill="#fff"/>${text(0.5, 1.3, 1.1, title, 'font-weight="700"')}${text(0.5, 2.3, 0.7, hair)}${body.join('')}${legend.join('')}</svg>\n`
}

/** Size of the views from four sides against the map's. Our choice: four of them side by side. */
const VIEW_SCALE = 0.42

function svgOfView({ side, outline, hairline, bounds, numbers, extent }: SideView, x: number): string {
  const line = (path: string, width: number, fill = 'none') =>
    `<path d="${path}" fill="${fill}" stroke="#000" stroke-width="${width}"/>`
  const turns = numbers.map(
    ({ turn, x: cx, y: cy }) =>
      `<circle cx="${cx.toFixed(2)}" cy="${cy.toFixed(2)}" r="1" fill="#fff" stroke="#000" stroke-width="0.08"/><text x="${cx.toFixed(2)}" y="${(cy + 0.45).toFixed(2)}" font-size="1.3" text-anchor="middle">${turn}</text>`,
  )
  return `<g transform="translate(${x.toFixed(2)} 0)"><text x="0" y="0" font-size="0.66">${side}</text><g transform="translate(0 0.5) scale(${VIEW_SCALE}) translate(${(-extent.left).toFixed(2)} ${(-extent.top).toFixed(2)})">${line(outline, 0.12, '#fff')}${line(hairline, 0.2)}${line(bounds, 0.12)}${turns.join('')}</g></g>`
}

const escaped = (words: string): string => words.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`)
