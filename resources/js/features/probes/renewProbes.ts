import type { QueryClient } from '@tanstack/react-query'

/** Everything that shows which calibration is in force. */
export function renewProbes(client: QueryClient): void {
  for (const key of ['bench', 'benches', 'probe', 'calibrations', 'notebook', 'rows']) {
    void client.invalidateQueries({ queryKey: [key] })
  }
}
