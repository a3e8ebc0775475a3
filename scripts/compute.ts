import { readFileSync } from 'node:fs'
import { clockFigures, createPlanner, planFigures } from '@/core/plan/planner'
import { TooManyPiecesError } from '@/core/placement/foils'
import { ALONE } from '@/core/time/schedule'
import { checkPlanDocument, describeProblems } from '@/dto'

/**
 * `./falto compute FILE|-`: plan document in, figures out. One line on stderr and exit code 2 for an entry that cannot
 * be used.
 */
function main(file: string | undefined): void {
  if (!file) return refuse('say which plan to compute: ./falto compute FILE, or - to read it from standard input')
  let text: string
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    return refuse(`${file} cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'})`)
  }
  let entry: unknown
  try {
    entry = JSON.parse(text)
  } catch {
    return refuse(`${file === '-' ? 'standard input' : file} is not valid JSON`)
  }
  const checked = checkPlanDocument(entry)
  if (!checked.ok) return refuse(`not a plan that can be computed: ${describeProblems(checked.problems)}`)
  try {
    const computed = createPlanner().computePlan(checked.value)
    const figures = {
      ...planFigures(checked.value, computed),
      clock: clockFigures(checked.value, computed, { crew: ALONE }),
    }
    process.stdout.write(`${JSON.stringify(figures, null, 2)}\n`)
  } catch (error) {
    if (!(error instanceof TooManyPiecesError)) throw error
    refuse(error.message)
  }
}

function refuse(message: string): void {
  process.stderr.write(`falto compute: ${message.replaceAll('\n', ' ')}\n`)
  process.exitCode = 2
}

main(process.argv[2])
