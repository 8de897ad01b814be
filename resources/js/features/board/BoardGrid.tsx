import type { Board, Tile } from '../../lib/api/types'
import { swapped } from '../../lib/board/tiles'
import { FigureTile } from './FigureTile'
import { LevelTile } from './LevelTile'
import { ReadoutTile } from './ReadoutTile'
import { TableTile } from './TableTile'
import { TileChoice } from './TileChoice'

interface BoardGridProps {
  board: Board
  /** While it is arranged. */
  onArrange: ((board: Board) => void) | null
}

const NAMES: Record<Tile['shows'], string> = { figure: 'Figure', readout: 'Readout', level: 'Level', table: 'Table' }
const DRAGGED = 'text/x-welkion-tile'

/** The tiles in their places. While the board is arranged they can be dragged into each other's. */
export function BoardGrid({ board, onArrange }: BoardGridProps) {
  return (
    <div className={`board-grid board-${board.arrangement}`}>
      {board.tiles.map((tile, place) => (
        <section
          // A tile is what stands in its place.
          key={`${place} ${tile.shows}`}
          aria-label={`${NAMES[tile.shows]}, place ${place + 1}`}
          className={`panel board-tile board-tile-${tile.shows} ${onArrange === null ? '' : 'cursor-grab overflow-y-auto border-dashed'}`}
          draggable={onArrange !== null}
          onDragStart={(event) => {
            event.dataTransfer.setData(DRAGGED, String(place))
          }}
          onDragOver={(event) => {
            if (onArrange !== null && event.dataTransfer.types.includes(DRAGGED)) event.preventDefault()
          }}
          onDrop={(event) => {
            const from = Number(event.dataTransfer.getData(DRAGGED))
            if (onArrange !== null && from !== place) onArrange(swapped(board, from, place))
          }}
        >
          {onArrange === null ? null : <TileChoice board={board} place={place} onArrange={onArrange} />}
          <TileBody tile={tile} />
        </section>
      ))}
    </div>
  )
}

function TileBody({ tile }: { tile: Tile }) {
  switch (tile.shows) {
    case 'figure':
      return <FigureTile />
    case 'readout':
      return <ReadoutTile tile={tile} />
    case 'level':
      return <LevelTile tile={tile} />
    case 'table':
      return <TableTile tile={tile} />
  }
}
