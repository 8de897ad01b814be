import { saveStore } from '../saveState'
import { Problem } from './problem'
import { signedOut } from './signedOut'

const EXPIRED = 419
const SIGNED_OUT = 401

/** The proof that a request comes from this page; the server puts it into a cookie. */
function withToken(request: Request): Request {
  const token = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1]
  if (token !== undefined) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token))
  if (!request.headers.has('Accept')) request.headers.set('Accept', 'application/json')
  return request
}

/**
 * Sends a request. If the token was too old for it, gets a new one and sends the same again, once: a page that was open over
 * the lunch break loses nothing that is typed into it. If the sign-in has run out, a change waits until it is renewed.
 */
export async function send(request: Request): Promise<Response> {
  const place = placeOf(request.url)
  try {
    const answer = await sent(request)
    if (answer.ok && makesSomething(request)) saveStore.stored(place)
    return answer
  } catch {
    throw Problem.offline(place)
  }
}

async function sent(request: Request): Promise<Response> {
  for (let isRenewed = false; ;) {
    const answer = await fetch(withToken(request.clone()))
    if (answer.status === EXPIRED && !isRenewed) {
      isRenewed = true
      await fetch('/api/session', { headers: { Accept: 'application/json' } })
    } else if (answer.status === SIGNED_OUT && makesSomething(request)) {
      saveStore.wait()
      await signedOut.untilBack()
    } else {
      return answer
    }
  }
}

/** One that only asks what a change would make needs no care. */
function makesSomething(request: Request): boolean {
  return request.method !== 'GET' && !request.headers.has('Foresee')
}

/** Which thing a request is about: how a failure is told from another. */
export function placeOf(url: string): string {
  return url === '' ? '' : new URL(url).pathname
}
