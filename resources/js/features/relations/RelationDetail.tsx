import { useState } from 'react'
import type { Notebook, Relation, Relations, RunSummary } from '../../lib/api/types'
import type { Between } from '../../lib/relations/between'
import { unitText } from '../../lib/notebook/labels'
import { constantsText } from '../../lib/relations/picture'
import { spanAt } from '../../lib/figure/spans'
import { GoodnessWords } from '../../ui/GoodnessWords'
import { ProblemNote } from '../../ui/ProblemNote'
import { Typeset } from '../../ui/Typeset'
import { useDrawnFrom, useLines } from '../notebook'
import { ConstantsTable } from './ConstantsTable'
import { RelationPicture } from './RelationPicture'
import { StartSliders } from './StartSliders'
import { useRelation } from './useRelations'

interface RelationDetailProps {
  notebook: Notebook
  run: RunSummary
  between: Between
  told: Relations
  /** A relation that has a name; null for a typed formula. */
  relation: Relation | null
  formula: string
  onFormula: (formula: string) => void
  onRelation: (relation: string) => void
  onTaken: () => void
}

/** One relation over the points: its constants, how good it is, what is left over, and the button that takes it. */
export function RelationDetail(props: RelationDetailProps) {
  const { notebook, run, between, told, relation, formula, onFormula, onRelation, onTaken } = props
  const [held, setHeld] = useState<Record<string, number>>({})
  const [start, setStart] = useState<Record<string, number> | null>(null)
  const [hasBand, setHasBand] = useState(false)
  const { add } = useLines(notebook.id)
  const isAsked = relation !== null || formula.trim() !== ''
  const wish = {
    ...(relation === null ? { formula } : { relation: relation.relation }),
    held: constantsText(held),
    start: start === null ? '' : constantsText(start),
    band: hasBand ? ('drawn' as const) : ('hidden' as const),
  }
  const { data, error } = useRelation(run.id, notebook.revision, between, isAsked ? wish : null)
  const { isOfRuns, columns } = useDrawnFrom(notebook, between.x)
  const column = (symbol: string) => columns.find((one) => one.symbol === symbol)
  const [x, y] = [column(between.x), column(between.y)]
  if (x === undefined || y === undefined) return null
  const known = isAsked && error === null ? data : undefined
  const goodness = known?.goodness ?? null
  const title = relation === null ? `Own formula for ${y.symbol}` : `${relation.title}: ${y.symbol} against ${x.symbol}`

  function handleTake() {
    const { from, to } = between
    const there = from === undefined || to === undefined ? undefined : spanAt(notebook.spans, x?.id ?? 0, from, to)
    const span =
      from === undefined || to === undefined
        ? {}
        : there === undefined
          ? { span: { columnId: x?.id ?? 0, name: `span ${notebook.spans.length + 1}`, from, to } }
          : { spanId: there.id }
    const texts = Object.fromEntries(Object.entries(wish).filter(([, text]) => text !== '' && text !== 'hidden'))
    add.act(
      { method: 'relation', title, isPerRun: !isOfRuns, uses: { x: between.x, y: between.y }, texts, ...span },
      onTaken,
    )
  }

  return (
    <div
      className="flex w-full min-w-0 flex-1 flex-col gap-2 lg:sticky lg:top-0"
      role="group"
      aria-label="The relation"
    >
      {relation === null ? (
        <label className="flex flex-col gap-0.5 text-sm">
          <span className="quiet">
            {y.symbol} = a formula in {x.symbol}; every other name is a constant that is found
          </span>
          <input
            className="input num bg-base-100 w-full"
            value={formula}
            placeholder={`a*exp(-k*${x.symbol}) + c`}
            maxLength={400}
            autoComplete="off"
            autoFocus
            onChange={(event) => {
              onFormula(event.target.value)
              // What was known of the constants of another formula is nothing of this one.
              setHeld({})
              setStart(null)
            }}
          />
        </label>
      ) : (
        <p className="font-semibold">{relation.meaning}</p>
      )}
      <RelationPicture
        x={x}
        y={y}
        points={told.points}
        told={known}
        summary={`${title}. ${goodness === null ? (known?.needs ?? '') : `${goodness.verdict}, n ${goodness.n}`}`}
      />
      {start === null ? null : (
        <>
          <p className="quiet text-sm">The dashed curve is where the search begins; the full one where it ends.</p>
          <StartSliders start={start} onStart={setStart} />
        </>
      )}
      {relation !== null && relation.reason !== '' ? (
        <p className="amber font-semibold">{relation.reason}</p>
      ) : (
        <ProblemNote problem={isAsked ? error : null} />
      )}
      {known === undefined ? null : (
        <>
          {known.needs === null ? null : <p className="amber font-semibold">{known.needs}</p>}
          {known.explanation === null ? null : (
            <p className="overflow-x-auto overflow-y-hidden py-0.5">
              <Typeset tree={known.explanation.symbols} />
              {known.explanation.numbers === null ? null : (
                <span className="quiet">
                  {' '}
                  <Typeset tree={{ kind: 'equals', parts: [{ kind: 'words', text: '' }, known.explanation.numbers] }} />
                </span>
              )}
            </p>
          )}
          {goodness === null ? null : (
            <p className="text-sm">
              <GoodnessWords goodness={goodness} setAside={known.setAside} />
            </p>
          )}
          {goodness === null || goodness.origin === '' ? null : (
            <p className="text-sm">
              {unitText(goodness.origin)}{' '}
              {relation?.sibling == null ? null : (
                <button
                  type="button"
                  className="word-button"
                  onClick={() => {
                    onRelation(relation.sibling ?? '')
                  }}
                >
                  {relation.toSibling}
                </button>
              )}
            </p>
          )}
          {known.warnings
            .filter(({ code }) => code !== 'bends')
            .map((warning, index) => (
              <p key={index} className="text-sm">
                <strong className="amber">{warning.title}</strong> {warning.text}
              </p>
            ))}
          <ConstantsTable told={known} held={held} onHeld={setHeld} />
          {known.looked < known.n ? (
            <p className="quiet text-sm">
              Looked at {known.looked} of {known.n} rows; the line of working uses all.
            </p>
          ) : null}
        </>
      )}
      <p className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
        <button
          type="button"
          className="btn btn-primary"
          disabled={add.isPending || goodness === null}
          onClick={handleTake}
        >
          Take it into the working
        </button>
        <button
          type="button"
          className="word-button"
          aria-pressed={hasBand}
          disabled={goodness === null}
          onClick={() => {
            setHasBand(!hasBand)
          }}
        >
          {hasBand ? 'hide its 95 % band' : 'show its 95 % band'}
        </button>
        <button
          type="button"
          className="word-button"
          aria-pressed={start !== null}
          disabled={known === undefined}
          onClick={() => {
            setStart(start === null ? beginning(known?.constants ?? [], known?.values ?? []) : null)
          }}
        >
          {start === null ? 'move the curve by hand' : 'let it find its own start'}
        </button>
      </p>
      <ProblemNote problem={add.error} />
    </div>
  )
}

/** Where a hand finds the curve: at its constants, and where there is no answer yet, at one. */
function beginning(constants: readonly string[], values: readonly { name: string; measured: { value: number } }[]) {
  return Object.fromEntries(
    constants.map((name) => {
      const value = values.find((one) => one.name === name)?.measured.value ?? 1
      return [name, Number(value.toPrecision(6))]
    }),
  )
}
