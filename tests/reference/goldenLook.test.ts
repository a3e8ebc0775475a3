import { createHash } from 'node:crypto'
import { colourStrands, COUNTED, createStudio, expose, lookFigures, lookReport, worthOf } from '@/core/appearance/look'
import { develop, VIEWS } from '@/core/appearance/picture'
import type { Wear } from '@/core/appearance/strands'
import type { HairState } from '@/core/model'
import { foldPlan } from '@/core/time/fold'
import { goldenIn } from '../support/golden'
import { computeStages } from '../support/planner'
import { servicePlan } from '../support/samples'

/**
 * Small heads of hair to the digit: where strands lie, what they are painted, what is seen and what is counted. No
 * outside fact: `goldenLook.json` is what Falto drew. It changes only with a reason in the commit that changes it;
 * `FALTO_GOLDEN=write ./falto test reference` writes it anew.
 */
const isAsKnown = goldenIn('goldenLook.json')
const COUNT = 400
const studio = createStudio()

const HAIRS: Record<string, { wear: Wear; service: string; hair: Partial<HairState> }> = {
  'long and straight': { wear: 'straight', service: 'fullBabylights', hair: { lengthCm: 60, cutLine: 'oneLength' } },
  'layered and wavy': { wear: 'natural', service: 'shadowAndMelt', hair: { curl: 'wavy', cutLine: 'layered' } },
  'coily and parted left': { wear: 'natural', service: 'curlByCurl', hair: { curl: 'coily', part: 'left' } },
  'curly and graduated, tied high': {
    wear: 'high',
    service: 'haloBrightness',
    hair: { curl: 'curly', cutLine: 'graduatedForward' },
  },
  'tied low': { wear: 'low', service: 'hairlineAndPart', hair: { lengthCm: 40 } },
  'half up, short and waved': { wear: 'halfUp', service: 'boldSlices', hair: { lengthCm: 22, density: 'high' } },
}

/** Figures in short; thousandths are what they agree in on every machine. */
function short(values: ArrayLike<number>): string {
  // Some million of them: by a loop, as `from` takes each through an iterator.
  const whole = new Int32Array(values.length)
  for (let i = 0; i < values.length; i++) whole[i] = Math.round(1000 * values[i]!)
  return createHash('sha256').update(whole).digest('hex').slice(0, 16)
}

function drawn(name: string): object {
  const { wear, service, hair } = HAIRS[name]!
  const started = servicePlan(service)
  const plan = { ...started, hair: { ...started.hair, ...hair } }
  const computed = computeStages(plan)
  const subject = { plan, computed, fold: foldPlan(plan, computed) }
  const moment = { stages: subject.fold.stages.length - 1, weeks: 6 }
  const scene = studio.scene(computed.head, plan.hair, { wear, count: COUNT })
  const { strands } = scene
  const coloured = colourStrands(subject, strands, moment)
  const figures = lookFigures(studio, subject, { wear, count: COUNT }, moment)
  const pictures = Object.values(VIEWS).map((view) => {
    const exposure = expose(scene, view, COUNTED)
    return [exposure.pixels, develop(exposure, strands, coloured.paint, { fine: 1, seed: 1 }).rgba] as const
  })
  const twice = expose(scene, VIEWS.front, { width: 2 * COUNTED.width, height: 2 * COUNTED.height })
  return {
    roots: short([...strands.roots.space, ...strands.roots.s, ...strands.roots.length, ...strands.roots.clump]),
    strands: short([...strands.positions, ...strands.along]),
    breadths: short(strands.halfWidths.map((value) => 100 * value)),
    levels: short(coloured.paint.levels),
    paint: short([...coloured.paint.rgb, ...coloured.paint.roots, ...coloured.paint.change]),
    exposed: pictures.map(([pixels]) => short(pixels.map((pixel) => pixel % 1_000_003))),
    pictures: pictures.map(([, rgba]) => short(rgba)),
    averaged: short(develop(twice, strands, coloured.paint, { fine: 2, seed: 1 }).rgba),
    report: lookReport(figures),
    worth: short(
      worthOf(computed, figures, figures.takers).flatMap((one) => [one.seenPercent, one.minutes, one.grams]),
    ),
  }
}

it.each(Object.keys(HAIRS))('%s: drawn and counted as it was', (name) => isAsKnown(name, drawn(name)))
