import { sql } from 'drizzle-orm'
import {
  boolean,
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
import type { HairState, HeadMeasures } from '../../core/model'
import { AS_KEPT, type ReadingUnits } from '../../core/units'
import { user } from './auth'

/** Every domain table leads with the salon in its key, so that one salon's rows stay together. */
const salonId = () =>
  uuid('salon_id')
    .notNull()
    .references(() => salon.id)
const moment = (name: string) => timestamp(name, { withTimezone: true })

export const STAFF_ROLES = ['owner', 'colourist', 'assistant', 'apprentice'] as const
export type StaffRole = (typeof STAFF_ROLES)[number]

export const salon = pgTable('salon', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  units: jsonb('units').$type<ReadingUnits>().notNull().default(AS_KEPT),
  /** IANA name: which day it is there. */
  timeZone: text('time_zone').notNull().default('UTC'),
  /** The invented salon, which anybody on this machine may look around in. */
  demo: boolean('demo').notNull().default(false),
  createdAt: moment('created_at').notNull().defaultNow(),
})

export const staff = pgTable(
  'staff',
  {
    salonId: salonId(),
    id: uuid('id').notNull(),
    userId: text('user_id')
      .notNull()
      .references(() => user.id),
    name: text('name').notNull(),
    role: text('role', { enum: STAFF_ROLES }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.salonId, table.id] }), uniqueIndex('staff_user').on(table.userId)],
)

export const client = pgTable(
  'client',
  {
    salonId: salonId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    note: text('note').notNull(),
    head: jsonb('head').$type<HeadMeasures>().notNull(),
    hair: jsonb('hair').$type<HairState>().notNull(),
    revision: integer('revision').notNull().default(0),
    createdAt: moment('created_at').notNull().defaultNow(),
    updatedAt: moment('updated_at').notNull().defaultNow(),
    deletedAt: moment('deleted_at'),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('client_name').on(table.salonId, table.name),
    index('client_search').using('gin', sql`lower(${table.name}) gin_trgm_ops`),
  ],
)
