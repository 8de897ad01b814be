import { useVirtualizer } from '@tanstack/react-virtual'
import { useRef, useState, type ClipboardEvent, type KeyboardEvent } from 'react'
import type { Column, Notebook, Row, RunRows, RunSummary } from '../../lib/api/types'
import { blockOf, cellsOf, isWithin, ledBy, nextOf, pickAt, squared, textOf, type Pick } from '../../lib/table/grid'
import { isBlankAmong, isTypedIn, shownText, typedText, widthOf } from '../../lib/table/cells'
import { isPlainBlock } from '../../lib/table/taking'
import { useNotices } from '../../ui/notices'
import { CellInput } from './CellInput'
import { ColumnHead } from './ColumnHead'
import { ChangedWithIt } from './ChangedWithIt'
import { EditsRefused } from './EditsRefused'
import { RowWords } from './RowWords'
import { TableFoot } from './TableFoot'
import { useCellEdits } from './useCellEdits'
import { useTableRows } from './useTableRows'

interface TypedTableProps {
  notebook: Notebook
  run: RunSummary
  rows: RunRows
  /** The column whose making is looked at. */
  column?: number | null
  /** Asks for more of a column; without it the heads only tell. */
  onColumn?: (id: number) => void
  /** What was pasted is a table of its own, to be looked at first. */
  onTable?: (text: string) => void
  /** A cell of a row was taken in hand. */
  onPick?: (row: number) => void
}

const ROW_REM = 1.9
const SPARE_ROWS = 12

/** A table to type in, as long as it may be: what is on screen is drawn, and the cell in hand takes what is typed. */
export function TypedTable({ notebook, run, rows, column = null, onColumn, onTable, onPick }: TypedTableProps) {
  const columns = notebook.columns.filter(({ isHidden }) => !isHidden)
  const scroller = useRef<HTMLDivElement>(null)
  const [first, setFirst] = useState(0)
  const table = useTableRows(rows, notebook.revision, first)
  const edits = useCellEdits(notebook, run.id, table.rowAt)
  const [pick, setPick] = useState<Pick | null>(table.count === 0 ? pickAt(0, 0) : null)
  const [isDragging, setIsDragging] = useState(false)
  const { tell } = useNotices()
  const count = Math.max(table.count, edits.reach)
  // Below the last row there is a blank one to go on in.
  const size = { rows: count + (run.kind === 'typed' ? 1 : 0), columns: columns.length }
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing here is memoised by a compiler
  const virtual = useVirtualizer({
    count: size.rows,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_REM * parseFloat(getComputedStyle(document.documentElement).fontSize),
    overscan: SPARE_ROWS,
    onChange: (instance) => {
      const now = instance.range?.startIndex ?? 0
      setFirst((before) => (Math.abs(now - before) > SPARE_ROWS ? now : before))
    },
  })
  const block = pick === null ? null : blockOf(pick)
  const shown = virtual.getVirtualItems()

  function go(to: Pick | null): void {
    if (to === null) return
    setPick(to)
    virtual.scrollToIndex(to.at.row)
  }

  function textAt(row: number, of: Column): string {
    return edits.typedAt(row, of.id)?.text ?? typedText(table.rowAt(row), of)
  }

  /** Fills the chosen cells; columns that are not typed are passed over. */
  function put(row: number, left: number, cells: string[][]): void {
    const taken = columns.slice(left, left + (cells[0]?.length ?? 0)).map((one, i) => ({ one, i }))
    const typable = taken.filter(({ one }) => isTypedIn(run, one))
    if (typable.length === 0) return
    edits.put(
      row,
      typable.map(({ one }) => one.id),
      cells.map((of) => typable.map(({ i }) => of[i] ?? '')),
    )
  }

  function chosen(): string[][] {
    if (block === null) return []
    const last = Math.min(block.bottom, count - 1)
    return Array.from({ length: last - block.top + 1 }, (_, i) =>
      columns.slice(block.left, block.right + 1).map((of) => textAt(block.top + i, of)),
    )
  }

  function clear(): void {
    const cells = chosen()
    if (block !== null && cells.length > 0)
      put(
        block.top,
        block.left,
        cells.map((row) => row.map(() => '')),
      )
  }

  /** Of a long table only what is on screen, and some beside it, is here; the rest must not be taken for blank. */
  function isHere(): boolean {
    const last = block === null ? -1 : Math.min(block.bottom, table.count - 1)
    for (let row = block?.top ?? 0; row <= last; row++) {
      if (table.rowAt(row) === undefined) {
        tell('So many rows cannot be copied or filled from here. Choose fewer, or take the rows as a file in Report.')
        return false
      }
    }
    return true
  }

  function fillDown(): void {
    if (!isHere()) return
    const [top, ...rest] = chosen()
    if (block !== null && top !== undefined && rest.length > 0)
      put(
        block.top + 1,
        block.left,
        rest.map(() => top),
      )
  }

  function handleKey(event: KeyboardEvent<HTMLInputElement>) {
    if (pick === null || event.altKey) return
    const control = event.ctrlKey || event.metaKey
    if (event.key === 'Escape') {
      // The row stays chosen: Tab leads on to what can be done with it.
      scroller.current?.focus()
    } else if (control && event.key.toLowerCase() === 'd') {
      fillDown()
    } else if (control && event.key.toLowerCase() === 'a') {
      setPick({ at: { row: 0, column: 0 }, from: { row: Math.max(0, count - 1), column: columns.length - 1 } })
    } else if (event.key === 'Delete' || event.key === 'Backspace') {
      clear()
    } else if (event.key === 'Enter' || event.key === 'Tab') {
      const next = nextOf(pick, event.key, size, event.shiftKey)
      if (next === null) return
      go(next)
    } else {
      const next = ledBy(pick, event.key, size, { shift: event.shiftKey, control })
      if (next === null) return
      go(next)
    }
    event.preventDefault()
  }

  function handleTyped(text: string | null, event: KeyboardEvent | null) {
    if (pick === null) return
    if (text !== null) put(pick.at.row, pick.at.column, [[text]])
    if (event === null) return
    const after = { rows: Math.max(size.rows, pick.at.row + 2), columns: size.columns }
    go(
      event.key === 'Enter' || event.key === 'Tab'
        ? nextOf(pick, event.key, after, event.shiftKey)
        : ledBy(pick, event.key, after),
    )
  }

  function handleCopy(event: ClipboardEvent, isCut: boolean) {
    if (!isHere()) return
    event.clipboardData.setData('text/plain', textOf(chosen()))
    event.preventDefault()
    if (isCut) clear()
  }

  function handlePaste(event: ClipboardEvent) {
    event.preventDefault()
    const text = event.clipboardData.getData('text/plain')
    if (onTable !== undefined && !isPlainBlock(text)) {
      onTable(text)
      return
    }
    const cells = squared(cellsOf(text), columns.length)
    if (block !== null && cells.length > 0) put(block.top, block.left, cells)
  }

  const before = shown[0]?.start ?? 0
  const after = virtual.getTotalSize() - (shown.at(-1)?.end ?? 0)
  return (
    <>
      <div
        ref={scroller}
        className="sheet-frame border-base-300 min-h-0 flex-1 overflow-auto border-y"
        tabIndex={0}
        role="region"
        aria-label="Rows"
        onKeyDown={(event) => {
          if (event.target !== scroller.current || pick === null) return
          if (event.key === 'Escape') setPick(null)
          else if (['Enter', 'F2', 'ArrowUp', 'ArrowDown', 'ArrowLeft', 'ArrowRight'].includes(event.key)) {
            event.preventDefault()
            scroller.current.querySelector<HTMLInputElement>('td.held input')?.focus()
          }
        }}
        onPointerUp={() => {
          setIsDragging(false)
        }}
      >
        <table
          className="sheet num text-sm"
          role="grid"
          aria-rowcount={size.rows + 1}
          aria-label={`Rows of ${run.name}`}
        >
          <colgroup>
            <col style={{ width: '3.2rem' }} />
            {columns.map((one) => (
              <col key={one.id} style={{ width: `${widthOf(one)}px` }} />
            ))}
            <col />
          </colgroup>
          <thead>
            <tr>
              <th scope="col">
                <span className="sr-only">row</span>
              </th>
              {columns.map((one) => (
                <ColumnHead
                  key={one.id}
                  notebook={notebook}
                  column={one}
                  isTyped={isTypedIn(run, one)}
                  isShown={column === one.id}
                  onShow={
                    onColumn === undefined
                      ? null
                      : () => {
                          onColumn(one.id)
                        }
                  }
                />
              ))}
              <td role="presentation" />
            </tr>
          </thead>
          <tbody>
            {before > 0 ? <tr aria-hidden="true" style={{ height: before }} /> : null}
            {shown.map(({ index }) => (
              <TableRow
                key={index}
                place={index}
                row={table.rowAt(index)}
                isWaiting={index < table.count && table.rowAt(index) === undefined}
              >
                {columns.map((one, place) => {
                  const isHeld = pick?.at.row === index && pick.at.column === place
                  const edit = edits.typedAt(index, one.id)
                  const text = edit?.text ?? shownText(table.rowAt(index), one)
                  const isBad =
                    (table.rowAt(index)?.texts[one.symbol] !== undefined && !one.isWords) ||
                    (text === '' && isBlankAmong(rows, table.rowAt(index), index, one))
                  return (
                    <td
                      key={one.id}
                      role="gridcell"
                      aria-selected={block !== null && isWithin(block, index, place)}
                      className={`${isHeld ? 'held' : ''} ${isTypedIn(run, one) ? '' : 'quiet'} ${
                        edit?.isRefused === true || (edit === undefined && isBad) ? 'bg-(--amber-paper)' : ''
                      }`}
                      onPointerDown={(event) => {
                        if (isHeld || event.button !== 0) return
                        event.preventDefault()
                        // What is being typed elsewhere is kept before the cell is left.
                        if (document.activeElement instanceof HTMLInputElement) document.activeElement.blur()
                        setIsDragging(true)
                        const at = { row: index, column: place }
                        setPick({ at, from: event.shiftKey && pick !== null ? pick.from : at })
                        const row = table.rowAt(index)
                        if (row !== undefined) onPick?.(row.id)
                      }}
                      onPointerEnter={() => {
                        if (isDragging && pick !== null) setPick({ at: { row: index, column: place }, from: pick.from })
                      }}
                    >
                      {isHeld ? (
                        <CellInput
                          key={`${index} ${place}`}
                          label={`${one.symbol}, row ${index + 1}`}
                          text={text}
                          whole={textAt(index, one)}
                          isReadOnly={!isTypedIn(run, one)}
                          placeholder={index === count && place === 0 ? 'type or paste' : ''}
                          onTyped={handleTyped}
                          onKey={handleKey}
                          onCopy={handleCopy}
                          onPaste={handlePaste}
                        />
                      ) : index === count && place === 0 ? (
                        <span className="quiet font-sans">type or paste</span>
                      ) : (
                        text
                      )}
                    </td>
                  )
                })}
              </TableRow>
            ))}
            {after > 0 ? <tr aria-hidden="true" style={{ height: after }} /> : null}
          </tbody>
          <TableFoot columns={columns} feet={rows.typed?.feet ?? []} />
        </table>
      </div>
      <EditsRefused edits={edits} problem={table.error} />
      <ChangedWithIt {...edits.changed} />
      <RowWords
        notebook={notebook}
        run={run}
        rows={rows}
        block={block}
        count={table.count}
        rowAt={table.rowAt}
        onFillDown={fillDown}
      />
    </>
  )
}

interface TableRowProps {
  place: number
  row: Row | undefined
  isWaiting: boolean
  children: React.ReactNode
}

function TableRow({ place, row, isWaiting, children }: TableRowProps) {
  const isAside = row !== undefined && row.setAside !== null
  return (
    <tr
      aria-rowindex={place + 2}
      className={`${isAside ? 'aside' : ''} ${isWaiting ? 'opacity-50' : ''}`}
      title={isAside ? `set aside: ${row.setAside ?? ''}` : undefined}
      style={{ height: `${ROW_REM}rem` }}
    >
      <th scope="row" className="quiet">
        {place + 1}
      </th>
      {children}
      <td role="presentation" />
    </tr>
  )
}
