import type { ReactNode } from 'react'

interface StepProps {
  state: 'done' | 'next' | 'waiting'
  title: ReactNode
  children?: ReactNode
}

const LOOKS = {
  done: 'bg-success/15 text-success',
  next: 'bg-primary text-primary-content',
  waiting: 'border-base-300 quiet border',
}

/** One line of a run card, which reads from top to bottom like a recipe. */
export function Step({ state, title, children }: StepProps) {
  return (
    <li className="grid grid-cols-[1.75rem_1fr] gap-2" aria-current={state === 'next' ? 'step' : undefined}>
      <span className={`grid size-6 place-items-center rounded-full text-sm font-semibold ${LOOKS[state]}`}>
        {state === 'done' ? <span aria-label="done">✓</span> : <span className="recipe-number" />}
      </span>
      <div className="min-w-0">
        {title == null ? null : <h3 className={state === 'waiting' ? 'quiet' : 'font-semibold'}>{title}</h3>}
        {children}
      </div>
    </li>
  )
}
