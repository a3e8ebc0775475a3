import { sql } from 'drizzle-orm'
import {
  boolean,
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
import { STAFF_ROLES, type HairState, type HeadMeasures, type Skill, type WorkDay } from '../../core/model'
import { AS_KEPT, type ReadingUnits } from '../../core/units'
import { plainly } from '../containing'
import { user } from './auth'

/** Every domain table leads with the salon in its key, so that one salon's rows stay together. */
const salonId = () =>
  uuid('salon_id')
    .notNull()
    .references(() => salon.id)
const moment = (name: string) => timestamp(name, { withTimezone: true })

export const salon = pgTable('salon', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  units: jsonb('units').$type<ReadingUnits>().notNull().default(AS_KEPT),
  /** IANA name: which day it is there. */
  timeZone: text('time_zone').notNull().default('UTC'),
  /** The invented salon, which anybody on this machine may look around in. */
  demo: boolean('demo').notNull().default(false),
  /** ISO 3166-1, two letters; empty where it was made before that was asked. */
  country: text('country').notNull().default(''),
  /** Records of clients who were not there for so many years are proposed for erasure; 0 for none. */
  retentionYears: integer('retention_years').notNull().default(0),
  /** Whether owners need a second factor. */
  ownersNeedSecondFactor: boolean('owners_need_second_factor').notNull().default(false),
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
    /** Works here no more: cannot sign in, and what she did stays hers. */
    deactivatedAt: moment('deactivated_at'),
    /** What she is trusted with at a client; null: what her role usually is. */
    skills: jsonb('skills').$type<Skill[]>(),
    /** Days that she works; null where nobody has said. */
    week: jsonb('week').$type<WorkDay[]>(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    uniqueIndex('staff_user').on(table.salonId, table.userId),
  ],
)

/** A tablet at the chair that several people use: whoever has a PIN takes it over, and it locks itself. */
export const sharedTablet = pgTable(
  'shared_tablet',
  {
    salonId: salonId(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    /** Of the word that the tablet itself keeps. */
    tokenHash: text('token_hash').notNull(),
    lockAfterMin: integer('lock_after_min').notNull(),
    sharedBy: uuid('shared_by').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
    expiresAt: moment('expires_at').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    uniqueIndex('shared_tablet_word').on(table.salonId, table.tokenHash),
    foreignKey({ columns: [table.salonId, table.sharedBy], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** With which somebody takes over a shared tablet; good for nothing anywhere else. */
export const staffPin = pgTable(
  'staff_pin',
  {
    salonId: salonId(),
    staffId: uuid('staff_id').notNull(),
    hash: text('hash').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.staffId] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** The link by which somebody's bookings can be followed in a calendar elsewhere. */
export const calendarFeed = pgTable(
  'calendar_feed',
  {
    salonId: salonId(),
    staffId: uuid('staff_id').notNull(),
    tokenHash: text('token_hash').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.staffId] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** Somebody who was asked to join. The link that went out holds a word of which only the hash is kept. */
export const invitation = pgTable(
  'invitation',
  {
    salonId: salonId(),
    id: uuid('id').notNull(),
    tokenHash: text('token_hash').notNull(),
    email: text('email').notNull(),
    name: text('name').notNull(),
    role: text('role', { enum: STAFF_ROLES }).notNull(),
    invitedBy: uuid('invited_by').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
    expiresAt: moment('expires_at').notNull(),
    /** Used or taken back: good no more. */
    closedAt: moment('closed_at'),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('invitation_open').on(table.salonId, table.closedAt),
    foreignKey({ columns: [table.salonId, table.invitedBy], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/**
 * Who read health records and who changed what. Only ever added to. It names things by their ids alone, so that erasing
 * a person needs no change here.
 */
export const auditEntry = pgTable(
  'audit_entry',
  {
    salonId: salonId(),
    id: uuid('id').notNull(),
    at: moment('at').notNull().defaultNow(),
    staffId: uuid('staff_id').notNull(),
    /** The route, such as `PUT /api/clients/:id`, or the page. */
    what: text('what').notNull(),
    /** The first thing that the address names. */
    about: text('about').notNull(),
    from: text('from').notNull(),
    requestId: text('request_id').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('audit_at').on(table.salonId, table.at),
    index('audit_about').on(table.salonId, table.about, table.at),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
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
    index('client_search').using('gin', table.salonId, sql`${plainly(table.name)} gin_trgm_ops`),
  ],
)
