import { useState } from 'react'
import type { Column, Notebook, RunSummary } from '../../lib/api/types'
import { columnHead, unitText } from '../../lib/notebook/labels'
import { isTypedIn, widthOf } from '../../lib/table/cells'
import { ProblemNote } from '../../ui/ProblemNote'
import { FormulaField } from '../entries/FormulaField'
import { TypedField } from '../entries/TypedField'
import { useColumns } from '../notebook'

interface ColumnCardProps {
  notebook: Notebook
  run: RunSummary
  column: Column
  onClose: () => void
}

const WIDER_PX = 24

/** All of one column: what it is called, its unit, its digits and its ±, and where it stands. */
export function ColumnCard({ notebook, run, column, onClose }: ColumnCardProps) {
  const { change, remove } = useColumns(notebook.id)
  const [unit, setUnit] = useState<string | null>(null)
  const [formula, setFormula] = useState(column.formula ?? '')
  const place = notebook.columns.findIndex(({ id }) => id === column.id)
  const isTyped = isTypedIn(run, column)
  const act = (attributes: Omit<Parameters<typeof change.act>[0], 'column'>) => {
    change.act({ column: column.id, ...attributes })
  }
  const doubts = notebook.columns.filter((one) => one.id !== column.id && !one.isWords && isTypedIn(run, one))

  return (
    <section className="note flex flex-col gap-2" aria-labelledby="column-title">
      <div className="flex items-baseline gap-4">
        <h3 id="column-title" className="flex-1 font-semibold">
          Column {columnHead(column)}
        </h3>
        <button type="button" className="word-button font-normal!" onClick={onClose}>
          done
        </button>
      </div>
      <div className="grid grid-cols-[2fr_1fr_1fr] gap-2">
        <TypedField
          label="Name"
          value={column.name}
          onChange={(name) => {
            act({ name })
          }}
        />
        <TypedField
          label="Symbol"
          value={column.symbol}
          onChange={(symbol) => {
            act({ symbol })
          }}
        />
        <TypedField
          label="Unit"
          value={unit ?? column.unit}
          onChange={(to) => {
            if (isTyped && column.unit !== '' && to !== '') setUnit(to)
            else act({ unit: to, keepsNumbers: true })
          }}
        />
      </div>
      {unit === null ? null : (
        <p role="alert">
          The numbers are in {unitText(column.unit)}.{' '}
          <button
            type="button"
            className="word-button"
            onClick={() => {
              act({ unit })
              setUnit(null)
            }}
          >
            convert them into {unitText(unit)}
          </button>{' '}
          <button
            type="button"
            className="word-button"
            onClick={() => {
              act({ unit, keepsNumbers: true })
              setUnit(null)
            }}
          >
            keep the numbers, they were meant in {unitText(unit)}
          </button>{' '}
          <button
            type="button"
            className="word-button font-normal!"
            onClick={() => {
              setUnit(null)
            }}
          >
            leave it
          </button>
        </p>
      )}
      {column.kind === 'derived' ? (
        <FormulaField
          notebook={notebook}
          label="Formula"
          value={formula}
          unit={column.unit}
          of={column.symbol}
          onChange={setFormula}
          onDone={() => {
            if (formula.trim() !== (column.formula ?? '')) act({ formula: formula.trim() })
          }}
        />
      ) : null}
      {column.isWords ? null : (
        <div className="grid grid-cols-3 gap-2">
          <label className="flex flex-col gap-0.5">
            <span className="quiet text-sm">Digits after the point</span>
            <select
              className="select select-sm bg-base-100"
              value={column.decimals ?? ''}
              onChange={(event) => {
                act({ decimals: event.target.value === '' ? null : Number(event.target.value) })
              }}
            >
              <option value="">{isTyped ? 'as typed' : 'as the ± allows'}</option>
              {[0, 1, 2, 3, 4, 5, 6].map((digits) => (
                <option key={digits}>{digits}</option>
              ))}
            </select>
          </label>
          {isTyped ? (
            <>
              <TypedField
                label={`± of each cell${column.unit === '' ? '' : ` in ${unitText(column.unit)}`}`}
                value={column.uncertainty === 0 ? '' : String(column.uncertainty)}
                onChange={(text) => {
                  act({ uncertainty: text === '' ? 0 : Number(text.replace(',', '.')) })
                }}
              />
              <label className="flex flex-col gap-0.5">
                <span className="quiet text-sm">or its ± stands in</span>
                <select
                  className="select select-sm bg-base-100"
                  value={column.uncertaintyOf ?? ''}
                  onChange={(event) => {
                    act({ uncertaintyOf: event.target.value === '' ? null : event.target.value })
                  }}
                >
                  <option value="">no column</option>
                  {doubts.map(({ id, symbol }) => (
                    <option key={id} value={symbol}>
                      {symbol}
                    </option>
                  ))}
                </select>
              </label>
            </>
          ) : null}
        </div>
      )}
      <p className="flex flex-wrap gap-x-4 gap-y-1">
        <button
          type="button"
          className="word-button font-normal!"
          disabled={place === 0}
          onClick={() => {
            act({ position: place })
          }}
        >
          ← to the left
        </button>
        <button
          type="button"
          className="word-button font-normal!"
          disabled={place === notebook.columns.length - 1}
          onClick={() => {
            act({ position: place + 2 })
          }}
        >
          to the right →
        </button>
        <button
          type="button"
          className="word-button font-normal!"
          onClick={() => {
            act({ width: widthOf(column) + WIDER_PX })
          }}
        >
          wider
        </button>
        <button
          type="button"
          className="word-button font-normal!"
          onClick={() => {
            act({ width: Math.max(2 * WIDER_PX, widthOf(column) - WIDER_PX) })
          }}
        >
          narrower
        </button>
        <button
          type="button"
          className="word-button font-normal!"
          onClick={() => {
            act({ isHidden: true })
            onClose()
          }}
        >
          hide
        </button>
        <button
          type="button"
          className="word-button font-normal!"
          onClick={() => {
            remove.act(column.id, onClose)
          }}
        >
          remove
        </button>
        <span className="quiet">
          save as CSV:{' '}
          {(['point', 'comma'] as const).map((mark, i) => (
            <span key={mark}>
              {i === 0 ? '' : ' · '}
              <a
                className="word-button font-normal!"
                href={`/api/runs/${run.id}/rows.csv?decimal=${mark}&column=${column.id}`}
                download
              >
                decimal {mark}
              </a>
            </span>
          ))}
        </span>
      </p>
      <ProblemNote problem={change.error ?? remove.error} />
    </section>
  )
}
