import { spawnSync } from 'node:child_process'

/**
 * Known holes in packages that Falto runs with, of the grades that count. Where no registry answers (no network, a
 * mirror that does not know audits) nothing is said against them, and that is told.
 */
const GRADES = ['high', 'critical']

const { stdout } = spawnSync('npm', ['audit', '--omit=dev', '--json'], { encoding: 'utf8', timeout: 60_000 })
const report = parsed(stdout)
if (report?.vulnerabilities === undefined) {
  console.log('audit: the registry does not answer audits here; packages were not checked.')
} else {
  const found = Object.values(report.vulnerabilities).filter(({ severity }) => GRADES.includes(severity))
  for (const { name, severity, range } of found) console.error(`${name} ${range}: ${severity}`)
  if (found.length > 0) process.exitCode = 1
}

function parsed(text) {
  try {
    return JSON.parse(text)
  } catch {
    return undefined
  }
}
