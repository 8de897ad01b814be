import { QueryClient, QueryClientProvider } from '@tanstack/react-query'
import { render } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { ReactNode } from 'react'
import { MemoryRouter } from 'react-router'
import { NoticesProvider } from '../ui/notices'

/** Renders a part of a screen where it has what every screen has around it; hands back the hands. */
export function show(part: ReactNode, at = '/') {
  const client = new QueryClient()
  const around = ({ children }: { children: ReactNode }) => (
    <QueryClientProvider client={client}>
      <MemoryRouter initialEntries={[at]}>
        <NoticesProvider>{children}</NoticesProvider>
      </MemoryRouter>
    </QueryClientProvider>
  )
  return { user: userEvent.setup(), ...render(part, { wrapper: around }) }
}
