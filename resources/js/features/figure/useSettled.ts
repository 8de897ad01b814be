import { useEffect, useState } from 'react'

/** A value once it has not changed for a moment: what is asked for because of it is not asked for with every move of a hand. */
export function useSettled<Value>(value: Value, ms: number): Value {
  const [settled, setSettled] = useState(value)
  useEffect(() => {
    const timer = setTimeout(() => {
      setSettled(value)
    }, ms)
    return () => {
      clearTimeout(timer)
    }
  }, [value, ms])
  return settled
}
