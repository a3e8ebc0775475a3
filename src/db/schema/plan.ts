import { sql } from 'drizzle-orm'
import {
  boolean,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  pgView,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core'
import type { PlanPatch } from '../../core/model'
import { planDocument, sectionsDocument } from './documents'
import { client, salon, staff } from './salon'

const moment = (name: string) => timestamp(name, { withTimezone: true })

/** The plan being worked on. `revision` counts its operations; `document` is what they add up to. */
export const plan = pgTable(
  'plan',
  {
    salonId: uuid('salon_id')
      .notNull()
      .references(() => salon.id),
    id: uuid('id').notNull(),
    clientId: uuid('client_id').notNull(),
    name: text('name').notNull(),
    document: planDocument('document').notNull(),
    revision: integer('revision').notNull().default(0),
    createdAt: moment('created_at').notNull().defaultNow(),
    updatedAt: moment('updated_at').notNull().defaultNow(),
    deletedAt: moment('deleted_at'),
    /** Whether its edits were folded and none came since. */
    folded: boolean('folded').notNull().default(false),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    foreignKey({ columns: [table.salonId, table.clientId], foreignColumns: [client.salonId, client.id] }),
    index('plan_client').on(table.salonId, table.clientId, table.updatedAt),
    index('plan_unfolded')
      .on(table.salonId, table.updatedAt)
      .where(sql`not ${table.folded}`),
  ],
)

/** A plan as it was when somebody kept it. Never changed. */
export const planVersion = pgTable(
  'plan_version',
  {
    salonId: uuid('salon_id').notNull(),
    planId: uuid('plan_id').notNull(),
    number: integer('number').notNull(),
    label: text('label').notNull(),
    document: planDocument('document').notNull(),
    staffId: uuid('staff_id').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.planId, table.number] }),
    foreignKey({ columns: [table.salonId, table.planId], foreignColumns: [plan.salonId, plan.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

const editColumns = () => ({
  salonId: uuid('salon_id').notNull(),
  planId: uuid('plan_id').notNull(),
  /** The revision this operation led to. */
  revision: integer('revision').notNull(),
  /** Given by the device, so that an operation sent twice counts once. */
  id: uuid('id').notNull(),
  kind: text('kind', { enum: ['edit', 'undo', 'redo'] }).notNull(),
  label: text('label').notNull(),
  patches: jsonb('patches').$type<PlanPatch[]>().notNull(),
  inverse: jsonb('inverse').$type<PlanPatch[]>().notNull(),
  target: uuid('target'),
  state: text('state', { enum: ['applied', 'undone', 'discarded'] }).notNull(),
  staffId: uuid('staff_id').notNull(),
  at: moment('at').notNull().defaultNow(),
})

/**
 * What was done to a plan, in order. An `edit` carries its patches and their inverse; `undo` and `redo` name the edit
 * they concern, whose `state` follows.
 */
export const planEdit = pgTable('plan_edit', editColumns(), (table) => [
  primaryKey({ columns: [table.salonId, table.planId, table.revision] }),
  uniqueIndex('plan_edit_id').on(table.salonId, table.planId, table.id),
  foreignKey({ columns: [table.salonId, table.planId], foreignColumns: [plan.salonId, plan.id] }),
  foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
])

/** The edits of a plan that was left alone for long, as one document: rows of `plan_edit` without salon and plan. */
export const planEditLog = pgTable(
  'plan_edit_log',
  {
    salonId: uuid('salon_id').notNull(),
    planId: uuid('plan_id').notNull(),
    rows: jsonb('rows').$type<object[]>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.planId] }),
    foreignKey({ columns: [table.salonId, table.planId], foreignColumns: [plan.salonId, plan.id] }),
  ],
)

/** What was done to a plan, folded or not. */
export const planEditMade = pgView('plan_edit_made', editColumns()).existing()

/** Who looked at which caution, when and why it is all right to go on. Only ever added to. */
export const cautionAcknowledgement = pgTable(
  'caution_acknowledgement',
  {
    salonId: uuid('salon_id').notNull(),
    planId: uuid('plan_id').notNull(),
    id: uuid('id').notNull(),
    cautionId: text('caution_id').notNull(),
    /** The words that were on the screen. */
    text: text('text').notNull(),
    reason: text('reason').notNull(),
    planRevision: integer('plan_revision').notNull(),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.planId, table.id] }),
    foreignKey({ columns: [table.salonId, table.planId], foreignColumns: [plan.salonId, plan.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** Sections a salon keeps as its own. A name is used once among those that are not removed. */
export const salonLayout = pgTable(
  'salon_layout',
  {
    salonId: uuid('salon_id')
      .notNull()
      .references(() => salon.id),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    sections: sectionsDocument('sections').notNull(),
    staffId: uuid('staff_id').notNull(),
    createdAt: moment('created_at').notNull().defaultNow(),
    deletedAt: moment('deleted_at'),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
    uniqueIndex('salon_layout_name')
      .on(table.salonId, table.name)
      .where(sql`deleted_at is null`),
  ],
)
