import type { ReactNode } from 'react'

interface NoteProps {
  tone?: 'plain' | 'amber' | 'green' | 'red'
  role?: 'status' | 'alert'
  children: ReactNode
}

const TONES = { plain: '', amber: 'note-amber', green: 'note-green', red: 'note-red' } as const

/** Something to know, where it belongs. */
export function Note({ tone = 'plain', role, children }: NoteProps) {
  return (
    <div className={`note ${TONES[tone]}`} role={role}>
      {children}
    </div>
  )
}
