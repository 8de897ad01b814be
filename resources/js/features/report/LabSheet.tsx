import { useCallback } from 'react'
import type { Experiment, Working } from '../../lib/api/types'
import type { Ink } from '../../lib/figure/ink'
import { NOTHING } from '../../lib/figure/selection'
import { fixed, volume } from '../../lib/format'
import { useChangeExperiment } from '../experiments/useChangeExperiment'
import { Figure } from '../figure'
import { TrustSentences } from '../probes/TrustSentences'
import { figureText } from '../../lib/probes/figureText'
import { captionOf } from '../working/caption'
import { reasonFigureOption } from '../working/reasonFigureOption'
import { SheetText } from './SheetText'

interface LabSheetProps {
  experiment: Experiment
  working: Working
}

/** The sheet a class takes home: title, aim, figure, working, table, conclusion. */
export function LabSheet({ experiment, working }: LabSheetProps) {
  const change = useChangeExperiment(experiment.id)
  const option = useCallback(
    (ink: Ink) => reasonFigureOption({ titrant: experiment.titrant, working, selection: NOTHING, derivative: 1 }, ink),
    [experiment.titrant, working],
  )
  const run = experiment.runs.find(({ id }) => id === working.runId)
  return (
    <article
      data-theme="fieldbook"
      className="panel text-base-content mx-auto max-w-[52rem] px-10 py-8 print:max-w-none print:p-0"
      aria-label="Lab sheet"
    >
      <header className="border-base-300 mb-4 border-b pb-3">
        <h2 className="text-2xl font-semibold">{experiment.title}</h2>
        <p className="quiet text-sm">
          Titration on bench {experiment.bench.name} · run {working.runNumber}
          {run === undefined ? '' : ` · ${new Date(run.startedAt).toLocaleDateString('en-GB', { dateStyle: 'long' })}`}
        </p>
        <p className="quiet text-sm">{calibrationWords(working)}</p>
        <TrustSentences sentences={working.trustSentences} />
      </header>
      <SheetText
        title="Aim"
        value={experiment.aim ?? ''}
        placeholder="What do we want to find out?"
        onChange={(aim) => {
          change.mutate({ aim })
        }}
      />
      <figure className="my-4 break-inside-avoid">
        <div className="h-[31rem]">
          <Figure option={option} summary={captionOf(experiment, working)} />
        </div>
        <figcaption className="quiet mt-1 text-sm">{captionOf(experiment, working)}</figcaption>
      </figure>
      <section className="break-inside-avoid">
        <h3 className="mt-5 mb-2 text-lg font-semibold">Working</h3>
        <ol className="flex flex-col gap-2">
          {working.lines.map((line) => (
            <li key={line.key} className="grid grid-cols-[1.5rem_1fr_auto] gap-x-2">
              <span className="quiet">{line.number}.</span>
              <span>
                <strong>{line.title}</strong>
                <span className="quiet block text-sm">
                  {line.method}
                  {line.numbers === '' ? '' : `: ${line.numbers}`}
                </span>
              </span>
              <span className="num text-right">
                {line.result === null ? (
                  <span className="quiet">{line.needs ?? '—'}</span>
                ) : (
                  <>
                    <strong>{line.result.shownValue}</strong>
                    {line.result.shownUncertainty === '' ? '' : ` ± ${line.result.shownUncertainty}`}{' '}
                    {line.result.unit === 'pH' ? '' : line.result.unit}
                  </>
                )}
              </span>
            </li>
          ))}
        </ol>
        <p className="quiet mt-2 text-sm">± gives one standard uncertainty.</p>
      </section>
      <SheetText
        title="Conclusion"
        value={experiment.conclusion ?? ''}
        placeholder="What does the result say, and how sure is it?"
        onChange={(conclusion) => {
          change.mutate({ conclusion })
        }}
      />
      <section>
        <h3 className="mt-5 mb-2 text-lg font-semibold">Readings</h3>
        <SheetTable working={working} />
      </section>
    </article>
  )
}

/** By which calibration its pH was worked out. */
function calibrationWords(working: Working): string {
  const { calibration } = working
  if (calibration?.keptAt == null) return 'pH by the line of an ideal electrode: it was not calibrated.'
  const [figure] = calibration.keyFigures
  const day = new Date(calibration.keptAt).toLocaleDateString('en-GB', { dateStyle: 'long' })
  return (
    `pH by the calibration of ${day}` +
    (figure === undefined ? '' : `, ${figureText(figure)} ${figure.label}`) +
    (working.isWorkedOutAgain ? '; the run was worked out again with it.' : '.')
  )
}

/** Two or three blocks side by side, so that fifty readings still fit on the page. */
function SheetTable({ working }: { working: Working }) {
  const blockCount = working.readings.length > 16 ? 3 : 1
  const length = Math.ceil(working.readings.length / blockCount)
  const blocks = Array.from({ length: blockCount }, (_, i) => working.readings.slice(i * length, (i + 1) * length))
  return (
    <div className="grid gap-6 sm:grid-cols-3 print:grid-cols-3">
      {blocks.map((block, index) => (
        <table key={index} className="num w-full self-start text-right text-sm">
          <thead className="border-base-content/50 border-b">
            <tr>
              <th scope="col">V / mL</th>
              <th scope="col">pH</th>
              <th scope="col">T / °C</th>
            </tr>
          </thead>
          <tbody>
            {block.map((reading) => (
              <tr key={reading.id} className={reading.setAsideReason === null ? '' : 'quiet line-through'}>
                <td>{volume(reading.volume)}</td>
                <td>
                  {reading.wasSteady ? '' : '~'}
                  {reading.ph === null ? '—' : fixed(reading.ph.value, 2)}
                </td>
                <td>{reading.celsius === null ? '—' : fixed(reading.celsius, 1)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </div>
  )
}
