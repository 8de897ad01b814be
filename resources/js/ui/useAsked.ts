import { useState } from 'react'

/** What was asked for is shown until the answer has come: a box that jumps back for a moment looks refused. */
export function useAsked<Value>(value: Value) {
  const [asked, setAsked] = useState<{ of: Value; next: Value } | null>(null)
  const isAnswered = asked !== null && asked.of !== value
  if (isAnswered) setAsked(null)
  return {
    shown: asked === null || isAnswered ? value : asked.next,
    ask: (next: Value) => {
      setAsked({ of: value, next })
    },
    /** It was refused. */
    takeBack: () => {
      setAsked(null)
    },
  }
}
