import type { SignIn } from '../../lib/api/types'
import { ago } from '../../lib/ago'
import { ProblemNote } from '../../ui/ProblemNote'
import { Waiting } from '../../ui/Waiting'
import { useNow } from '../../ui/useNow'
import { useEndSignIns, useSignIns } from './useSignIns'

/** Every browser one is signed in with: the one in the staff room that was left open, too. */
export function SignInsPage() {
  const signIns = useSignIns()
  const { end, endOthers } = useEndSignIns()
  const list = signIns.data ?? []
  const others = list.filter(({ isThis }) => !isThis)
  return (
    <main className="mx-auto min-h-0 w-full max-w-3xl flex-1 p-5 lg:overflow-y-auto">
      <title>Where you are signed in · Welkion</title>
      <div className="mt-4 mb-5 flex flex-wrap items-center justify-between gap-3">
        <div>
          <h1 className="text-2xl font-semibold">Where you are signed in</h1>
          <p className="quiet">
            End what you do not know, or left open on a shared computer. Nothing stored is touched.
          </p>
        </div>
        {others.length === 0 ? null : (
          <button
            type="button"
            className="btn btn-primary"
            disabled={endOthers.isPending}
            onClick={() => {
              endOthers.mutate()
            }}
          >
            Sign out everywhere else
          </button>
        )}
      </div>
      <ProblemNote problem={signIns.error ?? end.error ?? endOthers.error} />
      {signIns.isPending ? <Waiting what="the list" /> : null}
      <ul className="panel divide-base-300 divide-y">
        {list.map((signIn) => (
          <SignInRow
            key={signIn.id}
            signIn={signIn}
            onEnd={() => {
              end.mutate(signIn.id)
            }}
          />
        ))}
      </ul>
      {list.length > 0 && others.length === 0 ? (
        <p className="quiet mt-3 text-sm">You are signed in nowhere else.</p>
      ) : null}
    </main>
  )
}

function SignInRow({ signIn, onEnd }: { signIn: SignIn; onEnd: () => void }) {
  const now = useNow(10_000)
  const seen = ago(new Date(signIn.lastSeenAt), now)
  const where = `${signIn.device === 'computer' ? 'Computer' : 'Phone or tablet'} at ${signIn.address ?? 'an unknown address'}`
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-2.5">
      <span className="min-w-0 flex-1">
        <span className="font-semibold">{where}</span>
        <span className="quiet block text-sm">{signIn.isThis ? 'this browser' : `last seen ${seen}`}</span>
      </span>
      {signIn.isThis ? null : (
        <button
          type="button"
          className="word-button"
          aria-label={`Sign out: ${where}, last seen ${seen}`}
          onClick={onEnd}
        >
          Sign out there
        </button>
      )}
    </li>
  )
}
