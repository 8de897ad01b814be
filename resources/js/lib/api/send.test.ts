// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest'
import { send } from './send'
import { signedOut } from './signedOut'

/** Answers as a server would whose newest token is "new". */
function serve() {
  const heard: { method: string; path: string; token: string | null; body: string }[] = []
  vi.stubGlobal('fetch', async (input: Request | string, init?: RequestInit) => {
    const request = typeof input === 'string' ? new Request(`http://localhost${input}`, init) : input
    const token = request.headers.get('X-XSRF-TOKEN')
    heard.push({
      method: request.method,
      path: new URL(request.url).pathname,
      token,
      body: await request.text(),
    })
    if (request.method === 'GET') {
      document.cookie = 'XSRF-TOKEN=new%3D'
      return new Response('{}')
    }
    return new Response('{}', { status: token === 'new=' ? 200 : 419 })
  })
  return heard
}

afterEach(() => {
  vi.unstubAllGlobals()
  document.cookie = 'XSRF-TOKEN=; expires=Thu, 01 Jan 1970 00:00:00 GMT'
})

const reading = () => new Request('http://localhost/api/runs/1/readings', { method: 'POST', body: '{"key":"a"}' })

describe('send', () => {
  it('sends the token of the cookie and asks for JSON', async () => {
    document.cookie = 'XSRF-TOKEN=new%3D'
    const heard = serve()
    expect((await send(reading())).status).toBe(200)
    expect(heard).toEqual([{ method: 'POST', path: '/api/runs/1/readings', token: 'new=', body: '{"key":"a"}' }])
  })

  it('renews a token that is too old and repeats the same request, body and key', async () => {
    document.cookie = 'XSRF-TOKEN=old'
    const heard = serve()
    expect((await send(reading())).status).toBe(200)
    expect(heard.map(({ method, path, token, body }) => [method, path, token, body])).toEqual([
      ['POST', '/api/runs/1/readings', 'old', '{"key":"a"}'],
      ['GET', '/api/session', null, ''],
      ['POST', '/api/runs/1/readings', 'new=', '{"key":"a"}'],
    ])
  })

  it('keeps a change until somebody has signed in again, and sends it then with the new token', async () => {
    document.cookie = 'XSRF-TOKEN=old'
    const answers = [401, 401, 200]
    const tokens: (string | null)[] = []
    vi.stubGlobal('fetch', (request: Request) => {
      tokens.push(request.headers.get('X-XSRF-TOKEN'))
      return Promise.resolve(new Response('{}', { status: answers.shift() ?? 500 }))
    })
    let status = 0
    const sending = send(reading()).then((answer) => {
      status = answer.status
    })
    await vi.waitFor(() => {
      expect(signedOut.snapshot()).toBe(true)
    })
    expect([status, tokens.length]).toEqual([0, 1])
    signedOut.cameBack()
    await vi.waitFor(() => {
      expect(tokens).toHaveLength(2)
    })
    document.cookie = 'XSRF-TOKEN=new%3D'
    signedOut.cameBack()
    await sending
    expect([status, tokens.at(-1), signedOut.snapshot()]).toEqual([200, 'new=', false])
  })

  it('does not keep what is only asked for: it is asked for anew', async () => {
    vi.stubGlobal('fetch', vi.fn().mockResolvedValue(new Response('', { status: 401 })))
    expect((await send(new Request('http://localhost/api/benches'))).status).toBe(401)
  })

  it('names what was asked for when the connection is away', async () => {
    vi.stubGlobal('fetch', vi.fn().mockRejectedValue(new TypeError('away')))
    await expect(send(reading())).rejects.toMatchObject({ status: 0, place: '/api/runs/1/readings' })
  })

  it('gives up after the second time', async () => {
    vi.stubGlobal('fetch', vi.fn().mockResolvedValue(new Response('', { status: 419 })))
    expect((await send(reading())).status).toBe(419)
    expect(fetch).toHaveBeenCalledTimes(3)
  })
})
