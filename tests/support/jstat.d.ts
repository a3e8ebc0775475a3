/** As much of jStat 1.9.6 as tests use; it has no types of its own. */
declare module 'jstat' {
  const peer: {
    jStat: {
      normal: { pdf(x: number, mean: number, sd: number): number; inv(p: number, mean: number, sd: number): number }
      sum(values: readonly number[]): number
    }
  }
  export default peer
}
