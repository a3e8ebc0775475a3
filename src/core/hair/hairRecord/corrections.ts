import { LENGTH_REGIONS, type Band, type Canvas, type Correction } from '../../model'
import { strandLength } from './bands'
import { mainStrand, whiteOfCell } from './canvas'

const FIGURES = ['toCm', 'level', 'hue', 'strength', 'porosity', 'integrity'] as const

/** Region by region, what the eye changed of a prediction. */
export function correctionsOf(predicted: Canvas, seen: Canvas): Correction[] {
  return LENGTH_REGIONS.flatMap((region) => {
    const before = mainStrand(predicted, region).bands
    const after = mainStrand(seen, region).bands
    const found: Correction[] = []
    const note = (what: string, was: unknown, is: unknown) => {
      if (String(was) !== String(is)) found.push({ region, what, predicted: String(was), seen: String(is) })
    }
    note('length', strandLength(before), strandLength(after))
    if (before.length !== after.length) note('bands', before.length, after.length)
    else
      before.forEach((band, i) => {
        for (const figure of FIGURES)
          if (figure !== 'toCm' || i < before.length - 1) note(`${i}.${figure}`, band[figure], after[i]![figure])
        note(`${i}.history`, historyText(band), historyText(after[i]!))
      })
    return found
  }).concat(whiteCorrection(predicted, seen))
}

const historyText = ({ treatments }: Band): string => treatments.map(({ kind }) => kind).join(', ') || 'virgin'

function whiteCorrection(predicted: Canvas, seen: Canvas): Correction[] {
  const sum = (canvas: Canvas) =>
    canvas.cells.reduce((total, cell) => total + whiteOfCell(cell), 0) / canvas.cells.length
  const changed = predicted.cells.some((cell, i) => Math.abs(whiteOfCell(cell) - whiteOfCell(seen.cells[i]!)) > 1e-9)
  const percent = (share: number) => `${Math.round(100 * share)} %`
  return changed
    ? [{ region: 'crown', what: 'white', predicted: percent(sum(predicted)), seen: percent(sum(seen)) }]
    : []
}
