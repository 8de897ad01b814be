import { useEffect, useState } from 'react'

/** Shown only when something takes long enough to notice. */
export function Waiting({ what }: { what: string }) {
  const [isLong, setIsLong] = useState(false)
  useEffect(() => {
    const timer = setTimeout(() => {
      setIsLong(true)
    }, 200)
    return () => {
      clearTimeout(timer)
    }
  }, [])
  return (
    <p role="status" className="quiet p-6 text-center">
      {isLong ? `Fetching ${what} …` : ''}
    </p>
  )
}
