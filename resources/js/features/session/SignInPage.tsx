import { useMutation, useQueryClient } from '@tanstack/react-query'
import { useId, useState, type SubmitEvent } from 'react'
import { useNavigate, useSearchParams } from 'react-router'
import { ProblemNote } from '../../ui/ProblemNote'
import { answerOf, api } from '../../lib/api/client'
import { Wordmark } from '../../ui/Wordmark'
import { TitrationSketch } from './TitrationSketch'

/** Only addresses of this application: a link from elsewhere must not lead away after signing in. */
function safeNext(next: string | null): string {
  return next !== null && next.startsWith('/') && !next.startsWith('//') ? next : '/experiments'
}

export function SignInPage() {
  const [email, setEmail] = useState('')
  const [password, setPassword] = useState('')
  const [stays, setStays] = useState(false)
  const [parameters] = useSearchParams()
  const navigate = useNavigate()
  const client = useQueryClient()
  const emailId = useId()
  const passwordId = useId()
  const signIn = useMutation({
    mutationFn: () => answerOf(api.POST('/api/session', { body: { email, password, stay: stays } })),
    onSuccess: ({ user }) => {
      client.setQueryData(['session'], user)
      void navigate(safeNext(parameters.get('next')), { replace: true })
    },
  })

  function handleSubmit(event: SubmitEvent<HTMLFormElement>) {
    event.preventDefault()
    signIn.mutate()
  }

  return (
    <main className="grid min-h-dvh place-items-center p-4">
      <div className="panel grid w-full max-w-4xl overflow-hidden md:grid-cols-[1.1fr_1fr]">
        <div className="border-base-300 hidden flex-col justify-between gap-6 border-r p-8 md:flex">
          <Wordmark />
          <TitrationSketch />
          <p className="quiet max-w-sm">
            Calibrate the probes, record the run, reason about it together, hand out the sheet.
          </p>
        </div>
        <form onSubmit={handleSubmit} className="flex flex-col gap-4 p-8" noValidate>
          <div className="md:hidden">
            <Wordmark />
          </div>
          <h1 className="text-2xl font-semibold">Sign in</h1>
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
          <p className="quiet text-sm">
            The address and the password of the demo teacher were printed where Welkion was started.
          </p>
        </form>
      </div>
    </main>
  )
}
