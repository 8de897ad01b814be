import { useMutation } from '@tanstack/react-query'
import { useId, useState, type SubmitEvent } from 'react'
import { answerOf, api } from '../../lib/api/client'
import { signedOut } from '../../lib/api/signedOut'
import type { User } from '../../lib/api/types'
import { ProblemNote } from '../../ui/ProblemNote'

/** Address and password, and whether to stay. */
export function SignInForm({ onSignedIn }: { onSignedIn: (user: User) => void }) {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [stays, setStays] = useState(false)
  const emailId = useId()
  const passwordId = useId()
  const signIn = useMutation({
    mutationFn: () => answerOf(api.POST('/api/session', { body: { email, password, stay: stays } })),
    onSuccess: ({ user }) => {
      if (user !== null) onSignedIn(user)
      signedOut.cameBack()
    },
  })

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    signIn.mutate()
  }

  return (
    <form onSubmit={handleSubmit} className="flex flex-col gap-4" noValidate>
      <div className="flex flex-col gap-1">
        <label htmlFor={emailId}>E-mail address</label>
        <input
          id={emailId}
          type="email"
          className="input bg-base-100 w-full"
          autoComplete="username"
          autoFocus
          value={email}
          onChange={(event) => {
            setEmail(event.target.value)
          }}
        />
      </div>
      <div className="flex flex-col gap-1">
        <label htmlFor={passwordId}>Password</label>
        <input
          id={passwordId}
          type="password"
          className="input bg-base-100 w-full"
          autoComplete="current-password"
          value={password}
          onChange={(event) => {
            setPassword(event.target.value)
          }}
        />
      </div>
      <label className="grid grid-cols-[auto_1fr] items-center gap-x-2.5">
        <input
          type="checkbox"
          className="checkbox checkbox-sm"
          checked={stays}
          onChange={(event) => {
            setStays(event.target.checked)
          }}
        />
        Stay signed in for a month
        <span className="quiet col-start-2 text-sm">Not on a shared computer.</span>
      </label>
      <ProblemNote problem={signIn.error} />
      <button type="submit" className="btn btn-primary mt-2" disabled={signIn.isPending}>
        Sign in
      </button>
    </form>
  )
}
