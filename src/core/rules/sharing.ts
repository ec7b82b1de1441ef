import type { Unknowable, Value } from '../equipment'
import { makeRef, type Installation } from '../installation'
import {
  aheadTargets,
  burnersOf,
  hasBurner,
  hasStrips,
  intentOf,
  isLanded,
  kitWattsAt,
  having,
  settingsWith,
  terminalsWith,
  type SettingAt,
} from '../query'
import { breach, hasIntent, ownSettings, settingsSetTo } from './breach'
import type { Breach, JobRule } from './rule'

/** Heat pump and backup together, where the backup heats the air ahead of the coil. */
export const togetherAhead: JobRule<'togetherAhead', 'togetherAhead'> = {
  id: 'togetherAhead',
  scope: 'job',
  severity: 'danger',
  codes: ['togetherAhead'],
  applies: (inst) => hasIntent('together')(inst) && aheadTargets(inst).length > 0,
  explains: ['heatAheadOfCoil'],
  find: ({ inst }) =>
    aheadTargets(inst).length
      ? settingsSetTo(inst, 'together', 'yes').flatMap((f) => breach('togetherAhead', [f.at]))
      : [],
}

type SourceCode =
  'electricWithFurnace' | 'fuelWithStrips' | 'oilWithGas' | 'gasWithOil' | 'gasWithLp' | 'lpWithGas'

/** Natural gas or LP, as the furnace is set; null where no furnace says. */
const gasOf = (inst: Installation): Unknowable<Value> => settingsWith(inst, 'fuel')[0]?.value ?? null

/** Whether a device offers natural gas and LP as two answers: only then is one for the other a mismatch. */
const tellsGasApart = (f: SettingAt): boolean => {
  const setting = f.placed.device.settings.find((s) => makeRef(f.placed.ref, s.id) === f.at)
  return ['gas', 'lp'].every((id) => setting?.options?.some((o) => o.id === id))
}

/** The backup is set as electric and a furnace stands there, or the reverse. */
export const backupSourceWrong: JobRule<'backupSourceWrong', SourceCode> = {
  id: 'backupSourceWrong',
  scope: 'job',
  severity: 'wrong',
  codes: ['electricWithFurnace', 'fuelWithStrips', 'oilWithGas', 'gasWithOil', 'gasWithLp', 'lpWithGas'],
  applies: hasIntent('backupSource'),
  find({ inst }) {
    const burner = hasBurner(inst)
    const fuels = burnersOf(inst).map((b) => b.fuel)
    return settingsWith(inst, 'backupSource').flatMap((f): Breach<SourceCode>[] => {
      if (f.value === 'electric' && burner && !hasStrips(inst)) return breach('electricWithFurnace', [f.at])
      if (f.value !== 'electric' && f.value !== null && !burner && hasStrips(inst))
        return breach('fuelWithStrips', [f.at])
      if (f.value === 'oil' && fuels.length && !fuels.includes('oil')) return breach('oilWithGas', [f.at])
      if (f.value !== 'gas' && f.value !== 'lp') return []
      if (fuels.includes('oil')) return breach('gasWithOil', [f.at])
      if (!tellsGasApart(f)) return []
      const fuel = gasOf(inst)
      if (f.value === 'gas' && fuel === 'lp') return breach('gasWithLp', [f.at])
      return f.value === 'lp' && fuel === 'natural' ? breach('lpWithGas', [f.at]) : []
    })
  },
}

/** The thermostat's O/B sense is not the outdoor unit's. */
export const valveSense: JobRule<'valveSense', 'valveSense'> = {
  id: 'valveSense',
  scope: 'job',
  severity: 'wrong',
  codes: ['valveSense'],
  applies: (inst) => having(inst, 'onWall').some((p) => ownSettings(p, 'rvSense').length > 0),
  explains: ['coolingHeats', 'heatingCools'],
  find({ inst }) {
    const unit = having(inst, 'compresses').flatMap((p) => ownSettings(p, 'rvSense'))[0]
    if (!unit || unit.value === null) return []
    return having(inst, 'onWall')
      .flatMap((p) => ownSettings(p, 'rvSense'))
      .filter((f) => f.value !== null && f.value !== unit.value)
      .flatMap((f) => breach('valveSense', [f.at, unit.at]))
  },
}

/** AUX and E: an E terminal that is landed and driven together with AUX, or not landed and meant to be separate. */
export const emergencyPath: JobRule<'emergencyPath', 'eNotLanded' | 'eLandedTogether'> = {
  id: 'emergencyPath',
  scope: 'job',
  severity: 'wrong',
  codes: ['eNotLanded', 'eLandedTogether'],
  applies: hasIntent('auxWithE'),
  explains: ['noBackup', 'someBackupMissing'],
  find: ({ inst }) =>
    having(inst, 'onWall').flatMap((p): Breach<'eNotLanded' | 'eLandedTogether'>[] => {
      const [e] = terminalsWith(p, 'E')
      const set = ownSettings(p, 'auxWithE')[0]
      if (!e || !set || set.value === null) return []
      const landed = isLanded(inst, e)
      if (set.value === 'separate' && !landed) return breach('eNotLanded', [set.at, e])
      return set.value === 'together' && landed ? breach('eLandedTogether', [set.at, e]) : []
    }),
}

/** An external kit and the thermostat both decide the changeover, or neither does. */
export const inCharge: JobRule<'inCharge', 'bothInCharge' | 'noneInCharge' | 'stageNoInterlock'> = {
  id: 'inCharge',
  scope: 'job',
  severity: 'wrong',
  codes: ['bothInCharge', 'noneInCharge', 'stageNoInterlock'],
  applies: (inst) => hasBurner(inst) && hasIntent('inCharge')(inst),
  find({ inst }) {
    if (!hasBurner(inst)) return []
    const kit = having(inst, 'switchesFuel')[0]
    const relay = having(inst, 'isolates')[0]
    return settingsWith(inst, 'inCharge').flatMap(
      (f): Breach<'bothInCharge' | 'noneInCharge' | 'stageNoInterlock'>[] => {
        const dual = intentOf(f.placed, 'system') === 'dualFuel'
        if (!dual) return []
        if (kit && f.value === 'thermostat') return breach('bothInCharge', [f.at, makeRef(kit.ref, '')])
        if (!kit && f.value === 'kit') return breach('noneInCharge', [f.at])
        return !relay && f.value === 'stage' ? breach('stageNoInterlock', [f.at]) : []
      },
    )
  },
}

/** A thermostat that needs a common and has none, and no battery either. */
export const noPower: JobRule<'noPower', 'noPower'> = {
  id: 'noPower',
  scope: 'job',
  severity: 'wrong',
  codes: ['noPower'],
  applies: (inst) => having(inst, 'onWall').length > 0,
  explains: ['unpowered'],
  find: ({ inst }) =>
    having(inst, 'onWall').flatMap((p) => {
      const needs = p.device.parts.some((x) => x.kind === 'load' && x.does?.what === 'control')
      const [c] = terminalsWith(p, 'C')
      if (!needs || !c || isLanded(inst, c) || p.device.plate.battery) return []
      return breach('noPower', [c])
    }),
}

/** Listed kits are called by round figures: a 9.6 kW kit is the 10 of a list. */
const NOMINAL_SHARE = 0.06

type KitCode = 'kitNotAllowed' | 'kitNotListed' | 'kitOther'
/**
 * The kit that is there is on the air handler's list, and the board is set for it. A plate that was read on site stands over
 * the one that the device ships with; no list says nothing.
 */
export const kitSize: JobRule<'kitSize', KitCode> = {
  id: 'kitSize',
  scope: 'job',
  severity: 'wrong',
  codes: ['kitNotAllowed', 'kitNotListed', 'kitOther'],
  asksSite: true,
  applies: (inst) => having(inst, 'takesKit').length > 0,
  find: ({ inst, plates }) =>
    having(inst, 'takesKit').flatMap((ah): Breach<KitCode>[] => {
      const there = kitWattsAt(inst, ah, plates) / 1000
      const { kits } = { ...ah.device.plate, ...plates[ah.ref] }
      const listed = (kilowatts: number) =>
        !kits?.length || kits.some((k) => Math.abs(k.kilowatts - kilowatts) <= k.kilowatts * NOMINAL_SHARE)
      return [
        ...(there > 0 && !listed(there) ? breach<KitCode>('kitNotListed', [makeRef(ah.ref, '')], there) : []),
        ...ownSettings(ah, 'kitSize').flatMap((f) => {
          const size = Number(f.value)
          if (f.value === null) return []
          if (kits && !kits.some((k) => k.kilowatts === size))
            return breach<KitCode>('kitNotAllowed', [f.at], size)
          return there > 0 && Math.abs(there - size) > size * 0.15
            ? breach<KitCode>('kitOther', [f.at], size, there)
            : []
        }),
      ]
    }),
}

/** A static class below what was measured. */
export const staticClass: JobRule<'staticClass', 'staticBelow'> = {
  id: 'staticClass',
  scope: 'job',
  severity: 'warn',
  codes: ['staticBelow'],
  applies: hasIntent('staticClass'),
  asksSite: true,
  find({ inst, staticInWc: measured }) {
    if (measured === null) return []
    const f = settingsWith(inst, 'staticClass')[0]
    const set = Number(f?.value) / 10
    return f && set > 0 && measured > set ? breach('staticBelow', [f.at], set, measured) : []
  },
}
