import { sql } from 'drizzle-orm'
import {
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import {
  MIX_STATES,
  POUR_KINDS,
  POUR_SOURCES,
  type CatalogueItem,
  type PlannedLine,
  type Rates,
} from '../../core/model'
import { plan } from './plan'
import { salon, staff } from './salon'

const moment = (name: string) => timestamp(name, { withTimezone: true })

/** What the salon works with. `id` is its code, given by the salon; `revision` counts its changes. */
export const product = pgTable(
  'product',
  {
    salonId: uuid('salon_id')
      .notNull()
      .references(() => salon.id),
    id: text('id').notNull(),
    item: jsonb('item').$type<CatalogueItem>().notNull(),
    revision: integer('revision').notNull().default(1),
    deletedAt: moment('deleted_at'),
  },
  (table) => [primaryKey({ columns: [table.salonId, table.id] })],
)

/** What is left of a delivery. Masses are whole tenths of a gram, so that sums are exact. */
export const stockLot = pgTable(
  'stock_lot',
  {
    salonId: uuid('salon_id').notNull(),
    id: uuid('id').notNull(),
    productId: text('product_id').notNull(),
    lot: text('lot').notNull(),
    expiresOn: date('expires_on'),
    tenths: integer('tenths').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    foreignKey({ columns: [table.salonId, table.productId], foreignColumns: [product.salonId, product.id] }),
    uniqueIndex('stock_lot_name').on(table.salonId, table.productId, table.lot),
    index('stock_lot_left')
      .on(table.salonId, table.productId)
      .where(sql`tenths > 0`),
  ],
)

export const STOCK_REASONS = ['received', 'mixed', 'counted', 'returned'] as const

/** Every change of stock. Only ever added to. Without a lot: used beyond what the shelf was thought to hold. */
export const stockMove = pgTable(
  'stock_move',
  {
    salonId: uuid('salon_id').notNull(),
    id: uuid('id').notNull(),
    productId: text('product_id').notNull(),
    lotId: uuid('lot_id'),
    tenths: integer('tenths').notNull(),
    reason: text('reason', { enum: STOCK_REASONS }).notNull(),
    mixId: uuid('mix_id'),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('stock_move_product').on(table.salonId, table.productId, table.at),
    foreignKey({ columns: [table.salonId, table.productId], foreignColumns: [product.salonId, product.id] }),
    foreignKey({ columns: [table.salonId, table.lotId], foreignColumns: [stockLot.salonId, stockLot.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** A bowl that is or was mixed. */
export const mix = pgTable(
  'mix',
  {
    salonId: uuid('salon_id').notNull(),
    id: uuid('id').notNull(),
    planId: uuid('plan_id').notNull(),
    formulaId: text('formula_id').notNull(),
    bowl: integer('bowl').notNull(),
    planned: jsonb('planned').$type<PlannedLine[]>().notNull(),
    state: text('state', { enum: MIX_STATES }).notNull().default('weighing'),
    /** What was left in it after the visit, where somebody said so. */
    leftTenths: integer('left_tenths'),
    staffId: uuid('staff_id').notNull(),
    startedAt: moment('started_at').notNull().defaultNow(),
    endedAt: moment('ended_at'),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('mix_plan').on(table.salonId, table.planId, table.startedAt),
    foreignKey({ columns: [table.salonId, table.planId], foreignColumns: [plan.salonId, plan.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/**
 * What happened while a bowl was weighed, in the order in which the server had it. Only ever added to; `id` is given by
 * the device, so that one sent twice counts once.
 */
export const mixEvent = pgTable(
  'mix_event',
  {
    salonId: uuid('salon_id').notNull(),
    mixId: uuid('mix_id').notNull(),
    seq: integer('seq').notNull(),
    id: uuid('id').notNull(),
    /** `poured`: so much more went in; `corrected`: so much is in now; `lost` and `back`: the scale went and came. */
    kind: text('kind', { enum: POUR_KINDS }).notNull(),
    line: integer('line').notNull(),
    tenths: integer('tenths').notNull(),
    source: text('source', { enum: POUR_SOURCES }).notNull(),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.mixId, table.seq] }),
    uniqueIndex('mix_event_id').on(table.salonId, table.id),
    foreignKey({ columns: [table.salonId, table.mixId], foreignColumns: [mix.salonId, mix.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** What the salon charges and pays. */
export const salonRates = pgTable('salon_rates', {
  salonId: uuid('salon_id')
    .primaryKey()
    .references(() => salon.id),
  rates: jsonb('rates').$type<Rates>().notNull(),
  revision: integer('revision').notNull().default(1),
})

/**
 * The day for which a plan is booked, and when she comes, min after midnight as clocks in the salon show, where that is
 * known.
 */
export const booking = pgTable(
  'booking',
  {
    salonId: uuid('salon_id').notNull(),
    planId: uuid('plan_id').notNull(),
    on: date('on').notNull(),
    arrives: integer('arrives'),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.planId] }),
    index('booking_day').on(table.salonId, table.on),
    foreignKey({ columns: [table.salonId, table.planId], foreignColumns: [plan.salonId, plan.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)
