import { api } from '../../lib/api/client'
import type { paths } from '../../lib/api/schema'
import { useChange } from './useChange'

type Paths = '/api/experiments/{experiment}'
type Body<Path extends keyof paths, Method extends string> =
  paths[Path] extends Record<Method, infer Operation>
    ? Operation extends { requestBody: { content: { 'application/json': infer Content } } }
      ? Content
      : never
    : never

type EntryBody = Body<`${Paths}/entries`, 'post'>
type EntryPatch = Body<`${Paths}/entries/{entry}`, 'patch'>
type TypedBody = Body<`${Paths}/entries/{entry}/value`, 'put'>
type ColumnBody = Body<`${Paths}/columns`, 'post'>
type ColumnPatch = Body<`${Paths}/columns/{column}`, 'patch'>
export type LineBody = Body<`${Paths}/lines`, 'post'>
export type LinePatch = Body<`${Paths}/lines/{line}`, 'patch'>
type FigureBody = Body<`${Paths}/figures`, 'post'>
export type FigurePatch = Body<`${Paths}/figures/{figure}`, 'patch'>

/** Entries: adding, typing, changing, removing. */
export function useEntries(experiment: number) {
  return {
    add: useChange<EntryBody>(experiment, (body, header) =>
      api.POST('/api/experiments/{experiment}/entries', { params: { path: { experiment }, header }, body }),
    ),
    type: useChange<TypedBody & { entry: number }>(experiment, ({ entry, ...body }, header) =>
      api.PUT('/api/experiments/{experiment}/entries/{entry}/value', {
        params: { path: { experiment, entry }, header },
        body,
      }),
    ),
    change: useChange<EntryPatch & { entry: number }>(experiment, ({ entry, ...body }, header) =>
      api.PATCH('/api/experiments/{experiment}/entries/{entry}', {
        params: { path: { experiment, entry }, header },
        body,
      }),
    ),
    remove: useChange<number>(experiment, (entry, header) =>
      api.DELETE('/api/experiments/{experiment}/entries/{entry}', { params: { path: { experiment, entry }, header } }),
    ),
  }
}

export function useColumns(experiment: number) {
  return {
    add: useChange<ColumnBody>(experiment, (body, header) =>
      api.POST('/api/experiments/{experiment}/columns', { params: { path: { experiment }, header }, body }),
    ),
    change: useChange<ColumnPatch & { column: number }>(experiment, ({ column, ...body }, header) =>
      api.PATCH('/api/experiments/{experiment}/columns/{column}', {
        params: { path: { experiment, column }, header },
        body,
      }),
    ),
    remove: useChange<number>(experiment, (column, header) =>
      api.DELETE('/api/experiments/{experiment}/columns/{column}', {
        params: { path: { experiment, column }, header },
      }),
    ),
  }
}

export function useLines(experiment: number) {
  return {
    add: useChange<LineBody>(experiment, (body, header) =>
      api.POST('/api/experiments/{experiment}/lines', { params: { path: { experiment }, header }, body }),
    ),
    change: useChange<LinePatch & { line: number }>(experiment, ({ line, ...body }, header) =>
      api.PATCH('/api/experiments/{experiment}/lines/{line}', { params: { path: { experiment, line }, header }, body }),
    ),
    copy: useChange<number>(experiment, (line, header) =>
      api.POST('/api/experiments/{experiment}/lines/{line}/copy', { params: { path: { experiment, line }, header } }),
    ),
    remove: useChange<number>(experiment, (line, header) =>
      api.DELETE('/api/experiments/{experiment}/lines/{line}', { params: { path: { experiment, line }, header } }),
    ),
  }
}

export function useSpans(experiment: number) {
  return {
    add: useChange<{ columnId: number; name: string; from: number; to: number }>(experiment, (body, header) =>
      api.POST('/api/experiments/{experiment}/spans', { params: { path: { experiment }, header }, body }),
    ),
    /** To other ends, in all runs or in one of them by its number; without ends it lies there as in all others. */
    place: useChange<{ span: number; from?: number; to?: number; inRun?: number }>(
      experiment,
      ({ span, ...body }, header) =>
        api.PATCH('/api/experiments/{experiment}/spans/{span}', {
          params: { path: { experiment, span }, header },
          body,
        }),
    ),
    rename: useChange<{ span: number; name: string }>(experiment, ({ span, name }, header) =>
      api.PATCH('/api/experiments/{experiment}/spans/{span}', {
        params: { path: { experiment, span }, header },
        body: { name },
      }),
    ),
  }
}

export function useFigures(experiment: number) {
  return {
    add: useChange<FigureBody>(experiment, (body, header) =>
      api.POST('/api/experiments/{experiment}/figures', { params: { path: { experiment }, header }, body }),
    ),
    change: useChange<FigurePatch & { figure: number }>(experiment, ({ figure, ...body }, header) =>
      api.PATCH('/api/experiments/{experiment}/figures/{figure}', {
        params: { path: { experiment, figure }, header },
        body,
      }),
    ),
    remove: useChange<number>(experiment, (figure, header) =>
      api.DELETE('/api/experiments/{experiment}/figures/{figure}', {
        params: { path: { experiment, figure }, header },
      }),
    ),
  }
}
