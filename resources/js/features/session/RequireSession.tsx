import { useSyncExternalStore } from 'react'
import { Navigate, Outlet, useLocation } from 'react-router'
import { signedOut } from '../../lib/api/signedOut'
import { PageProblem } from '../../ui/PageProblem'
import { Waiting } from '../../ui/Waiting'
import { SignInAgain } from './SignInAgain'
import { useSession } from './useSession'

/** Lets only a signed-in teacher through; after signing in, the address asked for comes back. */
export function RequireSession() {
  const session = useSession()
  const location = useLocation()
  const isOut = useSyncExternalStore(signedOut.subscribe, signedOut.snapshot)
  if (session.isPending) return <Waiting what="your session" />
  if (session.isError) {
    return <PageProblem problem={session.error} />
  }
  if (session.data === null) {
    const next = encodeURIComponent(location.pathname + location.search)
    return <Navigate to={`/sign-in?next=${next}`} replace />
  }
  return (
    <>
      <Outlet />
      {isOut ? <SignInAgain user={session.data} /> : null}
    </>
  )
}
