import { WHOLE, moved, revealed, zoomed, type DrawnAxes, type Grip, type View } from '../../lib/figure/view'
import {
  meansAxis,
  seenBy,
  shareOf,
  STILL,
  wheelFactor,
  type Place,
  type Plot,
  type Under,
  type ViewGesture,
} from '../../lib/figure/viewGesture'

/** What a figure tells of how it is drawn. */
export interface Drawn {
  /** Its axes with all there is. */
  whole: DrawnAxes
  /** Where a panel is drawn, in px. */
  plotOf: (panel: number) => Plot
  /** Whether the wheel draws only x nearer: what is recorded against time keeps its height. */
  isAlongX: boolean
}

const MIDDLE = { x: 0.5, y: 0.5 }
/** One key draws so much nearer, or moves by such a share of what is seen. */
const KEY_FACTOR = 0.8
const KEY_SHARE = 0.25

/** What of a figure is seen, and how wheel, hands and keys change it. */
export class FigureView {
  view: View = WHOLE
  private gesture: ViewGesture = STILL
  private readonly hands = new Map<number, Place>()

  constructor(
    private readonly drawn: () => Drawn | null,
    private readonly onChange: (view: View) => void,
  ) {}

  fit(): void {
    if (this.view !== WHOLE) this.see(WHOLE)
  }

  /** @returns whether the key was one of these: plus and minus, and a page along x */
  key(key: string): boolean {
    if (key === '+' || key === '=') this.step(1)
    else if (key === '-') this.step(-1)
    else if (key === 'PageDown') this.move(1)
    else if (key === 'PageUp') this.move(-1)
    else return false
    return true
  }

  /** A key draws nearer (1) or from further away (−1) about the middle. */
  private step(way: 1 | -1): void {
    const drawn = this.drawn()
    if (drawn !== null)
      this.see(zoomed(this.view, drawn.whole, gripOf(drawn, 0), MIDDLE, way === 1 ? KEY_FACTOR : 1 / KEY_FACTOR))
  }

  /** A key moves on along x (1) or back (−1). */
  private move(way: 1 | -1): void {
    const drawn = this.drawn()
    if (drawn !== null) this.see(moved(this.view, drawn.whole, { axes: 'x' }, { x: -way * KEY_SHARE, y: 0 }))
  }

  /** A place along x comes into sight. */
  reveal(x: number): void {
    const drawn = this.drawn()
    const view = drawn === null ? this.view : revealed(this.view, drawn.whole, x)
    if (view !== this.view) this.see(view)
  }

  /** @returns whether the wheel was for the figure */
  wheel(at: Place, turn: { x: number; y: number }): boolean {
    const drawn = this.drawn()
    const under = drawn === null ? null : this.under(drawn, at)
    if (drawn === null || under === null) return false
    const isPanned = Math.abs(turn.x) > Math.abs(turn.y)
    this.see(
      isPanned
        ? moved(this.view, drawn.whole, { axes: 'x' }, { x: -turn.x / under.plot.width, y: 0 })
        : zoomed(this.view, drawn.whole, under.grip, shareOf(under.plot, at), wheelFactor(turn.y)),
    )
    return true
  }

  /** A hand comes down. @returns whether it may still mean something else than what is seen */
  press(id: number, at: Place, isMove: boolean): boolean {
    const drawn = this.drawn()
    this.hands.set(id, at)
    const under = drawn === null ? null : this.under(drawn, at)
    if (drawn === null || under === null) return true
    const began = { under, view: this.view }
    const [one, two] = [...this.hands.values()]
    if (one !== undefined && two !== undefined) {
      this.gesture = { status: 'pinching', from: [one, two], ...began }
      return false
    }
    if (under.part === 'below') this.gesture = { status: 'moving', from: at, ...began }
    else if (isMove) {
      const grip: Grip = { axes: 'both', panel: panelOf(under) }
      this.gesture = { status: 'moving', from: at, ...began, under: { ...under, grip } }
    } else this.gesture = under.part === 'beside' ? { status: 'undecided', from: at, ...began } : STILL
    return this.gesture.status !== 'moving'
  }

  /** @returns whether the hand moves what is seen */
  drag(id: number, at: Place): boolean {
    if (!this.hands.has(id)) return false
    this.hands.set(id, at)
    if (this.gesture.status === 'undecided') {
      const isAxis = meansAxis(this.gesture.from, at)
      if (isAxis !== null) this.gesture = isAxis ? { ...this.gesture, status: 'moving' } : STILL
    }
    const drawn = this.drawn()
    const view = drawn === null ? null : seenBy(this.gesture, drawn.whole, [...this.hands.values()])
    if (view !== null) this.see(view)
    return view !== null
  }

  /** The hand is gone. @returns whether it moved what is seen */
  release(id: number): boolean {
    const was = this.gesture.status
    this.hands.delete(id)
    this.gesture = STILL
    return was === 'moving' || was === 'pinching'
  }

  private under(drawn: Drawn, at: Place): Under | null {
    const panels = 1 + Math.max(0, ...drawn.whole.y.map(({ panel }) => panel))
    for (let panel = 0; panel < panels; panel++) {
      const plot = drawn.plotOf(panel)
      if (at.y < plot.top || at.y > plot.top + plot.height) continue
      const isBeside = at.x < plot.left || at.x > plot.left + plot.width
      return isBeside
        ? { part: 'beside', plot, grip: { axes: 'y', panel } }
        : { part: 'plot', plot, grip: gripOf(drawn, panel) }
    }
    const last = drawn.plotOf(panels - 1)
    return at.y > last.top + last.height ? { part: 'below', plot: last, grip: { axes: 'x' } } : null
  }

  private see(view: View): void {
    const isWhole = view.x === null && Object.values(view.y).every((range) => range === undefined)
    this.view = isWhole ? WHOLE : view
    this.onChange(this.view)
  }
}

function gripOf({ isAlongX }: Drawn, panel: number): Grip {
  return isAlongX ? { axes: 'x' } : { axes: 'both', panel }
}

function panelOf({ grip }: Under): number {
  return grip.axes === 'x' ? 0 : grip.panel
}
