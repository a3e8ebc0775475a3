import { checkPlan } from '../planner'
import { byId, type HairState } from '../../model'
import { defaultPlacement, TAKE_PRESETS } from '../../placement/foils'
import { MEDIUM_HAIR } from '../../../../tests/support/plan'
import { placed, planFromDesign, type Design } from '.'

const design: Design = {
  name: 'Two stages',
  formulas: [
    { name: 'Light', level: 9 },
    { name: 'Gloss', productId: 'lull', developerVol: 7 },
  ],
  stages: [
    {
      kind: 'lighten',
      name: 'Lighten',
      template: 'topStrip',
      order: ['leftSide', 'rightSide', 'top'],
      zones: { '*': { preset: 'fineWeave', sequence: ['A'] }, nape: { sequence: [] } },
    },
    {
      kind: 'gloss',
      name: 'Gloss',
      template: 'topStrip',
      zones: { back: { preset: 'block', sequence: ['B'], rowGapMm: 0 } },
      worksOn: { kind: 'took', stage: 0 },
    },
  ],
}
let n = 0
const planFor = (hair: Partial<HairState> = {}) =>
  planFromDesign(design, { head: { circumferenceCm: 55 }, hair: { ...MEDIUM_HAIR, ...hair }, newId: () => `id-${n++}` })
const roles = (stage: ReturnType<typeof planFor>['variants'][number]['stages'][number]) =>
  stage.order.map((id) => byId(stage.zones, id).role)

describe('a design', () => {
  it('becomes a plan that keeps every law', () => {
    expect(checkPlan(planFor())).toEqual([])
    expect(checkPlan(planFor({ part: 'right' }))).toEqual([])
  })

  it('puts the named zones first in the order of application and the rest behind them', () => {
    expect(roles(planFor().variants[0]!.stages[0]!)).toEqual(['leftSide', 'rightSide', 'top', 'nape', 'back'])
  })

  it('begins on the side the part lies on, and carries the panel with it', () => {
    const [stage] = planFor({ part: 'right' }).variants[0]!.stages
    expect(roles(stage!).slice(0, 2)).toEqual(['rightSide', 'leftSide'])
    expect(stage!.layout.parameters.partOffsetCm).toBeLessThan(0)
    expect(planFor({ part: 'zigzag' }).variants[0]!.stages[0]!.layout.parameters.partOffsetCm).toBe(0)
  })

  it('parts quadrants past a side part, and slants as the haircut does', () => {
    const quadrants: Design = {
      ...design,
      stages: [
        {
          kind: 'lighten',
          name: 'Lighten',
          template: 'fourQuadrants',
          zones: {
            '*': { direction: 'diagonalBack', sequence: ['A'] },
            backLeft: { direction: 'horizontal', sequence: ['A'] },
          },
        },
      ],
    }
    const stageFor = (hair: Partial<HairState>) =>
      planFromDesign(quadrants, {
        head: { circumferenceCm: 55 },
        hair: { ...MEDIUM_HAIR, ...hair },
        newId: () => `id-${n++}`,
      }).variants[0]!.stages[0]!
    expect(stageFor({ part: 'left' }).layout.parameters).toMatchObject({ partOffsetCm: 3, pastPartCm: 2.5 })
    expect(stageFor({}).layout.parameters).toMatchObject({ partOffsetCm: 0, pastPartCm: 0 })
    const directions = (cutLine: HairState['cutLine']) =>
      new Set(stageFor({ cutLine }).zones.map(({ placement }) => `${placement.direction} ${placement.angleDeg}`))
    // A line that falls by half of what it runs falls by 27°: arctan 0.5.
    expect(directions('graduatedForward')).toEqual(new Set(['diagonalForward 27', 'horizontal 45']))
    expect(directions('graduatedBack')).toEqual(new Set(['diagonalBack 27', 'horizontal 45']))
    expect(directions('layered')).toEqual(new Set(['diagonalBack 45', 'horizontal 45']))
  })

  it('lets a stage work on what an earlier one took, and leaves alone what it does not name', () => {
    const [lighten, gloss] = planFor().variants[0]!.stages
    expect(gloss!.worksOn).toEqual({ kind: 'took', stageId: lighten!.id })
    expect(gloss!.zones.filter(({ placement }) => placement.sequence.length > 0).map(({ role }) => role)).toEqual([
      'back',
    ])
  })

  it('letters its formulas and fills in what is left out from a new plan', () => {
    const { formulas } = planFor({ naturalLevel: 4 })
    expect(formulas.map(({ id }) => id)).toEqual(['A', 'B'])
    expect(formulas[0]).toMatchObject({ productId: 'marl', developerVol: 20, level: 9 })
    expect(formulas[1]).toMatchObject({ productId: 'lull', developerVol: 7 })
  })
})

describe('a placement from a preset', () => {
  it('has the preset’s take and subsection, and changes over them', () => {
    for (const { id, take, subsectionMm } of TAKE_PRESETS)
      expect(placed({ preset: id })).toMatchObject({ take, subsectionMm })
    expect(placed({ preset: 'fineWeave', subsectionMm: 9, take: { stitchMm: 3 } })).toMatchObject({
      subsectionMm: 9,
      take: { kind: 'weave', stitchMm: 3, stitchGapMm: 3 },
    })
    expect(placed({})).toEqual(defaultPlacement())
  })
})
