import type { ReactNode } from 'react'

interface ShelfCardProps {
  title: string
  value: ReactNode
  state: ReactNode
  detail: ReactNode
  isSelected?: boolean
}

/** One card on the shelf along the top edge: what it is, its value, whether to trust it. */
export function ShelfCard({ title, value, state, detail, isSelected = false }: ShelfCardProps) {
  return (
    <li
      className={`panel flex min-w-0 items-end justify-between gap-3 px-4 py-2 ${isSelected ? 'border-primary!' : ''}`}
    >
      <span className="min-w-0">
        <span className="quiet block text-sm">{title}</span>
        <span className="num text-[1.65rem] leading-8 font-bold whitespace-nowrap [&_.unit]:ml-1.5 [&_.unit]:font-sans [&_.unit]:text-base [&_.unit]:font-normal [&_.unit]:opacity-70">
          {value}
        </span>
      </span>
      <span className="flex flex-col items-end gap-1 text-right text-sm">
        {state}
        <span className="quiet">{detail}</span>
      </span>
    </li>
  )
}
