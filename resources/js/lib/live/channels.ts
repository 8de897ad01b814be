import type { LiveBench } from '../api/types'
import { LiveChannel } from './liveChannel'

export type LiveBenches = ReadonlyMap<number, LiveBench>
export type BenchChannel = LiveChannel<LiveBench, LiveBenches>

const benchChannels = new Map<string, BenchChannel>()
/** Something of an experiment is another now, and by which window. */
export interface ExperimentNews {
  experimentId: number
  revision: number
  screen: string
}

const experimentChannels = new Map<number, LiveChannel<ExperimentNews, ExperimentNews>>()

/** Live values of some benches over one connection: a browser keeps only a few open to one server. */
export function benchChannel(benchIds: readonly number[]): BenchChannel {
  const name = benchIds.map((id) => `bench-${id}`).join(',')
  let channel = benchChannels.get(name)
  if (channel === undefined) {
    channel = new LiveChannel(`/live/${name}`, foldBench)
    benchChannels.set(name, channel)
  }
  return channel
}

/** News that something of an experiment has changed. */
export function experimentChannel(experimentId: number): LiveChannel<ExperimentNews, ExperimentNews> {
  let channel = experimentChannels.get(experimentId)
  if (channel === undefined) {
    channel = new LiveChannel<ExperimentNews, ExperimentNews>(
      `/live/experiment-${experimentId}`,
      (_, message) => message,
    )
    experimentChannels.set(experimentId, channel)
  }
  return channel
}

/** What an onlooker sees is left out of most messages: then it is as it was. */
export function foldBench(benches: LiveBenches | null, message: LiveBench): LiveBenches {
  const before = benches?.get(message.benchId)
  const world = message.world === undefined ? (before?.world ?? null) : message.world
  return new Map(benches).set(message.benchId, { ...message, world })
}

/** A bench with what is recorded beside it: its own state, and the probes of both. */
export function together(bench: LiveBench | null, beside: LiveBench | null): LiveBench | null {
  return bench === null || beside === null ? bench : { ...bench, probes: [...bench.probes, ...beside.probes] }
}

/** What an onlooker hears: live values, that something of the notebook has changed, that the board was closed. */
export type WatchMessage = LiveBench | ExperimentNews | { watchId: number; isClosed: true }

export interface WatchState {
  benches: LiveBenches | null
  revision: number
  isClosed: boolean
}

export function foldWatch(state: WatchState | null, message: WatchMessage): WatchState {
  const before = state ?? { benches: null, revision: 0, isClosed: false }
  if ('isClosed' in message) return { ...before, isClosed: true }
  if ('benchId' in message) return { ...before, benches: foldBench(before.benches, message) }
  return { ...before, revision: Math.max(before.revision, message.revision) }
}

/** The channel of a board, its experiment and the benches it is recorded from. */
export function watchChannel(watchId: number, experimentId: number, benchIds: readonly number[]) {
  const names = [`watch-${watchId}`, `experiment-${experimentId}`, ...benchIds.map((id) => `bench-${id}`)]
  return new LiveChannel<WatchMessage, WatchState>(`/live/${names.join(',')}`, foldWatch)
}
