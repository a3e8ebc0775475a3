import type { Canvas } from '../../model'
import { bandFault } from './bands'
import { SCALP_CELLS } from './cells'
import { daysBetween } from './time'

/** What is said of a day in the future. */
export const NOT_YET_COME = 'This day has not come yet. Use today or an earlier day.'

/** A law that a record breaks, at a path such as `strands[0].bands[2].toCm`. */
export interface CanvasProblem {
  path: string
  message: string
}

/**
 * Checks what no single field can tell: bands tile their strands, cells are all there and name strands that exist,
 * shares add up, nothing lies in the future.
 * @param today `YYYY-MM-DD`; left out, dates are not judged
 */
export function checkCanvas(canvas: Canvas, today?: string): CanvasProblem[] {
  const problems: CanvasProblem[] = []
  const add = (path: string, message: string) => problems.push({ path, message })
  const future = (date: string | undefined) => today !== undefined && date !== undefined && daysBetween(today, date) > 0
  if (future(canvas.recordedOn)) add('recordedOn', NOT_YET_COME)
  const ids = new Set(canvas.strands.map(({ id }) => id))
  if (ids.size < canvas.strands.length) add('strands', 'Two strands have the same id.')
  canvas.strands.forEach(({ bands }, s) => {
    const fault = bandFault(bands)
    if (fault) add(`strands[${s}].bands[${fault.index}].${fault.field}`, fault.message)
    bands.forEach((band, b) =>
      band.treatments.forEach(({ on }, t) => {
        if (future(on)) add(`strands[${s}].bands[${b}].treatments[${t}].on`, NOT_YET_COME)
      }),
    )
  })
  if (canvas.cells.length !== SCALP_CELLS.length)
    add('cells', `There have to be ${SCALP_CELLS.length} scalp cells, not ${canvas.cells.length}.`)
  canvas.cells.forEach(({ populations }, c) => {
    const unknown = populations.findIndex(({ strandId }) => !ids.has(strandId))
    if (unknown >= 0)
      add(
        `cells[${c}].populations[${unknown}].strandId`,
        `There is no strand "${populations[unknown]!.strandId}" in this record.`,
      )
    const sum = populations.reduce((total, { share }) => total + share, 0)
    if (Math.abs(sum - 1) > 1e-6)
      add(`cells[${c}].populations`, `The shares of a cell have to add up to 1, not ${Math.round(sum * 1000) / 1000}.`)
  })
  return problems
}
