import 'reflect-metadata'
import { ArrayMaxSize, Equals, IsArray, IsDefined, Matches } from 'class-validator'
import {
  BEGINS,
  COMES_OFF,
  CONSISTENCIES,
  COUNTS,
  COUNTS_FROM,
  COVERS,
  CUT_LINES,
  DIRECTIONS,
  DROPOUT_KINDS,
  EDGE_KINDS,
  LAYOUT_TEMPLATES,
  LEARNED_OF,
  LIMITS,
  METHODS,
  PAINT_SHAPES,
  PANEL_RESTS,
  PANEL_TAKES,
  PLAN_FORMAT,
  PLAN_SCHEMA_VERSION,
  PRODUCT_KINDS,
  RAMP_FIGURES,
  RAMP_WAYS,
  ROW_ORDERS,
  SELECTIONS,
  SHADE_UNITS,
  STAGE_KINDS,
  TAKE_KINDS,
  TONES,
  WORKS_ON,
  type Begins,
  type BoundaryStep,
  type ComesOff,
  type Cut,
  type Dropout,
  type FaltoPlan,
  type FoilSizes,
  type Formula,
  type FormulaAdditive,
  type FormulaShade,
  type HairMap,
  type Lasts,
  type Layout,
  type LayoutEdge,
  type LayoutParameters,
  type LayoutVertex,
  type LearnedFactor,
  type LearnedFactors,
  type Limit,
  type Placement,
  type Ramp,
  type Rates,
  type RhythmEntry,
  type RowPanel,
  type Stage,
  type StoredPlace,
  type Stretch,
  type Take,
  type Variant,
  type WorksOn,
  type Zone,
} from '@/core/model'
import {
  Counting,
  Id,
  Ids,
  InRange,
  LettersOr,
  ListOf,
  MayBeAbsent,
  Money,
  Name,
  Nested,
  Numbers,
  OneOf,
  Percents,
  Sentences,
  Text,
  YesOrNo,
} from './decorators'
import { CanvasDto, HairStateDto, HeadMeasuresDto } from './hair'
import { ProductDto } from './product'

/**
 * The one source of the shape of `falto-plan` documents: checks entries and is what the published JSON Schema is made
 * from.
 */

export class FormulaShadeDto implements FormulaShade {
  @Id() productId!: string
  @InRange(LIMITS.shadeAmount) amount!: number
  @OneOf(SHADE_UNITS) unit!: FormulaShade['unit']
}

export class FormulaAdditiveDto implements FormulaAdditive {
  @Id() productId!: string
  @InRange(LIMITS.percent) percent!: number
}

export class FormulaDto implements Formula {
  @Matches(/^[A-Z]$/, { message: 'must be one capital letter' }) id!: string
  @Name() name!: string
  @Id() productId!: string
  @InRange(LIMITS.developerVol) developerVol!: number
  @InRange(LIMITS.ratio) ratio!: number
  @InRange(LIMITS.targetLevel) level!: number
  @OneOf(TONES) tone!: Formula['tone']
  @MayBeAbsent() @ListOf(() => FormulaShadeDto, 0, COUNTS.shades) shades?: FormulaShadeDto[]
  @MayBeAbsent() @ListOf(() => FormulaAdditiveDto, 0, COUNTS.additives) additives?: FormulaAdditiveDto[]
  @MayBeAbsent() @InRange(LIMITS.targetLevel) liftGoal?: number
  @MayBeAbsent() @InRange(LIMITS.developerVol) firstBowlVol?: number
  @MayBeAbsent() @YesOrNo() firstBowlOnly?: boolean
  @MayBeAbsent() @Counting() @InRange(LIMITS.bowls) bowls?: number
  @MayBeAbsent() @OneOf(CONSISTENCIES) consistency?: Formula['consistency']
  @MayBeAbsent() @Text(COUNTS.noteLength) note?: string
}

export class RatesDto implements Rates {
  @Matches(/^[A-Z]{3}$/, { message: 'must be a currency code of three capital letters, such as EUR' }) currency!: string
  @InRange(LIMITS.taxPercent) taxPercent!: number
  @Money() hourMinor!: number
  @Money() foilMinor!: number
  @InRange(LIMITS.stockG) allowanceG!: number
  @InRange(LIMITS.productFactor) productFactor!: number
  @Money() extraBowlMinor!: number
  @Money() hourCostMinor!: number
}

const LEARNED_JOBS: Limit = { min: 1, max: 100_000, unit: '' }

export class LearnedFactorDto implements LearnedFactor {
  @OneOf(LEARNED_OF) of!: LearnedFactor['of']
  @OneOf([...PRODUCT_KINDS, ...TAKE_KINDS]) context!: LearnedFactor['context']
  @InRange(LIMITS.learnedFactor) mean!: number
  @InRange(LIMITS.learnedFactor) low!: number
  @InRange(LIMITS.learnedFactor) high!: number
  @InRange(LEARNED_JOBS) jobs!: number
}

export class LearnedFactorsDto implements LearnedFactors {
  @InRange(LIMITS.learnedFactor) load!: number
  @InRange(LIMITS.learnedFactor) seconds!: number
  @MayBeAbsent()
  @ListOf(() => LearnedFactorDto, 0, PRODUCT_KINDS.length + TAKE_KINDS.length)
  factors?: LearnedFactorDto[]
}

export class StoredPlaceDto implements StoredPlace {
  @InRange(LIMITS.psiDeg) psiDeg!: number
  @InRange(LIMITS.s) s!: number
}

export class LayoutVertexDto extends StoredPlaceDto implements LayoutVertex {
  @Id() id!: string
}

export class LayoutEdgeDto implements LayoutEdge {
  @Id() id!: string
  @OneOf(EDGE_KINDS) kind!: LayoutEdge['kind']
  @Id() from!: string
  @Id() to!: string
  @ListOf(() => StoredPlaceDto, 0, COUNTS.via) via!: StoredPlaceDto[]
}

export class LayoutParametersDto implements LayoutParameters {
  @YesOrNo() separateNape!: boolean
  @InRange(LIMITS.stripWidthCm) stripWidthCm!: number
  @InRange(LIMITS.partOffsetCm) partOffsetCm!: number
  @MayBeAbsent() @InRange(LIMITS.pastPartCm) pastPartCm?: number
  @MayBeAbsent() @InRange(LIMITS.zigzagMm) zigzagMm?: number
  @MayBeAbsent() @InRange(LIMITS.radiusCm) radiusCm?: number
  @MayBeAbsent() @InRange(LIMITS.rimCm) rimCm?: number
  @MayBeAbsent() @InRange(LIMITS.pieces) pieces?: number
  @MayBeAbsent() @InRange(LIMITS.cutCornersCm) cutCornersCm?: number
}

export class LayoutDto implements Layout {
  @OneOf(LAYOUT_TEMPLATES) template!: Layout['template']
  @IsDefined({ message: 'is missing' }) @Nested(() => LayoutParametersDto) parameters!: LayoutParametersDto
  @ListOf(() => LayoutVertexDto, 1, COUNTS.vertices) vertices!: LayoutVertexDto[]
  @ListOf(() => LayoutEdgeDto, 1, COUNTS.edges) edges!: LayoutEdgeDto[]
}

export class BoundaryStepDto implements BoundaryStep {
  @Id() edge!: string
  @YesOrNo() reversed!: boolean
}

export class TakeDto implements Take {
  @OneOf(TAKE_KINDS) kind!: Take['kind']
  @InRange(LIMITS.stitchMm) stitchMm!: number
  @InRange(LIMITS.stitchGapMm) stitchGapMm!: number
  @InRange(LIMITS.depthShare) depthShare!: number
  @InRange(LIMITS.bandCm) bandCm!: number
  @MayBeAbsent() @OneOf(PAINT_SHAPES) shape?: Take['shape']
  @MayBeAbsent() @InRange(LIMITS.saturation) saturation?: number
  @MayBeAbsent() @InRange(LIMITS.faceLiftCm) faceLiftCm?: number
  @MayBeAbsent() @YesOrNo() teased?: boolean
}

export class DropoutDto implements Dropout {
  @OneOf(DROPOUT_KINDS) kind!: Dropout['kind']
  @Matches(/^[A-Z]$/, { message: 'must be a formula letter' }) formulaId!: string
}

export class RampDto implements Ramp {
  @OneOf(RAMP_FIGURES) figure!: Ramp['figure']
  @OneOf(RAMP_WAYS) way!: Ramp['way']
  @InRange(LIMITS.rampTo) to!: number
  @MayBeAbsent() @InRange(LIMITS.rampRows) rows?: number
}

export class RowPanelDto implements RowPanel {
  @InRange(LIMITS.panelCm) widthCm!: number
  @OneOf(PANEL_TAKES) take!: RowPanel['take']
  @OneOf(PANEL_RESTS) rest!: RowPanel['rest']
}

export class StretchDto implements Stretch {
  @Matches(/^[A-Z]$/, { message: 'must be a formula letter' }) formulaId!: string
  @MayBeAbsent() @InRange(LIMITS.bandEdgeCm) fromCm?: number
  @MayBeAbsent() @InRange(LIMITS.bandEdgeCm) toCm?: number
}

export class RhythmEntryDto implements RhythmEntry {
  @ListOf(() => StretchDto, 0, COUNTS.stretches) stretches!: StretchDto[]
  @MayBeAbsent() @Nested(() => TakeDto) take?: TakeDto
  @MayBeAbsent() @InRange(LIMITS.startCm) startCm?: number
  @MayBeAbsent() @OneOf(SELECTIONS) select?: RhythmEntry['select']
  @MayBeAbsent() @OneOf(COVERS) cover?: RhythmEntry['cover']
}

export class PlacementDto implements Placement {
  @OneOf(DIRECTIONS) direction!: Placement['direction']
  @InRange(LIMITS.angleDeg) angleDeg!: number
  @InRange(LIMITS.subsectionMm) subsectionMm!: number
  @InRange(LIMITS.rowGapMm) rowGapMm!: number
  @YesOrNo() bricklay!: boolean
  @IsDefined({ message: 'is missing' }) @Nested(() => TakeDto) take!: TakeDto
  @IsArray({ message: 'must be a list' })
  @ArrayMaxSize(COUNTS.sequence, { message: `must have at most ${COUNTS.sequence} entries` })
  @LettersOr(/^([A-Z]|leave)$/, 'formula letters, "leave"', () => RhythmEntryDto)
  sequence!: (string | RhythmEntryDto)[]
  @InRange(LIMITS.startCm) startCm!: number
  @OneOf(ROW_ORDERS) rowOrder!: Placement['rowOrder']
  @MayBeAbsent() @OneOf(COVERS) cover?: Placement['cover']
  @MayBeAbsent() @Nested(() => DropoutDto) dropout?: DropoutDto
  @MayBeAbsent() @ListOf(() => RampDto, 0, COUNTS.ramps) ramps?: RampDto[]
  @MayBeAbsent() @Nested(() => RowPanelDto) panel?: RowPanelDto
  @MayBeAbsent() @OneOf(SELECTIONS) select?: Placement['select']
  @MayBeAbsent() @InRange(LIMITS.bufferCm) bufferCm?: number
  @MayBeAbsent() @InRange(LIMITS.stopBeforeEndsCm) stopBeforeEndsCm?: number
  @MayBeAbsent() @InRange(LIMITS.upToCm) upToCm?: number
  @MayBeAbsent() @YesOrNo() onePanel?: boolean
  @MayBeAbsent() @InRange(LIMITS.zigzagMm) zigzagMm?: number
  @MayBeAbsent() @YesOrNo() secondFoil?: boolean
}

export class SectionDto implements Omit<Zone, 'id'> {
  @Id() role!: string
  @Name() name!: string
  @ListOf(() => BoundaryStepDto, 1, COUNTS.edges) boundary!: BoundaryStepDto[]
  @IsDefined({ message: 'is missing' }) @Nested(() => PlacementDto) placement!: PlacementDto
  @MayBeAbsent() @Text(COUNTS.noteLength) note?: string
}

export class ZoneDto extends SectionDto implements Zone {
  @Id() id!: string
}

export class WorksOnDto implements WorksOn {
  @OneOf(WORKS_ON) kind!: WorksOn['kind']
  @MayBeAbsent() @Id() stageId?: string
}

export class HairMapDto implements HairMap {
  @Percents(COUNTS.cells) whitePercent!: number[]
  @Percents(COUNTS.cells) earlierPercent!: number[]
}

export class BeginsDto implements Begins {
  @OneOf(BEGINS) kind!: Begins['kind']
  @Id() stageId!: string
  @MayBeAbsent() @InRange(LIMITS.beginsMinutes) minutes?: number
}

export class ComesOffDto implements ComesOff {
  @OneOf(COMES_OFF) kind!: ComesOff['kind']
  @MayBeAbsent() @Id() stageId?: string
}

export class LastsDto implements Lasts {
  @InRange(LIMITS.lastsMinutes) minutes!: number
  @MayBeAbsent() @OneOf(COUNTS_FROM) from?: Lasts['from']
}

export class CutDto implements Cut {
  @InRange(LIMITS.lengthCm) lengthCm!: number
  @MayBeAbsent() @OneOf(CUT_LINES) cutLine?: Cut['cutLine']
}

export class FoilSizesDto implements FoilSizes {
  @InRange(LIMITS.foilWidthCm) widthCm!: number
  @Numbers(LIMITS.foilLengthCm, COUNTS.foilLengths) lengthsCm!: number[]
}

export class StageDto implements Stage {
  @Id() id!: string
  @OneOf(STAGE_KINDS) kind!: Stage['kind']
  @Name() name!: string
  @MayBeAbsent() @Nested(() => WorksOnDto) worksOn?: WorksOnDto
  @MayBeAbsent() @Nested(() => BeginsDto) begins?: BeginsDto
  @MayBeAbsent() @Nested(() => ComesOffDto) comesOff?: ComesOffDto
  @MayBeAbsent() @Nested(() => LastsDto) lasts?: LastsDto
  @MayBeAbsent() @OneOf(METHODS) method?: Stage['method']
  @MayBeAbsent() @Nested(() => CutDto) cut?: CutDto
  @IsDefined({ message: 'is missing' }) @Nested(() => LayoutDto) layout!: LayoutDto
  @ListOf(() => ZoneDto, 1, COUNTS.zones) zones!: ZoneDto[]
  @Ids(COUNTS.zones) order!: string[]
}

export class VariantDto implements Variant {
  @Id() id!: string
  @Name() name!: string
  @ListOf(() => StageDto, 1, COUNTS.stages) stages!: StageDto[]
}

export class FaltoPlanDto implements FaltoPlan {
  @Equals(PLAN_FORMAT, { message: `must be "${PLAN_FORMAT}"` }) format!: typeof PLAN_FORMAT
  @Equals(PLAN_SCHEMA_VERSION, {
    message: `must be 1 or ${PLAN_SCHEMA_VERSION}; a newer Falto may have written this file`,
  })
  schemaVersion!: typeof PLAN_SCHEMA_VERSION
  @Text(40) constantsVersion!: string
  @Name() name!: string
  @IsDefined({ message: 'is missing' }) @Nested(() => HeadMeasuresDto) head!: HeadMeasuresDto
  @IsDefined({ message: 'is missing' }) @Nested(() => HairStateDto) hair!: HairStateDto
  @MayBeAbsent() @Nested(() => HairMapDto) hairMap?: HairMapDto
  @MayBeAbsent() @Nested(() => CanvasDto) canvas?: CanvasDto
  @ListOf(() => ProductDto, 1, COUNTS.products) products!: ProductDto[]
  @ListOf(() => FormulaDto, 1, COUNTS.formulas) formulas!: FormulaDto[]
  @IsDefined({ message: 'is missing' }) @Nested(() => LearnedFactorsDto) learned!: LearnedFactorsDto
  @MayBeAbsent() @Nested(() => RatesDto) rates?: RatesDto
  @MayBeAbsent() @Nested(() => FoilSizesDto) foils?: FoilSizesDto
  @MayBeAbsent() @Text(COUNTS.noteLength) note?: string
  @MayBeAbsent() @Sentences() proposal?: string[]
  @Id() activeVariantId!: string
  @ListOf(() => VariantDto, 1, COUNTS.variants) variants!: VariantDto[]
}
