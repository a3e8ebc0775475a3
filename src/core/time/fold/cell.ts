import { carriesWork, type strandDistances } from '../../hair/hairRecord'
import { sameElements } from '../../numeric'
import type { Band, Selection } from '../../model'
import { LEAST_SHARE, MOST_LOCKS, UNLIKE_LEVELS, WHOLLY_FROM } from './constants'
import { withShare, type Lock } from './locks'
import type { Application } from './treat'

/** What pieces do to hair: all that goes along their strands, and which hair they may take. One object for each. */
export interface Work {
  applications: readonly Application[]
  /** `visit/formula` of each, as the record says it. */
  sources: readonly string[]
  select: Selection
  /** Their sections are taken whole. */
  whole: boolean
}

/** What is taken of a cell for one kind of work. */
export interface Taken {
  work: Work
  /** Of the cell's hairs, 0…1. */
  share: number
}

/** Whether a take that is limited to some hair may take a lock. */
export const selects = (lock: Lock, select: Selection): boolean => SELECTS[select](lock)

const SELECTS: Record<Selection, (lock: Lock) => boolean> = {
  all: () => true,
  copyWhite: () => true,
  white: ({ white }) => white,
  dark: ({ white }) => !white,
  earlier: ({ sources, bands }) => carriesWork(sources, bands),
  notEarlier: ({ sources, bands }) => !carriesWork(sources, bands),
}

/** What was done to a lock, and by which stages. */
type Past = Pick<Lock, 'took' | 'sources'>

export interface CellFold {
  locks: readonly Lock[]
  taken: readonly Taken[]
  /** Which hair the stage's takes choose from, each once. */
  selections: readonly Selection[]
  /** The stage takes all hair of the head that it may take. */
  everywhere: boolean
  eligible: (lock: Lock) => boolean
  past: (lock: Lock, work: Work) => Past
  treat: (lock: Lock, work: Work) => readonly Band[]
  apart: ReturnType<typeof strandDistances>
}

/** One stage on one cell. No hair is taken twice by a stage; hair that may not be taken stays as it is. */
export function foldCell({
  locks,
  taken,
  selections,
  everywhere,
  eligible,
  past,
  treat,
  apart,
}: CellFold): readonly Lock[] {
  const after: CellLock[] = []
  let left: Lock[] = []
  for (const lock of locks) {
    if (eligible(lock)) left.push(lock)
    else gather(after, withShare(lock, lock.share))
  }
  for (const select of selections) {
    const own = selections.length > 1 ? taken.filter(({ work }) => work.select === select) : taken
    const may: Lock[] = []
    const other: Lock[] = []
    for (const lock of left) (SELECTS[select](lock) ? may : other).push(lock)
    const available = sumOf(may)
    if (own.length === 0 || available <= 0) continue
    const asked = sumOf(own)
    const takesRest = everywhere || (own.every(({ work }) => work.whole) && asked > WHOLLY_FROM * available)
    const fit = takesRest ? 1 / asked : Math.min(1 / available, 1 / asked)
    const rest = 1 - asked * fit
    left = other
    for (const lock of may) {
      for (const { work, share } of own) {
        const { took, sources } = past(lock, work)
        const { was, white } = lock
        gather(after, { bands: treat(lock, work), was, share: lock.share * share * fit, white, sources, took })
      }
      if (rest > LEAST_SHARE) left.push(withShare(lock, lock.share * rest))
    }
  }
  for (const lock of left) gather(after, withShare(lock, lock.share))
  return settled(after, apart)
}

function sumOf(shares: readonly { share: number }[]): number {
  let sum = 0
  for (const { share } of shares) sum += share
  return sum
}

/** A lock of the cell in hand, which no other cell or stage holds yet. */
type CellLock = Lock & { share: number }

/** Adds a lock to a cell; one that is the same in everything as one that is there goes up in it. */
function gather(cell: CellLock[], lock: CellLock): void {
  for (const one of cell) {
    if (!areSame(one, lock)) continue
    one.share += lock.share
    return
  }
  cell.push(lock)
}

/** The greatest share first, no more locks than are held, and their shares come to 1 again. */
function settled(cell: CellLock[], apart: CellFold['apart']): readonly Lock[] {
  putGreatestFirst(cell)
  while (cell.length > MOST_LOCKS) joinRarest(cell, apart)
  const whole = sumOf(cell)
  for (const lock of cell) lock.share /= whole
  return cell
}

/** By insertion, in place: a cell has few locks, and there are some hundred cells at every edit. */
function putGreatestFirst(cell: CellLock[]): void {
  for (let i = 1; i < cell.length; i++) {
    const lock = cell[i]!
    let to = i
    for (; to > 0 && cell[to - 1]!.share < lock.share; to--) cell[to] = cell[to - 1]!
    cell[to] = lock
  }
}

/** The same hair with the same past; hair that the same was done to has the same array. */
const areSame = (a: Lock, b: Lock): boolean =>
  a.bands === b.bands &&
  a.was === b.was &&
  a.white === b.white &&
  sameElements(a.took, b.took) &&
  sameElements(a.sources, b.sources)

/** The rarest lock joins the one that looks most like it: white hair white hair, and of those the same stages took. */
function joinRarest(cell: CellLock[], apart: CellFold['apart']): void {
  const rarest = cell.pop()!
  const apartFrom = apart(rarest.bands)
  let least = Infinity
  let alike = cell[0]!
  for (const lock of cell) {
    const unlike =
      apartFrom(lock.bands) +
      (lock.white === rarest.white ? 0 : UNLIKE_LEVELS) +
      (sameElements(lock.took, rarest.took) ? 0 : UNLIKE_LEVELS)
    if (unlike >= least) continue
    least = unlike
    alike = lock
  }
  alike.share += rarest.share
}
