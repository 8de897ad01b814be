import { defaultScheduler, notifyManager } from '@tanstack/react-query'

/**
 * What a press changes of what is known, and that it is under way, is painted in one frame and not in two. For the press alone: after an
 * answer, who waits for it must be told before the page is another.
 */
export function inOneFrame(press: () => void): void {
  notifyManager.setScheduler(queueMicrotask)
  try {
    press()
  } finally {
    notifyManager.setScheduler(defaultScheduler)
  }
}
