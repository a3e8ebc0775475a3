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
import type { RunEvent } from '../../core/model'
import type { RunScript } from '../../core/time/run'
import { planDocument } from './documents'
import { plan } from './plan'
import { staff } from './salon'

const moment = (name: string) => timestamp(name, { withTimezone: true })

/**
 * A visit as it is carried out. `script` and `document` are pinned when it begins and no longer change with the plan.
 * `visitId` is the record that its hair went into.
 */
export const run = pgTable(
  'run',
  {
    salonId: uuid('salon_id').notNull(),
    id: uuid('id').notNull(),
    planId: uuid('plan_id').notNull(),
    planRevision: integer('plan_revision').notNull(),
    script: jsonb('script').$type<RunScript>().notNull(),
    document: planDocument('document').notNull(),
    visitId: uuid('visit_id'),
    staffId: uuid('staff_id').notNull(),
    startedAt: moment('started_at').notNull().defaultNow(),
    endedAt: moment('ended_at'),
    /** Whether its log was folded and nothing was told of it since. */
    folded: boolean('folded').notNull().default(false),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('run_visit').on(table.salonId, table.visitId),
    index('run_plan').on(table.salonId, table.planId, table.startedAt),
    index('run_unfolded')
      .on(table.salonId, table.endedAt)
      .where(sql`not ${table.folded}`),
    foreignKey({ columns: [table.salonId, table.planId], foreignColumns: [plan.salonId, plan.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

const eventColumns = () => ({
  salonId: uuid('salon_id').notNull(),
  runId: uuid('run_id').notNull(),
  seq: integer('seq').notNull(),
  id: uuid('id').notNull(),
  kind: text('kind').notNull(),
  event: jsonb('event').$type<RunEvent>().notNull(),
  /** What two devices tell alike, and how often it had been taken back before: together told once a run. */
  same: text('same'),
  turn: integer('turn').notNull().default(0),
  staffId: uuid('staff_id').notNull(),
  at: moment('at').notNull().defaultNow(),
})

/**
 * What happened at the chair, in the order that holds for every device. Only ever added to, and a trigger sees to it.
 * `id` is given by the device, so that one sent twice counts once.
 */
export const runEvent = pgTable('run_event', eventColumns(), (table) => [
  primaryKey({ columns: [table.salonId, table.runId, table.seq] }),
  uniqueIndex('run_event_id').on(table.salonId, table.runId, table.id),
  uniqueIndex('run_event_same').on(table.salonId, table.runId, table.same, table.turn),
  foreignKey({ columns: [table.salonId, table.runId], foreignColumns: [run.salonId, run.id] }),
  foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
])

/** The log of a visit that is long over, as one document: rows of `run_event` without the names of salon and visit. */
export const runLog = pgTable(
  'run_log',
  {
    salonId: uuid('salon_id').notNull(),
    runId: uuid('run_id').notNull(),
    rows: jsonb('rows').$type<object[]>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.runId] }),
    foreignKey({ columns: [table.salonId, table.runId], foreignColumns: [run.salonId, run.id] }),
  ],
)

/** What happened at the chair, folded or not. */
export const runEventTold = pgView('run_event_told', eventColumns()).existing()
