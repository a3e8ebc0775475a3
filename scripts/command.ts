import { compute } from './commands/compute'
import { EntryError } from './commands/entry'
import { kinds } from './commands/kinds'
import { lift } from './commands/lift'
import { look } from './commands/look'
import { plan } from './commands/plan'

/** Commands for scripts: JSON on stdout; one line on stderr and exit code 2 for an entry that cannot be used. */
const COMMANDS = { kinds, plan, compute, lift, look }

const [name, ...args] = process.argv.slice(2)
try {
  process.stdout.write(`${JSON.stringify(await COMMANDS[name as keyof typeof COMMANDS](args), null, 2)}\n`)
} catch (error) {
  if (!(error instanceof EntryError)) throw error
  process.stderr.write(`falto ${name}: ${error.message.replaceAll('\n', ' ')}\n`)
  process.exitCode = 2
}
