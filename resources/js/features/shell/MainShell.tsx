import { Link, NavLink, Outlet } from 'react-router'
import { useSession } from '../session/useSession'
import { useSignOut } from '../session/useSignOut'
import { NotKept, StillTrying } from './SaveStateText'
import { ThemeButton } from './ThemeButton'
import { Wordmark } from '../../ui/Wordmark'

const PLACES = [
  { to: '/experiments', words: 'Experiments' },
  { to: '/benches', words: 'Benches' },
  { to: '/standards', words: 'Standards' },
] as const

/** The top line of everything that is not inside one experiment. */
export function MainShell() {
  const session = useSession()
  const signOut = useSignOut()
  return (
    <div className="flex min-h-dvh flex-col lg:h-dvh">
      <header className="border-base-300 bg-base-100 flex flex-wrap items-center gap-x-4 gap-y-1 border-b px-5 py-2 lg:h-[52px] lg:flex-nowrap">
        <Wordmark />
        <span aria-hidden="true" className="bg-base-300 hidden h-7 w-px sm:block" />
        <nav aria-label="Places" className="flex gap-1">
          {PLACES.map(({ to, words }) => (
            <NavLink
              key={to}
              to={to}
              className={({ isActive }) =>
                `rounded-md px-2.5 py-1 ${isActive ? 'bg-base-300 font-semibold' : 'quiet hover:bg-base-200'}`
              }
            >
              {words}
            </NavLink>
          ))}
        </nav>
        <span className="flex-1" />
        <StillTrying />
        <Link to="/sign-ins" className="quiet text-sm hover:underline" title="Where you are signed in">
          {session.data?.name}
        </Link>
        <ThemeButton />
        <button
          type="button"
          className="btn btn-sm btn-ghost font-normal"
          onClick={() => {
            signOut.mutate()
          }}
        >
          Sign out
        </button>
      </header>
      <NotKept />
      <Outlet />
    </div>
  )
}
