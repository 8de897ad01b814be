import createClient from 'openapi-fetch'
import { Problem } from './problem'
import type { paths } from './schema'
import { placeOf, send } from './send'

export const api = createClient<paths>({ baseUrl: '/', credentials: 'same-origin', fetch: send })

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
  } catch (error) {
    throw error instanceof Problem ? error : Problem.offline()
  }
  if (!answer.response.ok) throw Problem.from(answer.response.status, answer.error, placeOf(answer.response.url))
  return answer.data as T
}
