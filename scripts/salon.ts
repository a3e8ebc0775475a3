import { readFileSync } from 'node:fs'
import { makeSalon } from '@/server/salons'
import { importCatalogue } from '@/server/shelf'
import { askPassword } from './askPassword'
import { runScript, say } from './runScript'

/**
 * `./falto salon NAME E-MAIL [--owner NAME] [--catalogue FILE.csv]`: a salon of its own with its owner. The password is
 * asked for; where nobody sits at a terminal it is the first line of standard input.
 */
async function main([name = '', email = '', ...rest]: string[]): Promise<void> {
  const option = (word: string): string | undefined => {
    const at = rest.indexOf(word)
    return at < 0 ? undefined : rest[at + 1]
  }
  const file = option('--catalogue')
  // Read before anything is made, so that a name that is mistyped leaves nothing behind.
  const catalogue = file === undefined ? undefined : readFileSync(file, 'utf8')
  const member = await makeSalon({
    name,
    owner: { name: option('--owner') ?? email, email, password: await askPassword() },
  })
  say(`made the salon “${name}” with its owner ${email}. ./falto start serves it; sign in with e-mail and password.`)
  if (catalogue === undefined) return say('its shelf is empty: add products there, or take a CSV in.')
  const { committed, changes, problems } = await importCatalogue(member, catalogue, 'commit', () => {})
  if (committed) return say(`took ${changes.length} products onto its shelf.`)
  const lines = problems.slice(0, 5).map(({ line, message }) => `line ${line}: ${message}`)
  say(`the catalogue was not taken in (${lines.join('; ')}). Mend the file and take it in on the Shelf page.`)
}

await runScript('falto salon', main)
