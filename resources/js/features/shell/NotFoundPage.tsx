import { Link } from 'react-router'

export function NotFoundPage() {
  return (
    <main className="mx-auto flex max-w-lg flex-col gap-4 p-8">
      <title>Not found · Welkion</title>
      <h1 className="text-2xl font-semibold">There is nothing at this address</h1>
      <p>Perhaps the link was cut short, or what was here has been deleted.</p>
      <Link to="/experiments" className="btn btn-primary self-start">
        To the experiments
      </Link>
    </main>
  )
}
