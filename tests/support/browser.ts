/** What of a browser our stores ask for, for tests in Node: a storage, a network, and a window that hears of it. */
export function fakeBrowser() {
  const kept = new Map<string, string>()
  const asked: { url: string; method: string; body: unknown }[] = []
  const listeners = new Map<string, Set<() => void>>()
  const network = {
    /** What the server says next, or that there is none. */
    answer: (_url: string, _body: unknown): Response | Promise<Response> => Response.json({}),
    online: true,
  }
  Object.assign(globalThis, {
    localStorage: {
      getItem: (key: string) => kept.get(key) ?? null,
      setItem: (key: string, value: string) => kept.set(key, value),
      removeItem: (key: string) => kept.delete(key),
    },
    window: {
      addEventListener: (name: string, listener: () => void) =>
        listeners.set(name, (listeners.get(name) ?? new Set()).add(listener)),
      removeEventListener: (name: string, listener: () => void) => listeners.get(name)?.delete(listener),
    },
    fetch: async (url: string, { method = 'GET', body }: { method?: string; body?: string } = {}) => {
      if (!network.online) throw new TypeError('no network')
      const entry: unknown = body === undefined ? undefined : JSON.parse(body)
      asked.push({ url, method, body: entry })
      return network.answer(url, entry)
    },
  })
  return { kept, asked, network, happens: (name: string) => listeners.get(name)?.forEach((listener) => listener()) }
}
