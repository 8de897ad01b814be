import { useMemo } from 'react'
import type { Column, Notebook, Row, RunRows, RunSummary, WorkedLine } from '../../lib/api/types'
import { typeset } from '../../lib/format'
import { cellText, columnHead, unitBehind } from '../../lib/notebook/labels'
import { figureWords } from '../../lib/probes/figureText'
import { clockErrorWords } from '../../lib/timed/words'
import { NotebookFigure } from '../figure'
import { useExperimentChange } from '../notebook'
import { TrustSentences } from '../probes/TrustSentences'
import { captionOf, figureInput } from '../reasonFigure'
import { Typeset } from '../../ui/Typeset'
import { SheetText } from './SheetText'

interface LabSheetProps {
  notebook: Notebook
  worked: readonly WorkedLine[]
  run: RunSummary
  rows: RunRows
}

/** The sheet a class takes home: title, aim, figure, working, table, conclusion. */
export function LabSheet({ notebook, worked, run, rows }: LabSheetProps) {
  const change = useExperimentChange(notebook.id)
  const [figure] = notebook.figures
  const input = useMemo(
    () => figureInput({ notebook, figure, worked, run, rows }),
    [notebook, figure, worked, run, rows],
  )
  const caption = captionOf(notebook, figure, [{ run, rows }])
  const of = (symbol: string) =>
    worked.find((line) => line.symbol === symbol && (line.runId === null || line.runId === run.id))
  return (
    <article
      data-theme="fieldbook"
      className="panel text-base-content mx-auto max-w-[52rem] px-10 py-8 max-sm:px-4 print:max-w-none print:p-0"
      aria-label="Lab sheet"
    >
      <header className="border-base-300 mb-4 border-b pb-3">
        <h2 className="text-2xl font-semibold">{notebook.title}</h2>
        <p className="quiet text-sm">
          {notebook.plan.protocol}
          {run.bench === null ? '' : ` on bench ${run.bench.name}`}
          {run.beside === null ? '' : ` with bench ${run.beside.name}`}
          {run.beside === null || run.timed?.clockError == null
            ? ''
            : `, clocks together to ± ${clockErrorWords(run.timed.clockError)}`}{' '}
          · {run.name.replace(/^Run /, 'run ')} ·{' '}
          {new Date(run.startedAt).toLocaleDateString('en-GB', { dateStyle: 'long' })}
        </p>
        {rows.channels
          .filter(({ role }) => role !== null)
          .map((channel) => (
            <p key={channel.probe.id} className="quiet text-sm">
              {calibrationWords(channel)}
            </p>
          ))}
        <TrustSentences sentences={rows.trustSentences} />
      </header>
      <SheetText
        title="Aim"
        value={notebook.aim ?? ''}
        placeholder={notebook.plan.hints.aim === '' ? 'What do we want to find out?' : notebook.plan.hints.aim}
        onChange={(aim) => {
          change.act({ aim })
        }}
      />
      {input === null ? null : (
        <figure className="my-4 break-inside-avoid">
          <div className="h-[31rem] max-sm:h-80">
            <NotebookFigure input={input} summary={caption} />
          </div>
          <figcaption className="quiet mt-1 text-sm">{caption}</figcaption>
        </figure>
      )}
      <section className="break-inside-avoid">
        <h3 className="mt-5 mb-2 text-lg font-semibold">Working</h3>
        <ol className="flex flex-col gap-2">
          {notebook.lines.map((line, index) => {
            const node = of(line.symbol)
            const result = node?.result ?? null
            return (
              <li key={line.id} className="grid grid-cols-[1.5rem_1fr_auto] gap-x-2">
                <span className="quiet">{index + 1}.</span>
                <span>
                  <strong>{line.shownTitle}</strong>
                  <span className="quiet block text-sm">{node?.method ?? ''}</span>
                  {node?.explanation == null ? null : (
                    <span className="block text-sm">
                      <Typeset
                        tree={
                          node.explanation.numbers === null
                            ? node.explanation.symbols
                            : { kind: 'equals', parts: [node.explanation.symbols, node.explanation.numbers] }
                        }
                      />
                    </span>
                  )}
                </span>
                <span className="num text-right">
                  {result === null ? (
                    <span className="quiet">{node?.needs ?? node?.problem ?? '—'}</span>
                  ) : (
                    <>
                      <strong>{typeset(result.shownValue)}</strong>
                      {result.shownUncertainty === '' ? '' : ` ± ${result.shownUncertainty}`}{' '}
                      {unitBehind(result.unit, 'pH')}
                    </>
                  )}
                </span>
              </li>
            )
          })}
        </ol>
        <p className="quiet mt-2 text-sm">± gives one standard uncertainty.</p>
      </section>
      <SheetText
        title="Conclusion"
        value={notebook.conclusion ?? ''}
        placeholder={
          notebook.plan.hints.conclusion === ''
            ? 'What does the result say, and how sure is it?'
            : notebook.plan.hints.conclusion
        }
        onChange={(conclusion) => {
          change.act({ conclusion })
        }}
      />
      <section>
        <h3 className="mt-5 mb-2 text-lg font-semibold">Readings</h3>
        <SheetTable
          columns={notebook.columns.filter(({ kind, isRaw }) => kind !== 'derived' && !isRaw)}
          rows={rows.rows}
        />
      </section>
    </article>
  )
}

/** By which calibration a channel was read. */
function calibrationWords({ probe, calibration, isWorkedOutAgain }: RunRows['channels'][number]): string {
  if (calibration?.keptAt == null) return `${probe.title} by its maker’s line: it was not calibrated.`
  const [figure] = calibration.keyFigures
  const day = new Date(calibration.keptAt).toLocaleDateString('en-GB', { dateStyle: 'long' })
  return (
    `${probe.title} by the calibration of ${day}` +
    (figure === undefined ? '' : `, ${figureWords(figure)}`) +
    (isWorkedOutAgain ? '; the run was worked out again with it.' : '.')
  )
}

const ROWS_OF_ONE_BLOCK = 16

/** Two or three blocks side by side, so that fifty readings still fit on the page. */
function SheetTable({ columns, rows }: { columns: readonly Column[]; rows: readonly Row[] }) {
  const blockCount = rows.length > ROWS_OF_ONE_BLOCK && columns.length < 5 ? 3 : 1
  const length = Math.ceil(rows.length / blockCount)
  const blocks = Array.from({ length: blockCount }, (_, i) => rows.slice(i * length, (i + 1) * length))
  return (
    <div className={blockCount === 1 ? '' : 'grid gap-6 sm:grid-cols-3 print:grid-cols-3'}>
      {blocks.map((block, index) => (
        <table key={index} className="num w-full self-start text-right text-sm">
          <thead className="border-base-content/50 border-b">
            <tr>
              {columns.map((column) => (
                <th key={column.id} scope="col">
                  {columnHead(column)}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {block.map((row) => (
              <tr key={row.id} className={row.setAside === null ? '' : 'quiet line-through'}>
                {columns.map((column, place) => (
                  <td key={column.id}>
                    {place === 1 && !row.wasSteady ? '~' : ''}
                    {cellText(row, column)}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </div>
  )
}
