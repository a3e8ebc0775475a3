import { sql } from 'drizzle-orm'
import {
  boolean,
  customType,
  date,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  real,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import {
  CARE_KINDS,
  CARE_RESULTS,
  CONSULTATION_KINDS,
  type Canvas,
  type Correction,
  type Goal,
  type HairState,
  type PictureOf,
} from '../../core/model'
import { MESSAGE_KINDS } from '../../core/record/upkeep'
import { LEARNING_CHOICES } from '../../core/record/learning'
import type { MixedFormula, ToldVisit, VisitFigures, VisitSummary } from '../../core/record/visit'
import { plan, planVersion } from './plan'
import { client, staff } from './salon'

const moment = (name: string) => timestamp(name, { withTimezone: true })
const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' })

/** A plan that was carried out, pinned to the version it had. */
export const visit = pgTable(
  'visit',
  {
    salonId: uuid('salon_id').notNull(),
    clientId: uuid('client_id').notNull(),
    id: uuid('id').notNull(),
    planId: uuid('plan_id').notNull(),
    planVersion: integer('plan_version').notNull(),
    on: date('on').notNull(),
    staffId: uuid('staff_id').notNull(),
    /** What was told of it afterwards; null where its own logs say it. */
    told: jsonb('told').$type<ToldVisit>(),
    /** Taken back: it counts no more, and stays readable. */
    withdrawnAt: moment('withdrawn_at'),
    withdrawnBy: uuid('withdrawn_by'),
    /** What it came to, worked out from its logs; null until it is, and again when those have changed. */
    summary: jsonb('summary').$type<VisitSummary>(),
    /** Of that, what sums and charts read. */
    figures: jsonb('figures').$type<VisitFigures>(),
    /** And what was mixed, as it is looked for. */
    formulas: jsonb('formulas').$type<MixedFormula[]>(),
    /** How often what it follows from has changed, so that what was worked out before is not kept after. */
    changes: integer('changes').notNull().default(0),
    createdAt: moment('created_at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('visit_day').on(table.salonId, table.on, table.id),
    index('visit_not_summed_up')
      .on(table.salonId)
      .where(sql`figures is null`),
    index('visit_client').on(table.salonId, table.clientId, table.on),
    foreignKey({ columns: [table.salonId, table.clientId], foreignColumns: [client.salonId, client.id] }),
    foreignKey({ columns: [table.salonId, table.planId], foreignColumns: [plan.salonId, plan.id] }),
    foreignKey({
      columns: [table.salonId, table.planId, table.planVersion],
      foreignColumns: [planVersion.salonId, planVersion.planId, planVersion.number],
    }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** What is left of a visit of somebody who was erased: what sums and charts read, of a month, and who worked. */
export const erasedVisit = pgTable(
  'erased_visit',
  {
    salonId: uuid('salon_id').notNull(),
    id: uuid('id').notNull(),
    /** The first of its month. */
    on: date('on').notNull(),
    staffId: uuid('staff_id').notNull(),
    figures: jsonb('figures').$type<Omit<VisitFigures, 'due'>>().notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('erased_visit_day').on(table.salonId, table.on),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** What somebody thinks of a visit: one a visit and person, changed as long as she likes. */
export const visitReview = pgTable(
  'visit_review',
  {
    salonId: uuid('salon_id').notNull(),
    visitId: uuid('visit_id').notNull(),
    staffId: uuid('staff_id').notNull(),
    worked: text('worked').notNull(),
    change: text('change').notNull(),
    why: text('why').notNull(),
    shared: boolean('shared').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.visitId, table.staffId] }),
    foreignKey({ columns: [table.salonId, table.visitId], foreignColumns: [visit.salonId, visit.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/**
 * What a colourist decided about her own figures: begin a factor anew, or leave a job out of it and take it in again.
 * Only ever added to.
 */
export const learningChoice = pgTable(
  'learning_choice',
  {
    salonId: uuid('salon_id').notNull(),
    staffId: uuid('staff_id').notNull(),
    id: uuid('id').notNull(),
    kind: text('kind', { enum: LEARNING_CHOICES }).notNull(),
    /** The factor and its context, or the job. */
    about: text('about').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.staffId, table.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** What is written to clients: a stand-in for sending, nothing leaves the machine. */
export const message = pgTable(
  'message',
  {
    salonId: uuid('salon_id').notNull(),
    id: uuid('id').notNull(),
    clientId: uuid('client_id').notNull(),
    kind: text('kind', { enum: MESSAGE_KINDS }).notNull(),
    text: text('text').notNull(),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
    /** When somebody said that it went out, by whatever way. */
    sentAt: moment('sent_at'),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.id] }),
    index('message_client').on(table.salonId, table.clientId, table.at),
    foreignKey({ columns: [table.salonId, table.clientId], foreignColumns: [client.salonId, client.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** A salon's own words for a kind of message. */
export const messageTemplate = pgTable(
  'message_template',
  {
    salonId: uuid('salon_id').notNull(),
    kind: text('kind', { enum: MESSAGE_KINDS }).notNull(),
    text: text('text').notNull(),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.kind] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/**
 * Hair and wish on one day. The newest one of a client is changed while its day lasts; earlier ones stay as they are.
 */
export const consultation = pgTable(
  'consultation',
  {
    salonId: uuid('salon_id').notNull(),
    clientId: uuid('client_id').notNull(),
    number: integer('number').notNull(),
    kind: text('kind', { enum: CONSULTATION_KINDS }).notNull(),
    recordedOn: date('recorded_on').notNull(),
    hair: jsonb('hair').$type<HairState>().notNull(),
    canvas: jsonb('canvas').$type<Canvas>().notNull(),
    goal: jsonb('goal').$type<Goal>().notNull(),
    trimmedCm: real('trimmed_cm').notNull().default(0),
    corrections: jsonb('corrections').$type<Correction[]>().notNull(),
    revision: integer('revision').notNull().default(1),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.clientId, table.number] }),
    foreignKey({ columns: [table.salonId, table.clientId], foreignColumns: [client.salonId, client.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** Checks before a service. Only ever added to: the database refuses changes. */
export const careCheck = pgTable(
  'care_check',
  {
    salonId: uuid('salon_id').notNull(),
    clientId: uuid('client_id').notNull(),
    id: uuid('id').notNull(),
    kind: text('kind', { enum: CARE_KINDS }).notNull(),
    on: date('on').notNull(),
    result: text('result', { enum: CARE_RESULTS }).notNull(),
    product: text('product').notNull(),
    note: text('note').notNull(),
    expiresOn: date('expires_on'),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.clientId, table.id] }),
    foreignKey({ columns: [table.salonId, table.clientId], foreignColumns: [client.salonId, client.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** Signatures, with the version of the text they were given to. Only ever added to. */
export const consent = pgTable(
  'consent',
  {
    salonId: uuid('salon_id').notNull(),
    clientId: uuid('client_id').notNull(),
    id: uuid('id').notNull(),
    on: date('on').notNull(),
    textVersion: text('text_version').notNull(),
    strokes: jsonb('strokes').$type<number[][]>().notNull(),
    typedName: text('typed_name'),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.clientId, table.id] }),
    foreignKey({ columns: [table.salonId, table.clientId], foreignColumns: [client.salonId, client.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

export const PICTURE_SIZES = ['full', 'thumbnail'] as const

/** Pictures of a client; their bytes lie apart, so that a list does not read them. */
export const picture = pgTable(
  'picture',
  {
    salonId: uuid('salon_id').notNull(),
    clientId: uuid('client_id').notNull(),
    id: uuid('id').notNull(),
    name: text('name').notNull(),
    mime: text('mime').notNull(),
    widthPx: integer('width_px').notNull(),
    heightPx: integer('height_px').notNull(),
    bytes: integer('bytes').notNull(),
    /** Of the bytes as kept, hex. */
    sha256: text('sha256').notNull(),
    /** The visit that it belongs to, if any. */
    of: jsonb('of').$type<PictureOf>(),
    /** Of the bytes as they came, so that the same file sent twice is known. */
    sourceSha256: text('source_sha256').notNull(),
    staffId: uuid('staff_id').notNull(),
    at: moment('at').notNull().defaultNow(),
    deletedAt: moment('deleted_at'),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.clientId, table.id] }),
    index('picture_source').on(table.salonId, table.clientId, table.sourceSha256),
    foreignKey({ columns: [table.salonId, table.clientId], foreignColumns: [client.salonId, client.id] }),
    foreignKey({ columns: [table.salonId, table.staffId], foreignColumns: [staff.salonId, staff.id] }),
  ],
)

/** A picture's bytes, at two sizes. Where there are none, they lie in the store of pictures. */
export const pictureBytes = pgTable(
  'picture_bytes',
  {
    salonId: uuid('salon_id').notNull(),
    clientId: uuid('client_id').notNull(),
    pictureId: uuid('picture_id').notNull(),
    size: text('size', { enum: PICTURE_SIZES }).notNull(),
    mime: text('mime').notNull(),
    data: bytes('data'),
    /** Of bytes that the store has, hex. */
    sha256: text('sha256'),
  },
  (table) => [
    primaryKey({ columns: [table.salonId, table.clientId, table.pictureId, table.size] }),
    index('picture_bytes_here')
      .on(table.salonId)
      .where(sql`${table.data} is not null`),
    foreignKey({
      columns: [table.salonId, table.clientId, table.pictureId],
      foreignColumns: [picture.salonId, picture.clientId, picture.id],
    }),
  ],
)

/** What was erased here and is still to be taken out of the store of pictures. It names nobody. */
export const pictureLeaving = pgTable(
  'picture_leaving',
  {
    salonId: uuid('salon_id').notNull(),
    pictureId: uuid('picture_id').notNull(),
    size: text('size', { enum: PICTURE_SIZES }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.salonId, table.pictureId, table.size] })],
)
