/** One line of the bench: name in bold, what was measured, median and p95 in ms. */
export function row(name: string, what: string, times: number[]): void {
  const sorted = [...times].sort((one, other) => one - other)
  const quantile = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))]!
  console.log(
    `**${name}** | ${what} | median ${quantile(0.5).toFixed(2)} ms | p95 ${quantile(0.95).toFixed(2)} ms | ${times.length} runs`,
  )
}
