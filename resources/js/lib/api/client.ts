import createClient, { type Middleware } from 'openapi-fetch'
import { Problem } from './problem'
import type { paths } from './schema'

const sendToken: Middleware = {
  onRequest({ request }) {
    const token = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie)?.[1]
    if (token !== undefined) request.headers.set('X-XSRF-TOKEN', decodeURIComponent(token))
    request.headers.set('Accept', 'application/json')
    return request
  },
}

export const api = createClient<paths>({ baseUrl: '/', credentials: 'same-origin' })
api.use(sendToken)

interface Answer<T> {
  data?: T
  error?: unknown
  response: Response
}

/** The data of an answer; a refusal or a lost connection becomes a Problem with a sentence to show. */
export async function answerOf<T>(request: Promise<Answer<T>>): Promise<T> {
  let answer: Answer<T>
  try {
    answer = await request
  } catch {
    throw Problem.offline()
  }
  if (!answer.response.ok) throw Problem.from(answer.response.status, answer.error)
  return answer.data as T
}
