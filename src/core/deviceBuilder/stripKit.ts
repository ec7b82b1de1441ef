import type { Device, DeviceDraft, Mode, Part } from '../equipment'
import { circuitsOf, coilId, coilsAmong, LEGS, rowParts, rowsOn } from './heaterRows'
import { breakerFor, coil, contact, lineTerminals, on } from './pieces'

const ORDINAL = { W1: 'First', W2: 'Second', W3: 'Third' }

/** A strip kit: a coil for each W that it has, rows of any watts on one to three line circuits. */
export function stripKit(d: Device, draft: DeviceDraft): Device {
  const { switchedBy } = draft
  const rows = rowsOn(draft)
  const circuits = circuitsOf(rows)
  lineTerminals(d, circuits.flatMap((n) => LEGS[n])) // prettier-ignore
  const coils = coilsAmong(draft.terminals)
  const parts: Part[] = coils.map((w) => coil(coilId(w), w, `${ORDINAL[w]} ${switchedBy}`, 8))
  const modes: Mode[] = []
  rows.forEach((row, i) => {
    const made = rowParts(draft, row, i + 1, on(coilId(row.by)))
    parts.push(...made.parts)
    modes.push(...made.modes)
  })
  const [first] = coils
  if (draft.interlock && first) {
    d.terminals.push({
      id: 'BL',
      label: 'Blower interlock',
      side: 'line',
      role: 'harness',
      about: 'Feeds the blower whenever the first bank is on.',
    })
    parts.push(contact('interlock', ['L1', 'BL'], switchedBy, 'Blower interlock', on(coilId(first))))
  }
  const watts = rows.reduce((sum, r) => sum + r.watts, 0)
  return {
    ...d,
    parts,
    modes,
    plate: {
      volts: 240,
      kilowatts: watts / 1000,
      rows: rows.length,
      circuits: circuits.length,
      ...(switchedBy === 'sequencer' ? { sequencerSeconds: draft.stepSeconds } : {}),
      ...(draft.leastCfm > 0 ? { leastCfm: draft.leastCfm } : {}),
      ...(draft.leastSpeed === 'any' ? {} : { leastSpeed: draft.leastSpeed }),
      // NEC 424.4: a circuit's overcurrent device for 125 % of its elements; several circuits have one each.
      ...(circuits.length === 1 ? { mocpA: breakerFor((1.25 * watts) / 240) } : {}),
    },
  }
}
