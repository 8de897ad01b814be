const MINUTE_S = 60
const HOUR_S = 60 * MINUTE_S
const DAY_S = 24 * HOUR_S

/** How long ago something was, in few words. */
export function ago(then: Date, now: Date): string {
  const seconds = Math.max(0, Math.round((now.getTime() - then.getTime()) / 1000))
  if (seconds < MINUTE_S) return `${seconds} s ago`
  if (seconds < HOUR_S) return `${Math.floor(seconds / MINUTE_S)} min ago`
  if (seconds < DAY_S) return `${Math.floor(seconds / HOUR_S)} h ago`
  const days = Math.floor(seconds / DAY_S)
  return days === 1 ? 'yesterday' : `${days} days ago`
}

/** When a calibration was made, as a person says it: today with its time, or how long ago. */
export function dayAndTime(then: Date, now: Date): string {
  const time = then.toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
  return then.toDateString() === now.toDateString() ? `today ${time}` : ago(then, now)
}
