import type { ComponentType } from 'react'
import { createBrowserRouter, Navigate } from 'react-router'
import { ExperimentsPage } from './features/experiments/ExperimentsPage'
import { RequireSession } from './features/session/RequireSession'
import { SignInPage } from './features/session/SignInPage'
import { ExperimentShell } from './features/shell/ExperimentShell'
import { MainShell } from './features/shell/MainShell'
import { NotFoundPage } from './features/shell/NotFoundPage'
import { PageAway } from './features/shell/PageAway'
import { PageFailed } from './features/shell/PageFailed'

/** A page that is fetched when it is first entered; while the connection is away it waits in its place. */
function page(load: () => Promise<ComponentType>) {
  return {
    lazy: async () => {
      try {
        return { Component: await load() }
      } catch {
        return { Component: PageAway }
      }
    },
    errorElement: <PageFailed />,
  }
}

/** Stages load when they are first entered: the figure code is large and signing in does not need it. */
export function createRouter() {
  return createBrowserRouter([
    { path: '/sign-in', element: <SignInPage /> },
    { path: '/watch', ...page(async () => (await import('./features/board')).WatchPage) },
    { path: '/watch/:code', ...page(async () => (await import('./features/board')).WatchPage) },
    {
      element: <RequireSession />,
      hydrateFallbackElement: <></>,
      children: [
        { path: '/', element: <Navigate to="/experiments" replace /> },
        {
          element: <MainShell />,
          children: [
            { path: '/experiments', element: <ExperimentsPage /> },
            { path: '/begin', ...page(async () => (await import('./features/protocols')).LibraryPage) },
            { path: '/benches', ...page(async () => (await import('./features/benches')).BenchesPage) },
            { path: '/sign-ins', ...page(async () => (await import('./features/signIns')).SignInsPage) },
            { path: '/standards', ...page(async () => (await import('./features/standards')).ShelfPage) },
            {
              path: '/probes/:probeId',
              ...page(async () => (await import('./features/probePage')).ProbePage),
            },
            {
              path: '/probes/:probeId/calibrate',
              ...page(async () => (await import('./features/calibration')).CalibratePage),
            },
          ],
        },
        {
          path: '/experiments/:experimentId/board',
          ...page(async () => (await import('./features/board')).BoardPage),
        },
        {
          path: '/experiments/:experimentId',
          element: <ExperimentShell />,
          children: [
            { index: true, element: <Navigate to="prepare" replace /> },
            {
              path: 'prepare',
              ...page(async () => (await import('./features/prepare')).PreparePage),
            },
            { path: 'record', ...page(async () => (await import('./features/recording')).RecordPage) },
            { path: 'reason', ...page(async () => (await import('./features/working')).ReasonPage) },
            { path: 'report', ...page(async () => (await import('./features/report')).ReportPage) },
          ],
        },
      ],
    },
    { path: '*', element: <NotFoundPage /> },
  ])
}
