import { Navigate, Outlet, useLocation } from 'react-router'
import { sentenceOf } from '../../lib/api/problem'
import { Note } from '../../ui/Note'
import { Waiting } from '../../ui/Waiting'
import { useSession } from './useSession'

/** Lets only a signed-in teacher through; after signing in, the address asked for comes back. */
export function RequireSession() {
  const session = useSession()
  const location = useLocation()
  if (session.isPending) return <Waiting what="your session" />
  if (session.isError) {
    return (
      <main className="mx-auto max-w-lg p-8">
        <Note tone="red" role="alert">
          {sentenceOf(session.error)}
        </Note>
      </main>
    )
  }
  if (session.data === null) {
    const next = encodeURIComponent(location.pathname + location.search)
    return <Navigate to={`/sign-in?next=${next}`} replace />
  }
  return <Outlet />
}
