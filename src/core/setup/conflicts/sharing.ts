import { hasBurner, hasStrips, intentOf, isLanded, ofKind, settingsWith, terminalsWith } from '../../laws'
import { makeRef } from '../../installation'
import { aheadOfCoil } from './ahead'
import { at, first, standing, type Conflict } from './conflict'

/** Heat pump and backup together, where the backup heats the air ahead of the coil. */
export const togetherAhead: Conflict = {
  id: 'togetherAhead',
  find: ({ inst }) =>
    aheadOfCoil(inst) ? standing(inst, 'together', 'yes').flatMap((f) => at('togetherAhead', [f.at])) : [],
}

/** The backup is set as electric and a furnace stands there, or the reverse. */
export const backupSourceWrong: Conflict = {
  id: 'backupSourceWrong',
  find({ inst }) {
    const burner = hasBurner(inst)
    const fuels = inst.placed.flatMap((p) =>
      p.device.parts.flatMap((x) => (x.kind === 'load' && x.does?.what === 'burner' ? [x.does.fuel] : [])),
    )
    return settingsWith(inst, 'backupSource').flatMap((f) => {
      if (f.value === 'electric' && burner && !hasStrips(inst)) return at('electricWithFurnace', [f.at])
      if (f.value !== 'electric' && f.value !== null && !burner && hasStrips(inst))
        return at('fuelWithStrips', [f.at])
      if (f.value === 'oil' && fuels.length && !fuels.includes('oil')) return at('oilWithGas', [f.at])
      return (f.value === 'gas' || f.value === 'lp') && fuels.includes('oil') ? at('gasWithOil', [f.at]) : []
    })
  },
}

/** The thermostat's O/B sense is not the outdoor unit's. */
export const valveSense: Conflict = {
  id: 'valveSense',
  find({ inst }) {
    const unit = inst.placed
      .filter((p) => ['outdoorUnit', 'packagedUnit'].includes(p.device.kind))
      .flatMap((p) => settingsWith({ ...inst, placed: [p] }, 'rvSense'))[0]
    if (!unit || unit.value === null) return []
    return ofKind(inst, 'thermostat')
      .flatMap((p) => settingsWith({ ...inst, placed: [p] }, 'rvSense'))
      .filter((f) => f.value !== null && f.value !== unit.value)
      .flatMap((f) => at('valveSense', [f.at, unit.at]))
  },
}

/** More stages set than landed, or landed and not set. */
export const stages: Conflict = {
  id: 'stages',
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p) =>
      (
        [
          ['compressorStages', 'Y2'],
          ['backupStages', 'W2'],
        ] as const
      ).flatMap(([intent, role]) => {
        const [terminal] = terminalsWith(p, role)
        const set = settingsWith({ ...inst, placed: [p] }, intent)[0]
        if (!terminal || !set || set.value === null) return []
        const landed = isLanded(inst, terminal)
        if (set.value === '2' && !landed) return at('stageNotLanded', [set.at, terminal])
        return set.value === '1' && landed ? at('stageNotSet', [set.at, terminal]) : []
      }),
    ),
}

/** AUX and E: an E terminal that is landed and driven together with AUX, or not landed and meant to be separate. */
export const emergencyPath: Conflict = {
  id: 'emergencyPath',
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p) => {
      const [e] = terminalsWith(p, 'E')
      const set = settingsWith({ ...inst, placed: [p] }, 'auxWithE')[0]
      if (!e || !set || set.value === null) return []
      const landed = isLanded(inst, e)
      if (set.value === 'separate' && !landed) return at('eNotLanded', [set.at, e])
      return set.value === 'together' && landed ? at('eLandedTogether', [set.at, e]) : []
    }),
}

/** An external kit and the thermostat both decide the changeover, or neither does. */
export const inCharge: Conflict = {
  id: 'inCharge',
  find({ inst }) {
    if (!hasBurner(inst)) return []
    const kit = ofKind(inst, 'fuelKit')[0]
    const relay = ofKind(inst, 'relay')[0]
    return settingsWith(inst, 'inCharge').flatMap((f) => {
      const dual = intentOf(f.placed, 'system') === 'dualFuel'
      if (!dual) return []
      if (kit && f.value === 'thermostat') return at('bothInCharge', [f.at, makeRef(kit.ref, '')])
      if (!kit && f.value === 'kit') return at('noneInCharge', [f.at])
      return !relay && f.value === 'stage' ? at('stageNoInterlock', [f.at]) : []
    })
  },
}

/** Whether a selector stands for what is landed. */
export const selector: Conflict = {
  id: 'selector',
  find: ({ inst }) =>
    settingsWith(inst, 'selector').flatMap((f) => {
      const bus = terminalsWith(f.placed, 'bus')
      const call = terminalsWith(f.placed, 'Y1').find((t) => isLanded(inst, t))
      if (f.value === 'bus' && (call || !bus.every((t) => isLanded(inst, t))))
        return at('busOnWires', [f.at, call])
      return f.value === '24V' && !call && bus.some((t) => isLanded(inst, t))
        ? at('wiresOnBus', [f.at, bus[0]])
        : []
    }),
}

/** A thermostat that needs a common and has none, and no battery either. */
export const noPower: Conflict = {
  id: 'noPower',
  find: ({ inst }) =>
    ofKind(inst, 'thermostat').flatMap((p) => {
      const needs = p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'control')
      const [c] = terminalsWith(p, 'C')
      if (!needs || !c || isLanded(inst, c) || p.device.plate.battery) return []
      return at('noPower', [c])
    }),
}

/** The kit that is set is not the kit that is there, or not one that the air handler takes. */
export const kitSize: Conflict = {
  id: 'kitSize',
  find: ({ inst }) =>
    settingsWith(inst, 'kitSize').flatMap((f) => {
      const size = Number(f.value)
      const { kits: allowed } = f.placed.device.plate
      const kits = ofKind(inst, 'stripKit').filter((k) => k.where === f.placed.where)
      const there = kits.reduce((sum, k) => sum + (k.device.plate.kilowatts ?? 0), 0)
      if (allowed && !allowed.some((k) => k.kilowatts === size)) return at('kitNotAllowed', [f.at], size)
      return there > 0 && Math.abs(there - size) > size * 0.15 ? at('kitOther', [f.at], size, there) : []
    }),
}

/** A static class below what was measured. */
export const staticClass: Conflict = {
  id: 'staticClass',
  find({ inst, staticInWc: measured }) {
    if (measured === null) return []
    const f = first(inst, 'staticClass')
    const set = Number(f?.value) / 10
    return f && set > 0 && measured > set ? at('staticBelow', [f.at], set, measured) : []
  },
}
