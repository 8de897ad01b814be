const EXPIRED = 419

/** The proof that a request comes from this page; the server puts it into a cookie. */
function withToken(request: Request): Request {
  const token = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1]
  if (token !== undefined) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token))
  request.headers.set('Accept', 'application/json')
  return request
}

/**
 * Sends a request. If the token was too old for it, gets a new one and sends the same again, once: a page that was open over
 * the lunch break loses nothing that is typed into it.
 */
export async function send(request: Request): Promise<Response> {
  const again = request.clone()
  const answer = await fetch(withToken(request))
  if (answer.status !== EXPIRED) return answer
  await fetch('/api/session', { headers: { Accept: 'application/json' } })
  return fetch(withToken(again))
}
