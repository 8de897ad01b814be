import { QueryClientProvider } from '@tanstack/react-query'
import { StrictMode } from 'react'
import { createRoot } from 'react-dom/client'
import { RouterProvider } from 'react-router/dom'
import { createQueryClient } from './lib/queryClient'
import { saveStore } from './lib/saveState'
import { createRouter } from './router'
import { NoticesProvider } from './ui/notices'

const root = document.getElementById('app')
if (root === null) throw new Error('The page has no element "app".')

window.addEventListener('beforeunload', (event) => {
  if (saveStore.isKeeping) event.preventDefault()
})

createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={createQueryClient()}>
      <NoticesProvider>
        <RouterProvider router={createRouter()} />
      </NoticesProvider>
    </QueryClientProvider>
  </StrictMode>,
)
