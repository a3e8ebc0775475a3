/** Begins what takes a moment before anybody asks: the workers load the core. */
export async function register(): Promise<void> {
  if (process.env['NEXT_RUNTIME'] !== 'nodejs') return
  const { workers } = await import('./server/computing')
  workers()
}
