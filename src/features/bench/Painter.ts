import type { Ref } from '@/core/installation'
import { hue } from '@/ui'
import { figure } from '@/words'
import type { LiveBoard } from '../job/LiveBoard'
import { wireState, type TerminalVolts } from '../job/liveness'
import { drawingOf, type DrawnWire } from './layout'

const voltsText = (v: TerminalVolts | undefined): string =>
  !v ? '?' : v.state === 'common' ? 'common' : v.state === 'dead' ? '0' : `${figure(v.volts)} V`

interface TerminalPiece {
  ref: Ref
  button: HTMLElement
  volts: HTMLElement
  /** What it shows now: its state, its volts in tenths, how many conductors are landed. */
  state: TerminalVolts['state'] | null
  tenths: number
  landed: number
}
interface LoadPiece {
  ref: Ref
  line: HTMLElement
  word: HTMLElement
  shown: boolean | null
}
interface WirePiece {
  id: string
  group: SVGGElement
  paths: SVGPathElement[]
  core: SVGPathElement
  ends: SVGCircleElement[]
  drawn: DrawnWire | null
  state: TerminalVolts['state'] | null
}

/**
 * Lights the drawing. It knows each piece that React has laid down, compares what the piece shows with what the board
 * says, and touches only what differs: relighting after an edit is then a matter of a few attributes.
 */
export class Painter {
  private terminals: TerminalPiece[] = []
  private loads: LoadPiece[] = []
  private wires: WirePiece[] = []

  constructor(
    private readonly root: HTMLElement,
    private readonly board: LiveBoard,
  ) {}

  /** Looks the pieces up anew, and paints them. */
  collect(): void {
    const all = <E extends Element>(selector: string) => [...this.root.querySelectorAll<E>(selector)]
    this.terminals = all<HTMLElement>('button[data-terminal]').map((button) => ({
      ref: button.dataset.terminal!,
      button,
      volts: button.querySelector<HTMLElement>('[data-volts]')!,
      state: null,
      tenths: -1,
      landed: -1,
    }))
    this.loads = all<HTMLElement>('[data-load]').map((line) => ({
      ref: line.dataset.load!,
      line,
      word: line.querySelector<HTMLElement>('[data-on-off]')!,
      shown: null,
    }))
    this.wires = all<SVGGElement>('g[data-conductor]').map((group) => ({
      id: group.dataset.conductor!,
      group,
      paths: [...group.querySelectorAll('path')],
      core: group.querySelector<SVGPathElement>('.core')!,
      ends: [...group.querySelectorAll('circle')],
      drawn: null,
      state: null,
    }))
    this.paint()
  }

  paint(): void {
    const now = this.board.get()
    if (!now) return
    const drawing = drawingOf(now.inst)
    for (const t of this.terminals) {
      const v = now.volts.get(t.ref)
      const landed = drawing.landed.get(t.ref) ?? 0
      const state = v?.state ?? 'dead'
      // No text is made for a tenth of a volt that has not changed.
      const tenths = v ? Math.round(v.volts * 10) : -1
      if (t.state === state && t.tenths === tenths && t.landed === landed) continue
      if (t.state !== state) t.button.dataset.state = state
      Object.assign(t, { state, tenths, landed })
      const text = voltsText(v)
      if (t.volts.textContent !== text) t.volts.textContent = text
      t.button.setAttribute(
        'aria-label',
        `${t.button.dataset.name}, ${text === '0' ? 'dead' : text}, ${landed} landed`,
      )
    }
    for (const l of this.loads) {
      const on = now.running.has(l.ref)
      if (l.shown === on) continue
      l.shown = on
      l.line.dataset.on = String(on)
      l.word.textContent = on ? 'on' : 'off'
    }
    for (const w of this.wires) {
      const drawn = drawing.byId.get(w.id)
      // A conductor that is gone is taken away by React a moment later.
      if (!drawn) continue
      const state = wireState(now.volts, drawn.wire.a, drawn.wire.b)
      if (w.state !== state) w.group.dataset.state = w.state = state
      if (w.drawn !== drawn) this.bend(w, drawn)
    }
  }

  private bend(w: WirePiece, drawn: DrawnWire): void {
    const { wire, d, loose } = drawn
    w.group.dataset.doubt = String(wire.doubt ?? false)
    if (w.drawn?.wire.colour !== wire.colour) w.core.style.stroke = hue(wire.colour)
    if (w.drawn?.d !== d) for (const p of w.paths) p.setAttribute('d', d)
    w.ends.forEach((circle, i) => {
      const at = loose[i]
      circle.style.visibility = at ? '' : 'hidden'
      if (!at) return
      circle.setAttribute('cx', String(at.x))
      circle.setAttribute('cy', String(at.y))
    })
    w.drawn = drawn
  }
}
