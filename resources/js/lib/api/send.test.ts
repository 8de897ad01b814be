// @vitest-environment jsdom
import { afterEach, describe, expect, it, vi } from 'vitest'
import { send } from './send'

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

  it('gives up after the second time', async () => {
    vi.stubGlobal('fetch', vi.fn().mockResolvedValue(new Response('', { status: 419 })))
    expect((await send(reading())).status).toBe(419)
    expect(fetch).toHaveBeenCalledTimes(3)
  })
})
