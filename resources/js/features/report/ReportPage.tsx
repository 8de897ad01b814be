import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { paperInk } from '../../lib/figure/ink'
import { notebookFigure } from '../../lib/figure/notebookFigure'
import { PageProblem } from '../../ui/PageProblem'
import { Waiting } from '../../ui/Waiting'
import { download, PICTURE_ROOM, pictureOf } from '../figure'
import { amountWords, hasRows } from '../../lib/notebook/runs'
import { useNotebook, useRunRows, useWorked } from '../notebook'
import { figureInput } from '../reasonFigure'
import { LabSheet } from './LabSheet'

/** Report: the sheet as it will print, and beside it what can be taken away. */
export function ReportPage() {
  const notebook = useNotebook()
  const [parameters, setParameters] = useSearchParams()
  const [decimal, setDecimal] = useState<'point' | 'comma'>('point')
  const withReadings = notebook.runs.filter(hasRows)
  const asked = Number(parameters.get('run'))
  const run = withReadings.find((other) => other.id === asked) ?? withReadings.at(-1)
  const worked = useWorked(notebook.id)
  const rows = useRunRows(run?.id ?? null)

  if (run === undefined) {
    return (
      <main className="mx-auto flex max-w-lg flex-1 flex-col justify-center gap-4 p-8 text-center">
        <h2 className="text-xl font-semibold">Nothing to report yet</h2>
        <p className="quiet">
          The sheet fills itself from the run: figure, table and working. Only the words are yours.
        </p>
        <Link to={`/experiments/${notebook.id}/record`} className="btn btn-primary mx-auto">
          Record a run
        </Link>
      </main>
    )
  }
  const problem = worked.error ?? rows.error
  if (problem !== null && (worked.data === undefined || rows.data === undefined))
    return <PageProblem problem={problem} />
  if (worked.data === undefined || rows.data === undefined) return <Waiting what="the sheet" />
  const source = { notebook, figure: notebook.figures[0], worked: worked.data.worked, run, rows: rows.data }

  async function handlePicture(kind: 'png' | 'svg') {
    const input = figureInput(source)
    if (input === null) return
    const ink = paperInk()
    const picture = await pictureOf(
      notebookFigure(input, ink, PICTURE_ROOM),
      kind,
      ink,
      source.figure?.shownTitle ?? '',
    )
    download(picture, `figure-run-${source.run.number}.${kind}`)
  }

  return (
    <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-4 lg:grid lg:grid-cols-[1fr_270px] print:block print:p-0">
      <div className="min-h-0 overflow-y-auto print:overflow-visible" tabIndex={0} role="region" aria-label="Lab sheet">
        <LabSheet key={run.id} notebook={notebook} worked={source.worked} run={run} rows={source.rows} />
      </div>
      <aside className="no-print panel flex flex-col gap-5 self-start p-4" aria-label="Take away">
        {withReadings.length > 1 ? (
          <label className="flex flex-col gap-1">
            <span className="quiet text-sm">The sheet is about</span>
            <select
              className="select bg-base-100 w-full"
              value={run.id}
              onChange={(event) => {
                setParameters({ run: event.target.value })
              }}
            >
              {withReadings.map((other) => (
                <option key={other.id} value={other.id}>
                  {other.name}, {amountWords(other)}
                </option>
              ))}
            </select>
          </label>
        ) : null}
        <div>
          <h2 className="mb-2 font-semibold">Print or keep as PDF</h2>
          <button
            type="button"
            className="btn btn-primary w-full"
            onClick={() => {
              window.print()
            }}
          >
            Print the sheet
          </button>
        </div>
        <div>
          <h2 className="mb-2 font-semibold">Figure</h2>
          <div className="grid grid-cols-2 gap-2">
            <button type="button" className="btn btn-outline btn-sm" onClick={() => void handlePicture('png')}>
              PNG picture
            </button>
            <button type="button" className="btn btn-outline btn-sm" onClick={() => void handlePicture('svg')}>
              SVG drawing
            </button>
          </div>
        </div>
        <div>
          <h2 className="mb-2 font-semibold">Readings</h2>
          <fieldset className="mb-2 flex gap-4 text-sm">
            <legend className="sr-only">Decimal mark</legend>
            {(['point', 'comma'] as const).map((mark) => (
              <label key={mark} className="flex items-center gap-1.5">
                <input
                  type="radio"
                  name="decimal"
                  className="radio radio-sm radio-primary"
                  checked={decimal === mark}
                  onChange={() => {
                    setDecimal(mark)
                  }}
                />
                {mark === 'point' ? 'decimal point (9.75)' : 'decimal comma (9,75)'}
              </label>
            ))}
          </fieldset>
          <a
            className="btn btn-outline btn-sm w-full"
            href={`/api/runs/${run.id}/rows.csv?decimal=${decimal}`}
            download
          >
            CSV for a spreadsheet
          </a>
          {withReadings.length > 1 ? (
            <div className="mt-2 flex flex-col gap-2">
              <a
                className="btn btn-outline btn-sm"
                href={`/api/experiments/${notebook.id}/rows.csv?decimal=${decimal}`}
                download
              >
                All runs in one file
              </a>
              <a
                className="btn btn-outline btn-sm"
                href={`/api/experiments/${notebook.id}/rows.zip?decimal=${decimal}`}
                download
              >
                All runs, a file each (ZIP)
              </a>
            </div>
          ) : null}
        </div>
      </aside>
    </main>
  )
}
