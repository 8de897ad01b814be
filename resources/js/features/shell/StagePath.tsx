import { NavLink } from 'react-router'
import type { Stages } from '../../lib/api/types'

const STAGES = [
  ['prepare', 'Prepare'],
  ['record', 'Record'],
  ['reason', 'Reason'],
  ['report', 'Report'],
] as const

/** The four stages as a path: what is done has a tick, where one stands is filled. */
export function StagePath({ experimentId, stages }: { experimentId: number; stages: Stages }) {
  return (
    <nav aria-label="Stages" className="flex items-center">
      <ol className="flex items-center">
        {STAGES.map(([key, title], index) => (
          <li key={key} className="flex items-center">
            {index > 0 ? (
              <span aria-hidden="true" className="bg-base-300 mx-0.5 hidden h-px w-5 sm:inline-block" />
            ) : null}
            <NavLink
              to={`/experiments/${experimentId}/${key}`}
              className={({ isActive }) =>
                `rounded-full px-3 py-1 text-[0.92rem] font-medium ${
                  isActive ? 'bg-primary text-primary-content' : stages[key] ? 'text-primary' : 'quiet'
                }`
              }
            >
              {({ isActive }) => (
                <>
                  {stages[key] && !isActive ? <span aria-label="done, ">✓ </span> : null}
                  {title}
                </>
              )}
            </NavLink>
          </li>
        ))}
      </ol>
    </nav>
  )
}
