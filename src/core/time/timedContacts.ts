import { amountOf } from '../equipment'
import type { Circuit } from '../circuit'
import { settingIn, type Ref } from '../installation'

/** A contact that follows its driver later. */
export interface TimedContact {
  ref: Ref
  /** In the netlist. */
  index: number
  /** s. */
  closes: number
  opens: number
  /** Whether it feeds a blower motor; and the contacts of the same device that do. */
  motor: boolean
  speeds: number[]
}

/**
 * The contacts of a circuit that have delays, by the settings as they stand.
 * @param untimed gets those whose setting nobody knows; they count as without any
 */
export function timedContacts(circuit: Circuit, untimed: Set<Ref>): TimedContact[] {
  const { inst, net } = circuit
  const motors = new Set(
    net.loads.flatMap((l) => (l.part.does?.what === 'blower' ? [`${l.placed.ref} ${l.part.a}`] : [])),
  )
  const feedsMotor = ({ placed, part }: (typeof net.contacts)[number]): boolean =>
    motors.has(`${placed.ref} ${part.a}`) || motors.has(`${placed.ref} ${part.b}`)
  return net.contacts.flatMap((c, index): TimedContact[] => {
    const { after } = c.part
    if (!after) return []
    const seconds = [after.closes, after.opens].map((d) => amountOf(d, (id) => settingIn(inst, c.placed, id)))
    if (seconds.includes(null)) untimed.add(c.ref)
    const [closes, opens] = [seconds[0] ?? 0, seconds[1] ?? 0]
    if (closes === 0 && opens === 0) return []
    const speeds = net.contacts.flatMap((x, i) => (x.placed === c.placed && feedsMotor(x) ? [i] : []))
    return [{ ref: c.ref, index, closes, opens, motor: feedsMotor(c), speeds }]
  })
}
