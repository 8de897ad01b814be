import type { Calibration } from '../../lib/api/types'
import { Note } from '../../ui/Note'
import { standardName } from './standardWords'

interface FaultsProps {
  calibration: Calibration
  onExchange: (positions: { first: number; second: number }) => void
  onRetake: (position: number) => void
}

/** A retake would change nothing about these. */
const STAYS_READ: readonly string[] = ['expired-standard', 'value-not-typed']

/** Mistakes found in the readings, each with the way on. */
export function Faults({ calibration, onExchange, onRetake }: FaultsProps) {
  if (calibration.state !== 'open') return null
  const hasOthers = calibration.beside.length > 0
  const faults = [calibration, ...calibration.beside].flatMap((one) =>
    one.faults.map((fault) => ({ ...fault, serial: hasOthers ? `${one.probe.serial}: ` : '' })),
  )
  return (
    <>
      {faults.map((fault) => {
        const [first, second] = fault.positions
        const last = calibration.standards.find(({ position }) => position === fault.positions.at(-1))
        return (
          <Note key={fault.serial + fault.sentence} tone={fault.blocks ? 'red' : 'amber'} role="alert">
            {fault.serial}
            {fault.sentence}{' '}
            {fault.code === 'standards-swapped' && first !== undefined && second !== undefined ? (
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  onExchange({ first, second })
                }}
              >
                Exchange the two
              </button>
            ) : last?.reading != null && !STAYS_READ.includes(fault.code) ? (
              <button
                type="button"
                className="word-button"
                onClick={() => {
                  onRetake(last.position)
                }}
              >
                Retake {standardName(last)}
              </button>
            ) : null}
          </Note>
        )
      })}
    </>
  )
}
