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
    <li className={`panel @container min-w-0 px-4 py-2 ${isSelected ? 'border-primary!' : ''}`}>
      <span className="flex items-baseline justify-between gap-3 text-sm">
        <span className="quiet max-w-3/4 shrink-0 truncate">{title}</span>
        {/* Where it is narrow, how long it will still take gives way to the name. */}
        <span className="h-[1lh] min-w-0 overflow-hidden text-right">{state}</span>
      </span>
      <span className="flex flex-col @min-[16rem]:flex-row @min-[16rem]:items-baseline @min-[16rem]:justify-between @min-[16rem]:gap-3">
        <span className="num text-[1.65rem] leading-8 font-bold whitespace-nowrap [&_.unit]:ml-1.5 [&_.unit]:font-sans [&_.unit]:text-base [&_.unit]:font-normal [&_.unit]:opacity-70">
          {value}
        </span>
        <span className="quiet text-sm @min-[16rem]:text-right">{detail}</span>
      </span>
    </li>
  )
}
