import { nth, under } from '@/core/sure'
import { wireRef, type Ref } from '@/core/installation'
import { tolerances } from '@/core/tolerances'
import { hue } from '@/ui'
import { figure } from '@/words'
import { type LiveBoard, type TerminalVolts, wireState } from '../session'
import { drawingOf, type DrawnWire } from './layout'

const voltsText = (v: TerminalVolts | undefined): string =>
  !v ? '?' : v.state === 'common' ? 'common' : v.state === 'dead' ? '0' : `${figure(v.volts)} V`

/** Puts words into a piece by way of the text that is there: no node is taken away and none is made. */
function write(piece: HTMLElement, words: string): void {
  const text = piece.firstChild
  if (!(text instanceof Text)) piece.textContent = words
  else if (text.data !== words) text.data = words
}

interface TerminalPiece {
  ref: Ref
  button: HTMLElement
  volts: HTMLElement
  /** What it shows, as one text: no other is made for a tenth of a volt that has not changed. */
  said: string
}
interface LoadPiece {
  ref: Ref
  line: HTMLElement
  word: HTMLElement
  on: boolean | null
}
interface WirePiece {
  id: string
  /** The conductor as it always stands there, and over it as it looks while it is live. */
  rest: SVGGElement
  lit: SVGGElement
  paths: SVGPathElement[]
  cores: SVGPathElement[]
  ends: SVGCircleElement[]
  /** It lies on the path that is looked at, and shows whether current flows in it. */
  onPath: boolean
  drawn: DrawnWire | null
  live: boolean | null
  flows: boolean | null
  common: boolean | null
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

  /** Looks the pieces up anew, and paints them. A piece that it knows is kept: what that shows is known too. */
  collect(): void {
    const all = <E extends Element>(selector: string) => [...this.root.querySelectorAll<E>(selector)]
    const terminals = new Map(this.terminals.map((t) => [t.button, t]))
    this.terminals = all<HTMLElement>('button[data-terminal]').map(
      (button) =>
        terminals.get(button) ?? {
          ref: button.dataset.terminal as Ref,
          button,
          volts: button.querySelector<HTMLElement>('[data-volts]')!,
          said: '',
        },
    )
    const loads = new Map(this.loads.map((l) => [l.line, l]))
    this.loads = all<HTMLElement>('[data-load]').map(
      (line) =>
        loads.get(line) ?? {
          ref: line.dataset.load as Ref,
          line,
          word: line.querySelector<HTMLElement>('[data-on-off]')!,
          on: null,
        },
    )
    const lit = new Map(
      all<SVGGElement>('g[data-layer="lit"]').map((group) => [group.dataset.conductor!, group]),
    )
    const wires = new Map(this.wires.map((w) => [w.rest, w]))
    this.wires = all<SVGGElement>('g[data-layer="rest"]').map((rest) => {
      const groups = [rest, under(lit, rest.dataset.conductor!)]
      const inside = <E extends Element>(selector: string) =>
        groups.flatMap((group) => [...group.querySelectorAll<E>(selector)])
      const paths = inside<SVGPathElement>('path')
      const known = wires.get(rest)
      // A mark along the path comes and goes with the choice: then all its lines are bent anew.
      if (known && known.lit === groups[1] && known.paths.length === paths.length) return known
      return {
        id: rest.dataset.conductor!,
        rest,
        lit: nth(groups, 1),
        paths,
        cores: inside<SVGPathElement>('.core'),
        ends: inside<SVGCircleElement>('circle'),
        onPath: inside('.flow').length > 0,
        drawn: null,
        live: null,
        flows: null,
        common: null,
      }
    })
    this.paint()
  }

  paint(): void {
    const now = this.board.get()
    if (!now) return
    const drawing = drawingOf(now.inst)
    for (const t of this.terminals) {
      const v = now.volts.get(t.ref)
      const state = v?.state ?? 'dead'
      const landed = drawing.landed.get(t.ref) ?? 0
      const { name } = t.button.dataset
      const said = `${state} ${v && Math.round(v.volts * 10)} ${landed} ${name}`
      if (t.said === said) continue
      t.said = said
      if (t.button.dataset.state !== state) t.button.dataset.state = state
      const text = voltsText(v)
      write(t.volts, text)
      t.button.setAttribute('aria-label', `${name}, ${text === '0' ? 'dead' : text}, ${landed} landed`)
    }
    for (const l of this.loads) {
      const on = now.running.has(l.ref)
      if (l.on === on) continue
      l.line.dataset.on = String((l.on = on))
      write(l.word, on ? 'on' : 'off')
    }
    for (const w of this.wires) {
      const drawn = drawing.byId.get(w.id)
      // A conductor that is gone is taken away by React a moment later.
      if (!drawn) continue
      const state = wireState(now.volts, drawn.wire.a, drawn.wire.b)
      const live = state === 'live'
      const common = state === 'common'
      if (w.live !== live) w.lit.dataset.live = String((w.live = live))
      const flows = w.onPath && live && now.solved.ok && now.solved.amps(wireRef(w.id)) > tolerances.flowA
      if (w.flows !== flows) w.lit.dataset.flows = String((w.flows = flows))
      if (w.common !== common) w.rest.dataset.common = String((w.common = common))
      if (w.drawn !== drawn) this.bend(w, drawn)
    }
  }

  private bend(w: WirePiece, drawn: DrawnWire): void {
    const { wire, d, loose } = drawn
    if (w.drawn?.wire.doubt !== wire.doubt || !w.drawn)
      for (const group of [w.rest, w.lit]) group.dataset.doubt = String(wire.doubt ?? false)
    if (w.drawn?.wire.colour !== wire.colour) for (const core of w.cores) core.style.stroke = hue(wire.colour)
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
