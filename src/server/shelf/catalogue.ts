import { and, eq, inArray, isNull, sql } from 'drizzle-orm'
import {
  COUNTS,
  isColour,
  type CatalogueItem,
  type ImportChange,
  type ImportProblem,
  type ImportReport,
} from '@/core/model'
import { database, inTransaction, product, type Transaction } from '@/db'
import { requirePermission, type StaffMember } from '../auth'
import type { ProductChangeDto } from '@/dto'
import { AppError, invalidAt, notFound } from '../errors'
import { changedColumns, csvOfCatalogue, readCatalogueCsv } from './csv'

const words = new Intl.Collator('en', { numeric: true })
/** As one reads a shelf: by name, levels as numbers. */
export const byName = (one: CatalogueItem, other: CatalogueItem): number =>
  words.compare(one.name, other.name) || words.compare(one.id, other.id)

/** The salon's catalogue, by name. */
export async function catalogueOf(member: StaffMember): Promise<CatalogueItem[]> {
  const rows = await database()
    .select({ item: product.item })
    .from(product)
    .where(and(eq(product.salonId, member.salonId), isNull(product.deletedAt)))
    .limit(COUNTS.catalogue)
  return rows.map(({ item }) => item).sort(byName)
}

/** Keeps a product, new or changed. @throws AppError 409 when its code is taken or it was changed meanwhile */
export async function saveProduct(
  member: StaffMember,
  { item, baseRevision }: ProductChangeDto,
): Promise<{ revision: number }> {
  requirePermission(member, 'stock')
  checkItem(item)
  return inTransaction(async (tx) => {
    const key = and(eq(product.salonId, member.salonId), eq(product.id, item.id))
    const [found] = await tx.select().from(product).where(key).for('update')
    if (baseRevision === undefined) {
      if (found && !found.deletedAt)
        throw new AppError(
          409,
          'code-taken',
          `There is a product with the code “${item.id}” already. Choose another code.`,
        )
      const revision = (found?.revision ?? 0) + 1
      await tx
        .insert(product)
        .values({ salonId: member.salonId, id: item.id, item, revision })
        .onConflictDoUpdate({ target: [product.salonId, product.id], set: { item, revision, deletedAt: null } })
      return { revision }
    }
    if (!found || found.deletedAt) throw notFound('product')
    if (found.revision !== baseRevision)
      throw new AppError(
        409,
        'stale',
        'Somebody else has changed this product meanwhile. Look at it again; your changes were not saved.',
      )
    await tx
      .update(product)
      .set({ item, revision: found.revision + 1 })
      .where(key)
    return { revision: found.revision + 1 }
  })
}

/** What no single field can tell. */
function checkItem({ kind, developerVol, additive, rules, shade }: CatalogueItem): void {
  if (kind === 'developer' && developerVol === undefined)
    throw invalidAt('item.developerVol', 'A developer needs its strength.')
  if (kind === 'bondAdditive' && !additive) throw invalidAt('item.additive', 'An additive needs its dose.')
  if (rules.developerMinVol > rules.developerMaxVol)
    throw invalidAt('item.rules.developerMaxVol', 'The strongest developer is weaker than the weakest.')
  if (isColour(kind) && !shade) throw invalidAt('item.shade', 'A colour needs its level and tone.')
}

export async function setProductRemoved(
  member: StaffMember,
  id: string,
  removed: 'removed' | 'present',
): Promise<object> {
  requirePermission(member, 'stock')
  const [changed] = await database()
    .update(product)
    .set({ deletedAt: removed === 'removed' ? new Date() : null })
    .where(and(eq(product.salonId, member.salonId), eq(product.id, id)))
    .returning({ id: product.id })
  if (!changed) throw notFound('product')
  return {}
}

export const exportCatalogue = async (member: StaffMember): Promise<string> => csvOfCatalogue(await catalogueOf(member))

/** Rows checked, and rows written, at a time. */
const SLICE = 250
/** Problems that are told at once. */
const MOST_PROBLEMS = 100

/**
 * Reads a catalogue file and says what it changes; with `commit` it is taken over, all of it or nothing. Products that
 * the file does not name stay.
 * @param onProgress rows read so far, and rows in all
 */
export async function importCatalogue(
  member: StaffMember,
  text: string,
  commit: 'preview' | 'commit',
  onProgress: (done: number, of: number) => void,
): Promise<ImportReport> {
  requirePermission(member, 'stock')
  const file = readCatalogueCsv(text)
  const problems: ImportProblem[] = [...file.problems]
  const items: { line: number; item: CatalogueItem }[] = []
  if (file.count > COUNTS.catalogue)
    problems.push({
      line: COUNTS.catalogue + 1,
      column: '',
      message: `A catalogue holds ${COUNTS.catalogue} products at most.`,
    })
  for (let from = 0; from < file.count && problems.length < MOST_PROBLEMS; from += SLICE) {
    for (const row of file.check(from, from + SLICE)) {
      if ('problems' in row) problems.push(...row.problems)
      else {
        const wrong = lawProblem(row.item)
        if (wrong) problems.push({ line: row.line, ...wrong })
        else items.push(row)
      }
    }
    onProgress(Math.min(from + SLICE, file.count), file.count)
    // Lets other requests in between two slices.
    await new Promise((next) => setImmediate(next))
  }
  const changes: ImportChange[] = []
  const report = (committed: boolean): ImportReport => ({
    rows: file.count,
    unchanged: items.length - changes.length,
    changes,
    problems: problems.slice(0, MOST_PROBLEMS),
    committed,
  })
  await inTransaction(async (tx) => {
    const now = await known(
      tx,
      member,
      items.map(({ item }) => item.id),
    )
    const fresh: CatalogueItem[] = []
    for (const { item } of items) {
      const before = now.get(item.id)
      const columns = before ? changedColumns(before, item) : []
      if (before && columns.length === 0) continue
      changes.push({ id: item.id, name: item.name, kind: before ? 'changed' : 'added', columns })
      fresh.push(item)
    }
    if (commit === 'preview' || problems.length > 0) return
    for (let from = 0; from < fresh.length; from += SLICE)
      await tx
        .insert(product)
        .values(fresh.slice(from, from + SLICE).map((item) => ({ salonId: member.salonId, id: item.id, item })))
        .onConflictDoUpdate({
          target: [product.salonId, product.id],
          set: { item: sql`excluded.item`, revision: sql`${product.revision} + 1`, deletedAt: null },
        })
  })
  return report(commit === 'commit' && problems.length === 0)
}

function lawProblem(item: CatalogueItem): { column: string; message: string } | undefined {
  try {
    checkItem(item)
    return undefined
  } catch (error) {
    if (!(error instanceof AppError)) throw error
    const column = {
      'item.developerVol': 'developer_vol',
      'item.additive': 'additive_percent',
      'item.rules.developerMaxVol': 'developer_max_vol',
      'item.shade': 'level',
    }[error.details.problems![0]!.path]!
    return { column, message: error.message }
  }
}

async function known(
  tx: Transaction,
  member: StaffMember,
  ids: readonly string[],
): Promise<Map<string, CatalogueItem>> {
  const found = new Map<string, CatalogueItem>()
  for (let from = 0; from < ids.length; from += 4 * SLICE) {
    const rows = await tx
      .select({ id: product.id, item: product.item })
      .from(product)
      .where(
        and(
          eq(product.salonId, member.salonId),
          isNull(product.deletedAt),
          inArray(product.id, ids.slice(from, from + 4 * SLICE)),
        ),
      )
      .for('update')
    for (const { id, item } of rows) found.set(id, item)
  }
  return found
}
