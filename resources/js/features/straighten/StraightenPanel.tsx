import { useState } from 'react'
import type { Notebook, RunSummary, Way, Ways } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import { unitText } from '../../lib/notebook/labels'
import { ProblemNote } from '../../ui/ProblemNote'
import { Waiting } from '../../ui/Waiting'
import { WordSelect } from '../../ui/WordSelect'
import { InKelvin, useDrawnFrom } from '../notebook'
import { useTakeWay, useWays } from './useWays'
import { WayTile } from './WayTile'

interface StraightenPanelProps {
  notebook: Notebook
  run: RunSummary
  x: string
  y: string
  onColumns: (x: string, y: string) => void
  /** @param isNew whether a figure was made */
  onBack: (isNew: boolean) => void
}

/** So many are seen at first. */
const FIRST = 6

/** Takes the figure's place: small pictures of the ways to plot two columns, the best first, and what the chosen one means. */
export function StraightenPanel({ notebook, run, x, y, onColumns, onBack }: StraightenPanelProps) {
  const { data, error } = useWays(notebook, run.id, x, y)
  const { isOfRuns, columns } = useDrawnFrom(notebook, x)
  const numbers = columns.filter(({ isWords }) => !isWords).map(({ symbol }) => symbol)
  return (
    <section className="flex min-w-0 flex-col gap-3 lg:overflow-y-auto lg:pr-1" aria-labelledby="straighten-title">
      <div>
        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
          <h2 id="straighten-title" className="text-xl font-semibold">
            Which way is it straight?
          </h2>
          <span className="quiet text-sm">
            <WordSelect
              label="Column plotted upwards"
              value={y}
              options={numbers.filter((one) => one !== x)}
              onChange={(one) => {
                onColumns(x, one)
              }}
            />{' '}
            against{' '}
            <WordSelect
              label="Column plotted along x"
              value={x}
              options={numbers.filter((one) => one !== y)}
              onChange={(one) => {
                onColumns(one, y)
              }}
            />{' '}
            of {isOfRuns ? 'the runs' : run.name}; below each line what is left over, enlarged
          </span>
          <span className="flex-1" />
          <button
            type="button"
            className="word-button text-sm"
            onClick={() => {
              onBack(false)
            }}
          >
            back to the figure
          </button>
        </div>
        <p className="quiet text-sm">A straight line leaves no pattern. R² alone does not tell: 0.95 can still bend.</p>
      </div>
      {error === null ? data === undefined ? <Waiting what="the ways" /> : null : <ProblemNote problem={error} />}
      {data === undefined || error !== null ? null : (
        <Gallery key={`${data.x} ${data.y}`} notebook={notebook} run={run} told={data} onBack={onBack} />
      )}
    </section>
  )
}

interface GalleryProps {
  notebook: Notebook
  run: RunSummary
  told: Ways
  onBack: (isNew: boolean) => void
}

function Gallery({ notebook, run, told, onBack }: GalleryProps) {
  const [relation, setRelation] = useState('')
  const [areAllShown, setAreAllShown] = useState(false)
  const { ways } = told
  const chosen = ways.find((way) => way.relation === relation) ?? ways[0]
  if (chosen === undefined) return null
  return (
    <>
      <div
        className="grid grid-cols-[repeat(auto-fill,minmax(min(15rem,100%),1fr))] gap-3"
        role="group"
        aria-label="Ways to plot them"
      >
        {(areAllShown ? ways : ways.slice(0, FIRST)).map((way) => (
          <WayTile
            key={way.relation}
            way={way}
            n={told.looked}
            isChosen={way === chosen}
            onChoose={() => {
              setRelation(way.relation)
            }}
          />
        ))}
      </div>
      <Meaning notebook={notebook} run={run} told={told} way={chosen} onBack={onBack}>
        {areAllShown || ways.length <= FIRST ? null : (
          <button
            type="button"
            className="word-button"
            onClick={() => {
              setAreAllShown(true)
            }}
          >
            {countOf(ways.length - FIRST, 'more way')} …
          </button>
        )}
      </Meaning>
    </>
  )
}

interface MeaningProps extends GalleryProps {
  way: Way
  children: React.ReactNode
}

/** What the chosen way means, and the buttons that take it. */
function Meaning({ notebook, run, told, way, onBack, children }: MeaningProps) {
  const take = useTakeWay(notebook.id)
  const taken = (hasLine: boolean) => {
    take.act({ run: run.id, x: told.x, y: told.y, relation: way.relation, hasLine }, () => {
      onBack(true)
    })
  }
  return (
    <div className="panel flex flex-col gap-2 p-4" role="group" aria-label="What it means">
      <p>
        <strong>{way.isStraight ? way.meaning : `${way.title} ${way.verdict}.`}</strong> {unitText(way.constant)}{' '}
        {unitText(way.origin)}
      </p>
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <button
          type="button"
          className="btn btn-primary"
          disabled={take.isPending}
          onClick={() => {
            taken(true)
          }}
        >
          Take {way.title} into the working
        </button>
        <button
          type="button"
          className="word-button"
          disabled={take.isPending}
          onClick={() => {
            taken(false)
          }}
        >
          show it as the figure
        </button>
        {children}
      </p>
      <ProblemNote problem={take.error} />
      <ul className="quiet flex flex-col gap-1 text-sm">
        {told.looked < told.n ? (
          <li>
            Looked at {told.looked} of {told.n} rows, evenly taken.
          </li>
        ) : null}
        {told.warnings.map((warning) => (
          <li key={warning.code}>
            {warning.title} {warning.text}
          </li>
        ))}
        {told.skipped.length === 0 ? null : (
          <li>
            Not every way could be tried: {told.skipped.map(({ reason }) => reason.replace(/\.$/, '')).join('; ')}.{' '}
            <InKelvin notebook={notebook} symbols={told.skipped.map(({ inKelvin }) => inKelvin)} />
          </li>
        )}
      </ul>
    </div>
  )
}
