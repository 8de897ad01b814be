import { uuid } from './uuid'

const keys = new WeakMap<object, string>()

/** The key of one act, by what is sent: a new one for each press, the same one when the same is sent again. */
export function actKey(body: object): string {
  let key = keys.get(body)
  if (key === undefined) {
    key = uuid()
    keys.set(body, key)
  }
  return key
}
