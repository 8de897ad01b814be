import { createBrowserRouter, Navigate } from 'react-router'
import { ExperimentsPage } from './features/experiments/ExperimentsPage'
import { RequireSession } from './features/session/RequireSession'
import { SignInPage } from './features/session/SignInPage'
import { ExperimentShell } from './features/shell/ExperimentShell'
import { MainShell } from './features/shell/MainShell'
import { NotFoundPage } from './features/shell/NotFoundPage'

/** Stages load when they are first entered: the figure code is large and signing in does not need it. */
export function createRouter() {
  return createBrowserRouter([
    { path: '/sign-in', element: <SignInPage /> },
    {
      element: <RequireSession />,
      hydrateFallbackElement: <></>,
      children: [
        { path: '/', element: <Navigate to="/experiments" replace /> },
        {
          element: <MainShell />,
          children: [
            { path: '/experiments', element: <ExperimentsPage /> },
            { path: '/benches', lazy: async () => ({ Component: (await import('./features/benches')).BenchesPage }) },
            { path: '/standards', lazy: async () => ({ Component: (await import('./features/standards')).ShelfPage }) },
            {
              path: '/probes/:probeId',
              lazy: async () => ({ Component: (await import('./features/probes')).ProbePage }),
            },
            {
              path: '/probes/:probeId/calibrate',
              lazy: async () => ({ Component: (await import('./features/calibration')).CalibratePage }),
            },
          ],
        },
        {
          path: '/experiments/:experimentId',
          element: <ExperimentShell />,
          children: [
            { index: true, element: <Navigate to="prepare" replace /> },
            {
              path: 'prepare',
              lazy: async () => ({ Component: (await import('./features/calibration')).PreparePage }),
            },
            { path: 'record', lazy: async () => ({ Component: (await import('./features/recording')).RecordPage }) },
            { path: 'reason', lazy: async () => ({ Component: (await import('./features/working')).ReasonPage }) },
            { path: 'report', lazy: async () => ({ Component: (await import('./features/report')).ReportPage }) },
          ],
        },
      ],
    },
    { path: '*', element: <NotFoundPage /> },
  ])
}
