import 'reflect-metadata'
import { IsDefined } from 'class-validator'
import {
  CONTRASTS,
  COUNTS,
  CURLS,
  CUT_LINES,
  DENSITIES,
  FACE_FRAMES,
  FALLS,
  FRAGILE_AREAS,
  HAIRLINE_SHAPES,
  INTEGRITIES,
  LIMITS,
  MEANS,
  PARTS,
  POROSITIES,
  ROOT_WISHES,
  SCALP_CONDITIONS,
  SCHOOLS,
  TARGET_REGIONS,
  TEXTURES,
  TONE_HUES,
  TREATMENTS,
  WARMTH_TOLERANCES,
  WHITE_WISHES,
  type Band,
  type Canvas,
  type CellHair,
  type Goal,
  type HairState,
  type HeadMeasures,
  type Population,
  type RegionLengths,
  type Strand,
  type Target,
  type Treatment,
  type Wear,
} from '@/core/model'
import { Day, Id, InRange, ListOf, MayBeAbsent, Nested, OneOf, Sources, WordsOf } from './decorators'

export class HeadMeasuresDto implements HeadMeasures {
  @InRange(LIMITS.circumferenceCm) circumferenceCm!: number
  @MayBeAbsent() @InRange(LIMITS.frontToNapeCm) frontToNapeCm?: number
  @MayBeAbsent() @InRange(LIMITS.earToEarCm) earToEarCm?: number
  @MayBeAbsent() @InRange(LIMITS.frontHairlineOffsetCm) frontHairlineOffsetCm?: number
}

export class RegionLengthsDto implements RegionLengths {
  @MayBeAbsent() @InRange(LIMITS.bandEdgeCm) fringe?: number
  @MayBeAbsent() @InRange(LIMITS.bandEdgeCm) front?: number
  @MayBeAbsent() @InRange(LIMITS.bandEdgeCm) sides?: number
  @MayBeAbsent() @InRange(LIMITS.bandEdgeCm) crown?: number
  @MayBeAbsent() @InRange(LIMITS.bandEdgeCm) back?: number
  @MayBeAbsent() @InRange(LIMITS.bandEdgeCm) nape?: number
}

export class HairStateDto implements HairState {
  @InRange(LIMITS.naturalLevel) naturalLevel!: number
  @OneOf(DENSITIES) density!: HairState['density']
  @OneOf(TEXTURES) texture!: HairState['texture']
  @OneOf(CURLS) curl!: HairState['curl']
  @OneOf(CUT_LINES) cutLine!: HairState['cutLine']
  @InRange(LIMITS.lengthCm) lengthCm!: number
  @InRange(LIMITS.weeksSinceColour) weeksSinceColour!: number
  @MayBeAbsent() @Nested(() => RegionLengthsDto) regionLengthsCm?: RegionLengthsDto
  @MayBeAbsent() @Nested(() => RegionLengthsDto) wornLengthsCm?: RegionLengthsDto
  @MayBeAbsent() @InRange(LIMITS.ponytailCm) ponytailCm?: number
  @MayBeAbsent() @InRange(LIMITS.growthCmPerMonth) growthCmPerMonth?: number
  @MayBeAbsent() @InRange(LIMITS.washesPerWeek) washesPerWeek?: number
  @MayBeAbsent() @OneOf(FALLS) fall?: HairState['fall']
  @MayBeAbsent() @OneOf(PARTS) part?: HairState['part']
  @MayBeAbsent() @OneOf(HAIRLINE_SHAPES) hairlineShape?: HairState['hairlineShape']
  @MayBeAbsent() @WordsOf(FRAGILE_AREAS) fragile?: HairState['fragile']
  @MayBeAbsent() @OneOf(SCALP_CONDITIONS) scalp?: HairState['scalp']
}

export class TreatmentDto implements Treatment {
  @OneOf(TREATMENTS) kind!: Treatment['kind']
  @MayBeAbsent() @Day() on?: string
}

export class BandDto implements Band {
  @InRange(LIMITS.bandEdgeCm) fromCm!: number
  @InRange(LIMITS.bandEdgeCm) toCm!: number
  @InRange(LIMITS.bandLevel) level!: number
  @OneOf(TONE_HUES) hue!: Band['hue']
  @InRange(LIMITS.strength) strength!: number
  @MayBeAbsent() @InRange(LIMITS.bandLevel) beneathLevel?: number
  @ListOf(() => TreatmentDto, 0, COUNTS.treatments) treatments!: TreatmentDto[]
  @OneOf(POROSITIES) porosity!: Band['porosity']
  @OneOf(INTEGRITIES) integrity!: Band['integrity']
}

export class StrandDto implements Strand {
  @Id() id!: string
  @ListOf(() => BandDto, 1, COUNTS.bands) bands!: BandDto[]
}

export class PopulationDto implements Population {
  @Id() strandId!: string
  @InRange(LIMITS.share) share!: number
  @InRange(LIMITS.share) white!: number
  @Sources(COUNTS.sources) sources!: string[]
}

export class CellHairDto implements CellHair {
  @ListOf(() => PopulationDto, 1, COUNTS.populations) populations!: PopulationDto[]
}

export class CanvasDto implements Canvas {
  @Day() recordedOn!: string
  @ListOf(() => StrandDto, 1, COUNTS.strands) strands!: StrandDto[]
  @ListOf(() => CellHairDto, 1, 400) cells!: CellHairDto[]
}

export class TargetDto implements Target {
  @OneOf(TARGET_REGIONS) region!: Target['region']
  @InRange(LIMITS.targetLevel) level!: number
  @OneOf(TONE_HUES) hue!: Target['hue']
  @InRange(LIMITS.strength) strength!: number
}

export class WearDto implements Wear {
  @InRange(LIMITS.wearShare) straight!: number
  @InRange(LIMITS.wearShare) waved!: number
  @InRange(LIMITS.wearShare) tiedLow!: number
  @InRange(LIMITS.wearShare) tiedHigh!: number
}

export class GoalDto implements Goal {
  @ListOf(() => TargetDto, 1, COUNTS.targets) targets!: TargetDto[]
  @OneOf(WARMTH_TOLERANCES) warmth!: Goal['warmth']
  @OneOf(CONTRASTS) contrast!: Goal['contrast']
  @InRange(LIMITS.lightPercent) lightPercent!: number
  @OneOf(FACE_FRAMES) faceFrame!: Goal['faceFrame']
  @OneOf(ROOT_WISHES) root!: Goal['root']
  @InRange(LIMITS.shadowCm) shadowCm!: number
  @OneOf(WHITE_WISHES) white!: Goal['white']
  @IsDefined({ message: 'is missing' }) @Nested(() => WearDto) wear!: WearDto
  @InRange(LIMITS.upkeepWeeks) upkeepWeeks!: number
  @OneOf(MEANS) means!: Goal['means']
  @OneOf(SCHOOLS) school!: Goal['school']
  @MayBeAbsent() @InRange(LIMITS.lighterInMonths) lighterInMonths?: number
  @MayBeAbsent() @InRange(LIMITS.timeLimitMinutes) timeLimitMinutes?: number
  @MayBeAbsent() @InRange(LIMITS.moneyLimitMinor) moneyLimitMinor?: number
}
