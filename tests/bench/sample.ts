/** Times of work, ms, after some runs that only warm up and count below 0; what prepares a run is not timed. */
export function sample(
  runs: number,
  warmUp: number,
  work: (run: number) => void,
  prepare: (run: number) => void = () => {},
): number[] {
  const times: number[] = []
  for (let run = -warmUp; run < runs; run++) {
    prepare(run)
    const start = performance.now()
    work(run)
    if (run >= 0) times.push(performance.now() - start)
  }
  return times
}
