import type { Device, DeviceDraft, Mode, Part, Setting } from '../equipment'
import { burnerPlate, furnaceSpeeds, gasTrain } from './furnace'
import { coilId, rowParts, rowsOn } from './heaterRows'
import { boardModes, compressorParts, valveTerminal } from './outdoorUnit'
import {
  all,
  any,
  board,
  breakerFor,
  coil,
  contact,
  controlSupply,
  has,
  inMode,
  input,
  lineTerminals,
  motor,
  on,
  onOff,
  valveSetting,
} from './pieces'

/** Everything in one cabinet: compressor, blower and transformer, with strips or a gas burner. */
export function packagedUnit(d: Device, draft: DeviceDraft): Device {
  lineTerminals(d, ['L1', 'L2'])
  const supply = controlSupply('L2', 240, draft.transformerVa)
  const heat = draft.fuel === 'electric' ? strips(d, draft) : burner(d, draft)
  // A board that keeps the two apart drops the compressor with W.
  const holds = draft.fuel === 'electric' || draft.together ? null : { not: on('wIn') }
  const { plate } = heat
  return {
    ...d,
    parts: [
      ...supply.parts,
      board('logic', 'Board'),
      input('ySense', 'Y'),
      input('gIn', 'G'),
      ...heat.parts,
      ...compressorParts(d, draft, holds),
    ],
    modes: [...boardModes({ ...draft, inverter: false }, null), ...supply.modes, ...heat.modes],
    settings: [...(valveTerminal(d) ? [valveSetting('plate', draft)] : []), ...heat.settings],
    plate: {
      volts: 240,
      transformerVa: draft.transformerVa,
      ...(draft.tons > 0 ? { tons: draft.tons } : {}),
      ...(draft.mca > 0 ? { mca: draft.mca } : {}),
      mocpA: draft.mocpA > 0 ? draft.mocpA : 60,
      ...plate,
    },
  }
}

interface Heat {
  parts: Part[]
  modes: Mode[]
  settings: Setting[]
  plate: Device['plate']
}

/** Relays that the board drives from its inputs, the blower with them; the first bank in a defrost too, where it is set. */
function strips(d: Device, draft: DeviceDraft): Heat {
  const banks = (['W1', 'W2'] as const).filter((w) => has(d, w))
  const e = has(d, 'E') ? [on('eIn')] : []
  const tempered = all(inMode('board', 'defrost'), { set: 'tempered', is: ['on'] }, on('ySense'))
  const parts: Part[] = [...(e.length ? [input('eIn', 'E')] : [])]
  for (const [i, w] of banks.entries()) {
    const heard = `${w.toLowerCase()}In`
    parts.push(
      input(heard, w),
      contact(`${coilId(w)}drive`, ['R', `${coilId(w)}n`], 'board', `Board, bank ${i + 1}`, any(on(heard), ...e, ...(i === 0 ? [tempered] : []))),
      coil(coilId(w), `${coilId(w)}n`, `Strip relay of bank ${i + 1}`),
    ) // prettier-ignore
  }
  const starts = any(on('gIn'), ...banks.map((w) => on(coilId(w))))
  parts.push(
    contact('fanDrive', ['L1d', 'BLm'], 'board', 'Board, blower', all(on('logic'), starts)),
    motor('blower', ['BLm', 'L2'], 'Blower', 240, draft.blowerVa, { what: 'blower' }),
  )
  const modes: Mode[] = []
  const rows = rowsOn(draft)
  rows.forEach((row, i) => {
    const made = rowParts(draft, { ...row, circuit: 1 }, i + 1, on(coilId(row.by)))
    parts.push(...made.parts)
    modes.push(...made.modes)
  })
  const watts = rows.reduce((sum, r) => sum + r.watts, 0)
  return {
    parts,
    modes,
    settings: [onOff('tempered', 'Strips in defrost', draft.defrostW)],
    plate: {
      kilowatts: watts / 1000,
      rows: rows.length,
      ...(draft.mocpA > 0 ? {} : { mocpA: breakerFor((1.25 * (watts + draft.blowerVa)) / 240) }),
    },
  }
}

/** A burner with its gas train on 24 V, and the blower's speeds. */
function burner(d: Device, draft: DeviceDraft): Heat {
  const gas = gasTrain(d, draft)
  return {
    parts: [
      ...(has(d, 'Y') ? [input('yIn', 'Y')] : []),
      input('wIn', 'W1'),
      ...(has(d, 'W2') ? [input('w2In', 'W2')] : []),
      ...gas.parts,
      ...furnaceSpeeds(d, draft, ['L2', 240], 'valve'),
    ],
    modes: gas.modes,
    settings: gas.settings,
    plate: {
      ...burnerPlate(draft, has(d, 'W2') ? 2 : 1),
      ...(draft.together ? { togetherAllowed: true } : {}),
    },
  }
}
