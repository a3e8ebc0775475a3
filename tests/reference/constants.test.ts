import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import ts from 'typescript'
import { CONSTANTS_VERSION } from '@/core/model'

/**
 * Constants of the core: every one says where it comes from, and none changes unnoticed. A plan carries the version of
 * the constants that it was computed with, so a change of one is a change of CONSTANTS_VERSION, and of what stands
 * here.
 */
const KNOWN = { version: '2026.11.30.2', sha256: 'faa86c7652e2f7896065a5ad72c0d675436becd98c004a91f90f39c6898d29a8' }

/** Words that say where a figure comes from. */
const SOURCE =
  /published|common practice|our (estimate|choice)|from memory|mathematics|by definition|physics|colour theory|convention|regulation|\[[^\]]*\d{4}\]|\b(19|20)\d{2}\b/i

interface Constant {
  name: string
  /** The comment above it, or above the group it stands in. */
  words: string
  value: string
}

const files = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
  .filter((name) => name.endsWith('constants.ts'))
  .map((name) => join('src/core', name))
  .sort()

function constantsOf(file: string): Constant[] {
  const text = readFileSync(file, 'utf8')
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.ESNext, true)
  let words = ''
  return source.statements.filter(ts.isVariableStatement).map((statement) => {
    const above = text.slice(statement.getFullStart(), statement.getStart())
    if (/\/[*/]/.test(above)) words = above.replace(/[\s*]+/g, ' ')
    else if (/\n\s*\n/.test(above)) words = ''
    const declaration = statement.declarationList.declarations[0]!
    return {
      name: `${file} ${declaration.name.getText()}`,
      words,
      value: (declaration.initializer?.getText() ?? '').replace(/\s+/g, ' '),
    }
  })
}

const constants = files.flatMap(constantsOf)

it('each says where it comes from, itself or with the group it stands in', () => {
  expect(constants.length).toBeGreaterThan(250)
  expect(constants.filter(({ words }) => !SOURCE.test(words)).map(({ name }) => name)).toEqual([])
})

it('none has changed since this version of the constants', () => {
  const sha256 = createHash('sha256')
    .update(constants.map(({ name, value }) => `${name} = ${value}`).join('\n'))
    .digest('hex')
  // A change: raise CONSTANTS_VERSION in the model, say why in the commit, and put both here.
  expect({ version: CONSTANTS_VERSION, sha256 }).toEqual(KNOWN)
})
