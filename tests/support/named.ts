import { buildSync } from 'esbuild'
import { Puppeteer, type CustomQueryHandler } from 'puppeteer-core'

/**
 * Teaches the driver `::-p-named(button Begin)`: what those who hear or feel a page know by a role and a name. Its own
 * words for that make the browser build the tree of everything on the page anew, frame by frame, while they wait.
 */
export function knowsNames(): void {
  if (Puppeteer.customQueryHandlerNames().includes('named')) return
  const { outputFiles } = buildSync({
    entryPoints: ['tests/support/inPage/named.ts'],
    bundle: true,
    minify: true,
    write: false,
    format: 'iife',
    globalName: 'read',
  })
  const inPage = (ask: string) =>
    // oxlint-disable-next-line typescript/no-implied-eval -- it runs in the page
    new Function('root', 'selector', `globalThis.named ??= (() => {${outputFiles[0]!.text}; return read})(); ${ask}`)
  Puppeteer.registerCustomQueryHandler('named', {
    queryOne: inPage('return named.namedIn(root, selector).next().value ?? null'),
    queryAll: inPage('return [...named.namedIn(root, selector)]'),
  } as CustomQueryHandler)
}
