/** Everything that is kept of one client: in which table, and which of its rows. */

const PLANS = 'select id from plan where salon_id = $1 and client_id = $2'
const RUNS = `select id from run where salon_id = $1 and plan_id in (${PLANS})`
const VISITS = 'select id from visit where salon_id = $1 and client_id = $2'
const MIXES = `select id from mix where salon_id = $1 and plan_id in (${PLANS})`

export interface PersonPart {
  table: string
  /** Which rows of the salon are hers; `$1` is the salon, `$2` she. */
  rows: string
  /** Columns that are handed over in another way. */
  apart?: readonly string[]
}

/** In the order in which they can be taken away: what points at something goes before it. */
export const PERSON_PARTS: readonly PersonPart[] = [
  { table: 'picture_bytes', rows: 'client_id = $2', apart: ['data'] },
  { table: 'picture', rows: 'client_id = $2' },
  { table: 'message', rows: 'client_id = $2' },
  { table: 'visit_review', rows: `visit_id in (${VISITS})` },
  { table: 'mix_event', rows: `mix_id in (${MIXES})` },
  { table: 'mix', rows: `plan_id in (${PLANS})` },
  { table: 'run_log', rows: `run_id in (${RUNS})` },
  { table: 'run_event', rows: `run_id in (${RUNS})` },
  { table: 'run', rows: `plan_id in (${PLANS})` },
  { table: 'visit', rows: 'client_id = $2' },
  { table: 'caution_acknowledgement', rows: `plan_id in (${PLANS})` },
  { table: 'booking', rows: `plan_id in (${PLANS})` },
  { table: 'plan_edit_log', rows: `plan_id in (${PLANS})` },
  { table: 'plan_edit', rows: `plan_id in (${PLANS})` },
  { table: 'plan_version', rows: `plan_id in (${PLANS})` },
  { table: 'plan', rows: 'client_id = $2' },
  { table: 'consultation', rows: 'client_id = $2' },
  { table: 'care_check', rows: 'client_id = $2' },
  { table: 'consent', rows: 'client_id = $2' },
  { table: 'client', rows: 'id = $2' },
]

/**
 * Tables that name such a row and stay as they are: what left the shelf left it, whoever it was for, and the audit says
 * that something was read or changed and not what. Names of pictures stay until their store has let go of them.
 */
export const STAYS: readonly string[] = [
  'stock_move',
  'audit_entry',
  'erased_visit',
  'learning_choice',
  'picture_leaving',
]
