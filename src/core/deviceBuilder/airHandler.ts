import type { Duration, Device, DeviceDraft, Expr, Mode, Part, Setting } from '../equipment'
import { coilId, coilsAmong, rowParts, rowsOn } from './heaterRows'
import {
  all,
  any,
  board,
  breakerFor,
  choice,
  coil,
  contact,
  controlSupply,
  delayed,
  figure,
  has,
  input,
  lineTerminals,
  motor,
  on,
  speed,
} from './pieces'

const none = (list: Expr[]): Expr | null => (list.length ? { not: any(...list) } : null)

/** Blower of one speed, from a relay on G and from whatever else starts it. */
function oneSpeed(d: Device, draft: DeviceDraft, heats: Expr[]): Part[] {
  const y = draft.blowerOnY && has(d, 'Y')
  const starters = [on('blowerRelay'), ...(y ? [on('yIn')] : []), ...heats]
  return [
    coil('blowerRelay', 'G', 'Blower relay coil'),
    ...(y ? [input('yIn', 'Y')] : []),
    runsOn(
      contact('blowerContact', ['L1d', 'BLm'], 'relay', 'Blower relay contact', any(...starters)),
      draft,
    ),
    motor('blower', ['BLm', 'L2'], 'Blower', 240, draft.blowerVa, { what: 'blower' }),
  ]
}

/** The board's blower off-delay: a contact lets go of its speed so much later. */
const runsOn = (part: Part, draft: DeviceDraft): Part => {
  const off: Duration = { set: 'fanOffDelay' }
  return draft.delayMost > 0 ? delayed(part, 0, off) : part
}

/** Blower of several speeds: a board gives each of its inputs one. */
function severalSpeeds(d: Device, draft: DeviceDraft, heats: Expr[]): Part[] {
  const va = draft.blowerVa
  const [y, y2] = [has(d, 'Y'), has(d, 'Y2')]
  const noHeat = none(heats)
  return [
    board('logic', 'Air handler board'),
    input('gIn', 'G'),
    ...(y ? [input('yIn', 'Y')] : []),
    ...(y2 ? [input('y2In', 'Y2')] : []),
    ...(heats.length ? speed('heat', ['L1d', 'L2'], 240, va, all(on('logic'), any(...heats))) : []),
    ...(y && y2 ? speed('high', ['L1d', 'L2'], 240, va, all(on('logic'), on('yIn'), on('y2In'), noHeat)) : []),
    ...(y ? speed('low', ['L1d', 'L2'], 240, 0.8 * va, all(on('logic'), on('yIn'), y2 ? { not: on('y2In') } : null, noHeat)) : []),
    ...speed('fan', ['L1d', 'L2'], 240, 0.5 * va, all(on('logic'), on('gIn'), y ? { not: on('yIn') } : null, noHeat)),
  ].map((p) => runsOn(p, draft)) // prettier-ignore
}

/** An air handler: its supply, its blower, strips of its own or a kit that plugs in. */
export function airHandler(d: Device, draft: DeviceDraft): Device {
  const kit = draft.heat === 'kit'
  const own = draft.heat === 'rows'
  lineTerminals(d, ['L1', 'L2'], kit ? 'harness' : 'line')
  const supply = controlSupply('L2', 240, draft.transformerVa)
  const parts: Part[] = [...supply.parts]
  const modes: Mode[] = [...supply.modes]
  const settings: Setting[] = []
  const banks = coilsAmong(draft.terminals)
  const rows = own ? rowsOn(draft).map((r) => ({ ...r, circuit: 1 as const })) : []
  const wet = draft.heat === 'none' ? [] : banks
  if (own) parts.push(...banks.map((w) => coil(coilId(w), w, `Heat ${draft.switchedBy} on ${w}`, 8)))
  else if (draft.severalSpeeds || draft.blowerOnW)
    parts.push(...wet.map((w) => input(`${w.toLowerCase()}In`, w)))
  const heard = wet.map((w) => on(own ? coilId(w) : `${w.toLowerCase()}In`))
  const called = heard.length ? [any(...heard)] : []
  // Without it the thermostat has to call for the fan: a board gives the heating speed then, too.
  const starts: Expr[] = draft.blowerOnW ? called : []
  parts.push(
    ...(draft.severalSpeeds
      ? severalSpeeds(d, draft, draft.blowerOnW ? called : called.map((c) => all(c, on('gIn'))))
      : oneSpeed(d, draft, starts)),
  )
  if (kit && draft.interlock) {
    d.terminals.push({
      id: 'BL',
      label: 'BL',
      side: 'line',
      role: 'harness',
      about: 'Blower motor, hot side.',
    })
    // A kit whose first contact feeds the blower feeds it at the heating speed.
    parts.push({ kind: 'path', id: 'kitFan', a: 'BL', b: draft.severalSpeeds ? 'mheat' : 'BLm', ohms: 0.01 })
  }
  rows.forEach((row, i) => {
    const made = rowParts(draft, row, i + 1, on(coilId(row.by)))
    parts.push(...made.parts)
    modes.push(...made.modes)
  })
  if (draft.severalSpeeds)
    settings.push(
      choice('airflowTap', 'Heat pump airflow tap', 'set', [['low', 'Low'], ['medium', 'Medium'], ['high', 'High']], 'medium', 'airflowTap'), // prettier-ignore
    )
  if (draft.delayMost > 0)
    settings.push(figure('fanOffDelay', 'Blower off delay', 'set', [0, draft.delayMost], 's', Math.min(60, draft.delayMost), 'fanOffDelay', 30)) // prettier-ignore
  const watts = rows.reduce((sum, r) => sum + r.watts, 0)
  return {
    ...d,
    parts,
    modes,
    settings,
    plate: {
      volts: 240,
      transformerVa: draft.transformerVa,
      ...(draft.tons > 0 ? { tons: draft.tons } : {}),
      ...(own ? { rows: rows.length, kilowatts: watts / 1000 } : {}),
      // NEC 424.4: conductor and overcurrent device for 125 % of elements and motor.
      mocpA: breakerFor((1.25 * (watts + draft.blowerVa)) / 240),
    },
  }
}
