import { useQueryClient } from '@tanstack/react-query'
import { Link, useNavigate, useSearchParams } from 'react-router'
import { Wordmark } from '../../ui/Wordmark'
import { SignInForm } from './SignInForm'
import { CurveSketch } from './CurveSketch'

/** Only addresses of this application: a link from elsewhere must not lead away after signing in. */
function safeNext(next: string | null): string {
  return next !== null && next.startsWith('/') && !next.startsWith('//') ? next : '/experiments'
}

export function SignInPage() {
  const [parameters] = useSearchParams()
  const navigate = useNavigate()
  const client = useQueryClient()

  return (
    <main className="grid min-h-dvh place-items-center p-4">
      <div className="panel grid w-full max-w-4xl overflow-hidden md:grid-cols-[1.1fr_1fr]">
        <div className="border-base-300 hidden flex-col justify-between gap-6 border-r p-8 md:flex">
          <Wordmark />
          <CurveSketch />
          <p className="quiet max-w-sm">
            Calibrate the probes, record the run, reason about it together, hand out the sheet.
          </p>
        </div>
        <div className="flex flex-col gap-4 p-8">
          <div className="md:hidden">
            <Wordmark />
          </div>
          <h1 className="text-2xl font-semibold">Sign in</h1>
          <SignInForm
            onSignedIn={(user) => {
              client.setQueryData(['session'], user)
              void navigate(safeNext(parameters.get('next')), { replace: true })
            }}
          />
          <p className="quiet text-sm">
            The address and the password of the demo teacher were printed where Welkion was started.
          </p>
          <p className="text-sm">
            With the code of a board:{' '}
            <Link to="/watch" className="word-button">
              watch it without an account
            </Link>
          </p>
        </div>
      </div>
    </main>
  )
}
