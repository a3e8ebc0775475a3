/**
 * Before anybody asks: what the environment says has to hold, the database's notices are heard, and the workers load
 * the core, which takes a moment.
 */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return
  const { settingProblems } = await import('./server/settings')
  const problems = settingProblems()
  if (problems.length > 0) {
    for (const problem of problems) console.error(`falto: ${problem}`)
    console.error('falto: it was not started; docs/operation.md lists what can be set.')
    process.exit(78) // EX_CONFIG of sysexits.h
  }
  const { startListening } = await import('./server/listening')
  void startListening()
  const { keepTidy } = await import('./server/tidy')
  keepTidy()
  const { workers } = await import('./server/computing')
  workers()
}
