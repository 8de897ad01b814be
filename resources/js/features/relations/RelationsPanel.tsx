import { useState } from 'react'
import type { Notebook, Relations, RunSummary } from '../../lib/api/types'
import { countOf } from '../../lib/format'
import type { Between } from '../../lib/relations/between'
import { spanText } from '../../lib/notebook/labels'
import { pictureOf } from '../../lib/relations/picture'
import { ProblemNote } from '../../ui/ProblemNote'
import { Waiting } from '../../ui/Waiting'
import { WordSelect } from '../../ui/WordSelect'
import { InKelvin, useDrawnFrom } from '../notebook'
import { RelationDetail } from './RelationDetail'
import { RelationTile, TILE } from './RelationTile'
import { useRelations } from './useRelations'

interface RelationsPanelProps {
  notebook: Notebook
  run: RunSummary
  between: Between
  onBetween: (between: Between) => void
  onBack: () => void
}

/** So many are seen at first. */
const FIRST = 4

/** Takes the figure's place: every relation as a small preview over the points, and all of the chosen one. */
export function RelationsPanel({ notebook, run, between, onBetween, onBack }: RelationsPanelProps) {
  const { data, error } = useRelations(run.id, notebook.revision, between)
  const { isOfRuns, columns } = useDrawnFrom(notebook, between.x)
  const numbers = columns.filter(({ isWords }) => !isWords).map(({ symbol }) => symbol)
  const { x, y, from, to } = between
  const columnId = notebook.columns.find(({ symbol }) => symbol === x)?.id ?? 0
  return (
    <section className="flex min-w-0 flex-col gap-3 lg:overflow-y-auto lg:pr-1" aria-labelledby="relations-title">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 id="relations-title" className="text-xl font-semibold">
          Which relation is it?
        </h2>
        <span className="quiet text-sm">
          <WordSelect
            label="Column that is described"
            value={y}
            options={numbers.filter((one) => one !== x)}
            onChange={(one) => {
              onBetween({ ...between, y: one })
            }}
          />{' '}
          against{' '}
          <WordSelect
            label="Column along x"
            value={x}
            options={numbers.filter((one) => one !== y)}
            onChange={(one) => {
              onBetween({ x: one, y })
            }}
          />{' '}
          of {isOfRuns ? 'the runs' : run.name}
          {from === undefined || to === undefined ? null : (
            <>
              , {spanText({ columnId, from, to }, notebook.columns)} ·{' '}
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  onBetween({ x, y })
                }}
              >
                look at all of it
              </button>
            </>
          )}
        </span>
        <span className="flex-1" />
        <button type="button" className="word-button text-sm" onClick={onBack}>
          back to the figure
        </button>
      </div>
      {error === null ? data === undefined ? <Waiting what="the relations" /> : null : <ProblemNote problem={error} />}
      {data === undefined || error !== null ? null : (
        <Chosen
          key={JSON.stringify(between)}
          notebook={notebook}
          run={run}
          between={between}
          told={data}
          onBack={onBack}
        />
      )}
    </section>
  )
}

interface ChosenProps {
  notebook: Notebook
  run: RunSummary
  between: Between
  told: Relations
  onBack: () => void
}

/** The previews at the left, all of one of them at the right. */
function Chosen({ notebook, run, between, told, onBack }: ChosenProps) {
  const [name, setName] = useState<string | null>(null)
  const [formula, setFormula] = useState<string | null>(null)
  const [areAllShown, setAreAllShown] = useState(false)
  const fitted = told.relations.filter(({ curve }) => curve.length > 0)
  const chosen = told.relations.find(({ relation }) => relation === name) ?? told.relations[0]
  const shown = areAllShown ? fitted : fitted.slice(0, FIRST)
  const picture = pictureOf(told.points.x, told.points.y, TILE)
  return (
    <div className="flex flex-col gap-4 sm:flex-row sm:items-start">
      <div className="flex shrink-0 flex-col gap-2 sm:w-52">
        <div className="grid grid-cols-2 content-start gap-2 sm:grid-cols-1" role="group" aria-label="Relations">
          {shown.map((relation) => (
            <RelationTile
              key={relation.relation}
              told={told}
              relation={relation}
              picture={picture}
              isChosen={formula === null && relation === chosen}
              onChoose={() => {
                setName(relation.relation)
                setFormula(null)
              }}
            />
          ))}
          {areAllShown ? (
            <ul className="quiet col-span-full flex flex-col gap-1 text-xs">
              {told.relations
                .filter(({ curve }) => curve.length === 0)
                .map(({ relation, title, reason }) => (
                  <li key={relation}>
                    {title}: {reason}
                  </li>
                ))}
            </ul>
          ) : null}
        </div>
        <div className="flex flex-wrap gap-x-4 gap-y-1 text-sm">
          {areAllShown || fitted.length <= FIRST ? null : (
            <button
              type="button"
              className="word-button"
              onClick={() => {
                setAreAllShown(true)
              }}
            >
              {countOf(fitted.length - FIRST, 'more relation')} …
            </button>
          )}
          {formula === null ? (
            <button
              type="button"
              className="word-button"
              onClick={() => {
                setFormula('')
              }}
            >
              a formula of your own …
            </button>
          ) : null}
          <InKelvin notebook={notebook} symbols={told.relations.map(({ inKelvin }) => inKelvin)} />
        </div>
      </div>
      <RelationDetail
        key={formula === null ? (chosen?.relation ?? '') : 'own'}
        notebook={notebook}
        run={run}
        between={between}
        told={told}
        relation={formula === null ? (chosen ?? null) : null}
        formula={formula ?? ''}
        onFormula={setFormula}
        onRelation={setName}
        onTaken={onBack}
      />
    </div>
  )
}
