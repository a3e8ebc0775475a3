import { readFileSync, writeFileSync } from 'node:fs'
import { createPlanner } from '@/core/plan/planner'
import { SERVICES } from '@/core/plan/serviceKinds'
import { ALONE, clockFor } from '@/core/time/schedule'
import { plan } from './commands/plan'

/**
 * Writes the table of all kinds of service into docs/method.md: minutes of one colourist on three kinds of hair at four
 * lengths; `+n` where a label's time is passed by n min.
 */
const HAIR = {
  'fine, low': ['--texture', 'fine', '--density', 'low'],
  medium: [],
  'coarse, high': ['--texture', 'coarse', '--density', 'high'],
}
const LENGTHS_CM = [25, 35, 45, 60]
const FILE = 'docs/method.md'
const [BEGIN, END] = ['<!-- visits: begin -->', '<!-- visits: end -->']

function minutesOf(kind: string, flags: readonly string[]): string {
  const made = plan([kind, ...flags])
  const { finish, conflicts } = clockFor(made, createPlanner().computePlan(made), { crew: ALONE })
  const over = Math.max(0, ...conflicts.map((one) => one.over))
  return `${Math.round(finish.expected)}${over > 0 ? ` +${Math.ceil(over)}` : ''}`
}

const rows = SERVICES.map(({ id, name }) => {
  const cells = Object.values(HAIR).flatMap((flags) =>
    LENGTHS_CM.map((cm) => minutesOf(id, [...flags, '--length', String(cm)])),
  )
  return `| ${name} | ${cells.join(' | ')} |`
})
const heads = Object.keys(HAIR).flatMap((hair) => LENGTHS_CM.map((cm) => `${hair} ${cm}`))
const table = [`| kind | ${heads.join(' | ')} |`, `|---|${heads.map(() => '---:|').join('')}`, ...rows].join('\n')
const text = readFileSync(FILE, 'utf8')
const from = text.indexOf(BEGIN)
const to = text.indexOf(END)
if (from < 0 || to < from) throw new Error(`${FILE} lacks ${BEGIN} and ${END}`)
writeFileSync(FILE, `${text.slice(0, from)}${BEGIN}\n${table}\n${text.slice(to)}`)
