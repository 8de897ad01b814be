import { useQueryClient } from '@tanstack/react-query'
import type { User } from '../../lib/api/types'
import { Dialog } from '../../ui/Dialog'
import { SignInForm } from './SignInForm'

/** Over the page that was open when the sign-in ran out: what is typed there stays, and what was being kept is kept then. */
export function SignInAgain({ user }: { user: User }) {
  const client = useQueryClient()
  return (
    <Dialog title="Sign in again" onClose={() => undefined}>
      <p className="quiet mb-4">
        Your sign-in has run out, {user.name}. The page behind this is as you left it; what you did last is kept as soon
        as you are back.
      </p>
      <SignInForm
        onSignedIn={(now) => {
          if (now.id !== user.id) {
            // Somebody else: the page is not theirs.
            window.location.assign('/experiments')
            return
          }
          client.setQueryData(['session'], now)
          void client.invalidateQueries()
        }}
      />
    </Dialog>
  )
}
