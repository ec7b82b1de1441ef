import { amountOf, type ContactPart } from '../equipment'
import { settingValue, type Placed, type Ref } from '../installation'
import { hotInputs, rowsWith, type HeatInput } from './bank'

/** Something that happens in a kit after a call begins or ends. */
export interface SequenceEvent {
  /** s after that. */
  seconds: number
  /** The rows that are on from then, by number. */
  rows: { id: Ref; row: number }[]
}

/** The least and the most that a sequencer's step usually takes in, and out, s. */
export const USUAL_STEP = { in: [10, 110], out: [30, 110] } as const

/** Which rows are on at each second after inputs go live, and after they go dead again; and whose times are not known. */
export interface KitSequence {
  inputs: HeatInput[]
  in: SequenceEvent[]
  out: SequenceEvent[]
  /** Contacts that wait, whose times the device file does not say: they count as at once. */
  untimed: Ref[]
}

/** Contacts that a coil of the device drives. */
const coilDriven = (x: ContactPart): boolean => JSON.stringify(x.driver).includes('"energised"')

/**
 * Steps a kit through the seconds after a call: a contact closes its own delay after its driver first says so, and opens
 * its own delay after that ceases; what a contact feeds follows it.
 * @param inputs that go live at 0 s, and dead at 0 s of the second list
 */
export function kitSequence(placed: Placed, inputs: readonly HeatInput[]): KitSequence {
  const contacts = placed.device.parts.filter((x): x is ContactPart => x.kind === 'contact' && coilDriven(x))
  const closed = new Set<string>()
  const begun = run(placed, contacts, closed, inputs)
  const ended = run(placed, contacts, closed, [])
  return {
    inputs: [...inputs],
    in: begun,
    out: ended,
    untimed: contacts
      .filter((x) => x.gate === 'sequencer' && !x.after)
      .map((x): Ref => `${placed.ref}.${x.id}`),
  }
}

/** s until a contact does what its driver says; one that nobody knows counts as at once. */
const delayOf = (placed: Placed, { after }: ContactPart, closes: boolean): number =>
  (after && amountOf(closes ? after.closes : after.opens, (id) => settingValue(placed, id))) ?? 0

/** Runs the contacts on from what is closed, with these inputs live, until nothing moves any more. */
function run(
  placed: Placed,
  contacts: readonly ContactPart[],
  closed: Set<string>,
  inputs: readonly HeatInput[],
): SequenceEvent[] {
  const hot = hotInputs(placed, inputs)
  const events: SequenceEvent[] = []
  const due = new Map<string, number>()
  let rows = ''
  let now = 0
  // Each contact moves at most once on the way in and once on the way out.
  for (let step = 0; step <= 2 * contacts.length; step++) {
    const state = rowsWith(placed, hot, closed)
    for (const x of contacts) {
      const wants = state.wants(x)
      if (wants === closed.has(x.id)) due.delete(x.id)
      else if (!due.has(x.id)) due.set(x.id, now + delayOf(placed, x, wants))
    }
    const key = state.rows.map((r) => r.id).join()
    if (key !== rows || events.length === 0) {
      rows = key
      if (events[events.length - 1]?.seconds === now) events.pop()
      events.push({ seconds: now, rows: state.rows })
    }
    if (due.size === 0) break
    now = Math.min(...due.values())
    for (const [id, at] of due) {
      if (at > now) continue
      if (closed.has(id)) closed.delete(id)
      else closed.add(id)
      due.delete(id)
    }
  }
  return events
}
