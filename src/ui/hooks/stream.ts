/** How soon a stream is asked for anew that ended with an answer, ms. Our choice. */
const AFTER_AN_ANSWER_MS = 10_000

export interface Stream {
  /** Asks for it anew, from where its address says by now, unless it was ended. */
  again: () => void
  end: () => void
}

/**
 * Hears a stream of the server until it is ended. A browser connects again by itself where nothing answers; where it
 * gets an answer that is no stream, as of a proxy without a server behind it, it gives up, and is asked again here.
 * @param address where it begins, asked whenever it is asked for
 * @param events what is done with the data of each kind of event; those without a name are `message`
 * @param heard told whether the server is heard, whenever that may have changed
 */
export function hear(
  address: () => string,
  events: Record<string, (data: string) => void>,
  heard: (is: boolean) => void,
): Stream {
  let waiting: ReturnType<typeof setTimeout> | undefined
  let ended = false
  let source = opened()

  function opened(): EventSource {
    const asked = new EventSource(address())
    for (const [name, take] of Object.entries(events))
      asked.addEventListener(name, ({ data }: MessageEvent<string>) => take(data))
    asked.onopen = () => heard(true)
    asked.onerror = () => {
      heard(false)
      if (asked.readyState === EventSource.CLOSED) waiting = setTimeout(reopen, AFTER_AN_ANSWER_MS)
    }
    return asked
  }
  function close(): void {
    clearTimeout(waiting)
    source.close()
  }
  function reopen(): void {
    if (ended) return
    close()
    source = opened()
  }
  function end(): void {
    ended = true
    close()
  }
  return { again: reopen, end }
}
