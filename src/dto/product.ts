import { IsDefined } from 'class-validator'
import {
  BASES,
  COUNTS,
  LIMITS,
  PRODUCT_KINDS,
  TONE_HUES,
  type CatalogueItem,
  type Product,
  type ProductAdditive,
  type ProductPack,
  type ProductRules,
  type ProductShade,
  type Swatch,
} from '@/core/model'
import { Id, InRange, MayBeAbsent, Money, Name, Nested, Numbers, OneOf, YesOrNo } from './decorators'

export class SwatchDto implements Swatch {
  @InRange(LIMITS.percent) l!: number
  @InRange(LIMITS.lab) a!: number
  @InRange(LIMITS.lab) b!: number
}

export class ProductShadeDto implements ProductShade {
  @InRange(LIMITS.targetLevel) level!: number
  @OneOf(TONE_HUES) hue!: ProductShade['hue']
  @InRange(LIMITS.strength) strength!: number
  @OneOf(BASES) base!: ProductShade['base']
  @InRange(LIMITS.percent) whiteCoverPercent!: number
  @MayBeAbsent() @Nested(() => SwatchDto) swatch?: SwatchDto
}

export class ProductRulesDto implements ProductRules {
  @Numbers(LIMITS.ratio, COUNTS.ratios) ratios!: number[]
  @InRange(LIMITS.developerVol) developerMinVol!: number
  @InRange(LIMITS.developerVol) developerMaxVol!: number
  @InRange(LIMITS.workingLifeMinutes) workingLifeMinutes!: number
  @InRange(LIMITS.minimumMinutes) minimumMinutes!: number
  @InRange(LIMITS.maximumLift) maximumLift!: number
  @YesOrNo() heat!: boolean
  @YesOrNo() onScalp!: boolean
  @YesOrNo() damp!: boolean
}

export class ProductAdditiveDto implements ProductAdditive {
  @InRange(LIMITS.percent) percent!: number
  @InRange(LIMITS.percent) maximumPercent!: number
  @InRange(LIMITS.factor) liftFactor!: number
  @InRange(LIMITS.factor) timeFactor!: number
}

export class ProductPackDto implements ProductPack {
  @InRange(LIMITS.packG) grams!: number
  @Money() priceMinor!: number
  @InRange(LIMITS.densityGPerMl) densityGPerMl!: number
}

class ProductCoreDto {
  @Id() id!: string
  @Name() name!: string
  @OneOf(PRODUCT_KINDS) kind!: Product['kind']
  @InRange(LIMITS.maximumMinutes) maximumMinutes!: number
  @MayBeAbsent() @Nested(() => ProductShadeDto) shade?: ProductShadeDto
  @MayBeAbsent() @Nested(() => ProductAdditiveDto) additive?: ProductAdditiveDto
  @MayBeAbsent() @InRange(LIMITS.developerVol) developerVol?: number
}

export class ProductDto extends ProductCoreDto implements Product {
  @MayBeAbsent() @Name() line?: string
  @MayBeAbsent() @Nested(() => ProductRulesDto) rules?: ProductRulesDto
  @MayBeAbsent() @Nested(() => ProductPackDto) pack?: ProductPackDto
}

export class CatalogueItemDto extends ProductCoreDto implements CatalogueItem {
  @Name() line!: string
  @IsDefined({ message: 'is missing' }) @Nested(() => ProductRulesDto) rules!: ProductRulesDto
  @IsDefined({ message: 'is missing' }) @Nested(() => ProductPackDto) pack!: ProductPackDto
  @InRange(LIMITS.reorderG) reorderG!: number
}
