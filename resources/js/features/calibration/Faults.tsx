import type { Calibration } from '../../lib/api/types'
import { Note } from '../../ui/Note'

interface FaultsProps {
  calibration: Calibration
  onExchange: (positions: { first: number; second: number }) => void
  onRetake: (position: number) => void
}

/** Mistakes found in the readings, each with the way on. */
export function Faults({ calibration, onExchange, onRetake }: FaultsProps) {
  if (calibration.state !== 'open') return null
  const read = calibration.standards.filter((standard) => standard.reading !== null)
  const [first, second] = read.filter((standard) =>
    calibration.faults.some((fault) => fault.code === 'buffers-swapped' && fault.sentence.includes(standard.label)),
  )
  const last = read[read.length - 1]
  return (
    <>
      {calibration.faults.map((fault) => (
        <Note key={fault.code + fault.sentence} tone={fault.blocks ? 'red' : 'amber'} role="alert">
          {fault.sentence}{' '}
          {fault.code === 'buffers-swapped' && first !== undefined && second !== undefined ? (
            <button
              type="button"
              className="word-button"
              onClick={() => {
                onExchange({ first: first.position, second: second.position })
              }}
            >
              Exchange the two
            </button>
          ) : fault.blocks && last !== undefined ? (
            <button
              type="button"
              className="word-button"
              onClick={() => {
                onRetake(last.position)
              }}
            >
              Retake {last.label}
            </button>
          ) : null}
        </Note>
      ))}
    </>
  )
}
