// A browser without its screen: keeps its cookies, sends the token, asks again as the screens do.
const ADDRESS = process.env.WELKION_ADDRESS ?? 'http://127.0.0.1:8420'

export class Client {
  #cookies = new Map()

  #keep(answer) {
    for (const line of answer.headers.getSetCookie()) {
      const [pair] = line.split(';')
      this.#cookies.set(pair.slice(0, pair.indexOf('=')), pair.slice(pair.indexOf('=') + 1))
    }
    return answer
  }

  get #headers() {
    const token = this.#cookies.get('XSRF-TOKEN')
    return {
      Accept: 'application/json',
      Cookie: [...this.#cookies].map(([name, value]) => `${name}=${value}`).join('; '),
      ...(token === undefined ? {} : { 'X-XSRF-TOKEN': decodeURIComponent(token) }),
    }
  }

  /** One request; times out like a person who gives up. */
  async ask(method, path, body, { key, packed = false, timeoutMs = 20_000 } = {}) {
    return this.#keep(
      await fetch(ADDRESS + path, {
        method,
        headers: { ...this.#headers, ...(packed ? { Accept: 'application/octet-stream' } : {}), 'Content-Type': 'application/json', ...(key === undefined ? {} : { 'Request-Key': key }) },
        ...(body === undefined ? {} : { body: JSON.stringify(body) }),
        signal: AbortSignal.timeout(timeoutMs),
      }),
    )
  }

  /** A file, as a form sends it. */
  async upload(path, form) {
    const answer = this.#keep(
      await fetch(ADDRESS + path, { method: 'POST', headers: { ...this.#headers, 'Request-Key': crypto.randomUUID() }, body: form, signal: AbortSignal.timeout(60_000) }),
    )
    if (!answer.ok) throw new Error(`The file was answered ${answer.status}: ${await answer.text()}`)
    return answer.json()
  }

  async signIn() {
    await this.ask('GET', '/api/session')
    const answer = await this.ask('POST', '/api/session', { email: 'teacher@larkfield.example', password: 'sour-whey-2026', stay: true })
    if (answer.status !== 201) throw new Error(`Signing in was answered ${answer.status}.`)
  }

  /** Live messages until stopped, connecting again as a browser does. */
  async listen(channel, onMessage, signal) {
    const decoder = new TextDecoder()
    while (!signal.aborted) {
      try {
        const answer = await fetch(`${ADDRESS}/live/${channel}`, { headers: { ...this.#headers, Accept: 'text/event-stream' }, signal })
        if (answer.ok) {
          let rest = ''
          for await (const piece of answer.body) {
            const lines = (rest + decoder.decode(piece, { stream: true })).split('\n')
            rest = lines.pop()
            for (const line of lines) if (line.startsWith('data: ')) onMessage(JSON.parse(line.slice(6)))
          }
        }
      } catch {
        // Gone for a moment.
      }
      await new Promise((resolve) => setTimeout(resolve, 300))
    }
  }
}

export const pause = (ms) => new Promise((resolve) => setTimeout(resolve, ms))

export function shareOf(values, part) {
  const sorted = [...values].sort((a, b) => a - b)
  return Number(sorted[Math.min(sorted.length - 1, Math.floor(part * sorted.length))].toFixed(1))
}
