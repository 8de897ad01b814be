import { useState } from 'react'
import { Link, useSearchParams } from 'react-router'
import { paperInk } from '../../lib/figure/ink'
import { NOTHING } from '../../lib/figure/selection'
import { Waiting } from '../../ui/Waiting'
import { download, pictureOf } from '../figure'
import { useShell } from '../shell/useShell'
import { reasonFigureOption } from '../working/reasonFigureOption'
import { useWorking } from '../working/useWorking'
import { LabSheet } from './LabSheet'

/** Report: the sheet as it will print, and beside it what can be taken away. */
export function ReportPage() {
  const { experiment } = useShell()
  const [parameters, setParameters] = useSearchParams()
  const [decimal, setDecimal] = useState<'point' | 'comma'>('point')
  const withReadings = experiment.runs.filter((run) => run.readingCount > 0)
  const asked = Number(parameters.get('run'))
  const run = withReadings.find((other) => other.id === asked) ?? withReadings.at(-1)
  const working = useWorking(experiment.id, run?.id ?? null)

  if (run === undefined) {
    return (
      <main className="mx-auto flex max-w-lg flex-1 flex-col justify-center gap-4 p-8 text-center">
        <h2 className="text-xl font-semibold">Nothing to report yet</h2>
        <p className="quiet">
          The sheet fills itself from the run: figure, table and working. Only the words are yours.
        </p>
        <Link to={`/experiments/${experiment.id}/record`} className="btn btn-primary mx-auto">
          Record a run
        </Link>
      </main>
    )
  }
  if (working.data === undefined) return <Waiting what="the sheet" />
  const data = working.data

  async function handlePicture(kind: 'png' | 'svg') {
    const ink = paperInk()
    const option = reasonFigureOption(
      { titrant: experiment.titrant, working: data, selection: NOTHING, derivative: 1 },
      ink,
    )
    download(await pictureOf(option, kind, ink.paper), `titration-run-${data.runNumber}.${kind}`)
  }

  return (
    <main className="flex min-h-0 flex-1 flex-col gap-4 px-5 py-4 lg:grid lg:grid-cols-[1fr_270px] print:block print:p-0">
      <div className="min-h-0 overflow-y-auto print:overflow-visible" tabIndex={0} role="region" aria-label="Lab sheet">
        <LabSheet experiment={experiment} working={data} />
      </div>
      <aside className="no-print panel flex flex-col gap-5 self-start p-4" aria-label="Take away">
        {withReadings.length > 1 ? (
          <label className="flex flex-col gap-1">
            <span className="quiet text-sm">The sheet is about</span>
            <select
              className="select bg-base-100 w-full"
              value={data.runId}
              onChange={(event) => {
                setParameters({ run: event.target.value })
              }}
            >
              {withReadings.map((other) => (
                <option key={other.id} value={other.id}>
                  Run {other.number}, {other.readingCount} readings
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
            href={`/api/runs/${data.runId}/readings.csv?decimal=${decimal}`}
            download
          >
            CSV for a spreadsheet
          </a>
        </div>
      </aside>
    </main>
  )
}
