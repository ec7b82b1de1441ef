import type { Intent } from '../equipment'
import type { Installation, Placed, Ref } from '../installation'
import { intentOf, settingsWith, usualBackupCycles, USUAL_CYCLES } from '../query'
import { breach, hasIntent, numberOf, ownSettings, settingsSetTo } from './breach'
import type { Breach, JobRule } from './rule'

/** Δ°F that strips must be kept apart by, on and off, where the device's plate says nothing else. */
const LEAST_STRIP_GAP = 2

/** Settings with an intent that stand at a number; what is not known is left out. */
const numbersWith = (inst: Installation, intent: Intent): { at: Ref; placed: Placed; value: number }[] =>
  settingsWith(inst, intent).flatMap(({ at, placed, value }) =>
    typeof value === 'number' ? [{ at, placed, value }] : [],
  )

/** Strips that go off no warmer, or hardly warmer, than they come on. */
export const stripHysteresis: JobRule<'stripHysteresis', 'stripReversed' | 'stripTight'> = {
  id: 'stripHysteresis',
  scope: 'job',
  severity: 'wrong',
  codes: ['stripReversed', 'stripTight'],
  applies: hasIntent('stripOn'),
  find: ({ inst }) =>
    numbersWith(inst, 'stripOn').flatMap((on): Breach<'stripReversed' | 'stripTight'>[] => {
      const off = ownSettings(on.placed, 'stripOff')[0]
      const [a, b] = [on.value, numberOf(off?.value)]
      if (!off || b === null || intentOf(on.placed, 'stripsWithHeatPump') === 'no') return []
      if (b > a) return breach('stripReversed', [off.at, on.at], a, b)
      const least = on.placed.device.plate.leastStripGapF ?? LEAST_STRIP_GAP
      return a - b < least ? breach('stripTight', [off.at, on.at], a - b, least) : []
    }),
}

/** The indoor fan stands in defrost while the strips heat. */
export const fanOffInDefrost: JobRule<'fanOffInDefrost', 'fanOffInDefrost'> = {
  id: 'fanOffInDefrost',
  scope: 'job',
  severity: 'wrong',
  codes: ['fanOffInDefrost'],
  applies: hasIntent('fanInDefrost'),
  explains: ['stripsNoBlower'],
  find({ inst }) {
    const fan = settingsSetTo(inst, 'fanInDefrost', 'off')[0]
    const strips = settingsSetTo(inst, 'stripsInDefrost', 'yes', 'on')[0]
    return fan && strips ? breach('fanOffInDefrost', [fan.at, strips.at]) : []
  },
}

/** More cycles an hour than usual for a compressor, a burner or strips. */
export const cycles: JobRule<'cycles', 'cyclesCompressor' | 'cyclesBurner' | 'cyclesStrips'> = {
  id: 'cycles',
  scope: 'job',
  severity: 'warn',
  codes: ['cyclesCompressor', 'cyclesBurner', 'cyclesStrips'],
  applies: hasIntent('cyclesHeatPump', 'cyclesBackup'),
  find({ inst }) {
    const backup = usualBackupCycles(inst)
    return [
      ...numbersWith(inst, 'cyclesHeatPump')
        .filter((f) => f.value > USUAL_CYCLES.compressor)
        .flatMap((f) => breach('cyclesCompressor', [f.at], f.value, USUAL_CYCLES.compressor)),
      ...numbersWith(inst, 'cyclesBackup').flatMap((f) =>
        backup && f.value > backup.most
          ? breach(backup.strips ? 'cyclesStrips' : 'cyclesBurner', [f.at], f.value, backup.most)
          : [],
      ),
    ]
  },
}

/** A minimum-off below five minutes, and no delay on the outdoor board either. */
export const minimumOff: JobRule<'minimumOff', 'minimumOffShort'> = {
  id: 'minimumOff',
  scope: 'job',
  severity: 'warn',
  codes: ['minimumOffShort'],
  applies: hasIntent('minimumOff'),
  find({ inst }) {
    const board = Math.max(0, ...settingsWith(inst, 'boardMinimumOff').map((f) => numberOf(f.value) ?? 0))
    if (board >= 5) return []
    return numbersWith(inst, 'minimumOff')
      .filter((f) => f.value < 5)
      .flatMap((f) => breach('minimumOffShort', [f.at], f.value))
  },
}

/** Droop no wider than the differential between stages: backup comes on at every ordinary swing. */
export const droop: JobRule<'droop', 'droopTight'> = {
  id: 'droop',
  scope: 'job',
  severity: 'warn',
  codes: ['droopTight'],
  applies: hasIntent('droop'),
  find: ({ inst }) =>
    numbersWith(inst, 'droop').flatMap((f) => {
      const gap = ownSettings(f.placed, 'stageDifferential')[0]
      const [a, b] = [f.value, numberOf(gap?.value)]
      return gap && b !== null && a > 0 && a < b ? breach('droopTight', [f.at, gap.at], a, b) : []
    }),
}

/** Early recovery where somebody sleeps at the hour that it starts. */
export const earlyRecovery: JobRule<'earlyRecovery', 'earlyRecoveryWakes'> = {
  id: 'earlyRecovery',
  scope: 'job',
  severity: 'warn',
  codes: ['earlyRecoveryWakes'],
  applies: hasIntent('earlyRecovery'),
  asksSite: true,
  find: ({ inst, answers }) =>
    answers.sleepsByDay === 'yes' || answers.noise === 'yes'
      ? settingsSetTo(inst, 'earlyRecovery', 'on').flatMap((f) => breach('earlyRecoveryWakes', [f.at]))
      : [],
}

/** Range stops or a full lock that keep the start-up tests from being run. */
export const testsBlocked: JobRule<'testsBlocked', 'lockBeforeTests' | 'stopBeforeTests'> = {
  id: 'testsBlocked',
  scope: 'job',
  severity: 'warn',
  codes: ['lockBeforeTests', 'stopBeforeTests'],
  applies: hasIntent('keypadLock', 'rangeHigh', 'rangeLow'),
  asksSite: true,
  find({ inst, tested }) {
    if (tested) return []
    return [
      ...settingsSetTo(inst, 'keypadLock', 'full').flatMap((f) => breach('lockBeforeTests', [f.at])),
      ...numbersWith(inst, 'rangeHigh')
        .filter((f) => f.value < 80)
        .flatMap((f) => breach('stopBeforeTests', [f.at], f.value)),
      ...numbersWith(inst, 'rangeLow')
        .filter((f) => f.value > 65)
        .flatMap((f) => breach('stopBeforeTests', [f.at], f.value)),
    ]
  },
}
