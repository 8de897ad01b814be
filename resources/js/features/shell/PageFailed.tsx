import { PageProblem } from '../../ui/PageProblem'

/** In the place of a page that broke while it was drawn. */
export function PageFailed() {
  return (
    <PageProblem
      problem={new Error('Something went wrong on this page. What is stored is safe; go back, or load the page again.')}
      back={{ to: '/experiments', words: 'Back to the experiments' }}
    />
  )
}
