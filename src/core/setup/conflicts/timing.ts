import { intentOf, settingsWith } from '../../laws'
import { at, first, numberOf, standing, type Conflict } from './conflict'

/** Δ°F that strips must be kept apart by, on and off, where the profile says nothing else. */
const LEAST_STRIP_GAP = 2

/** Strips that go off no warmer, or hardly warmer, than they come on. */
export const stripHysteresis: Conflict = {
  id: 'stripHysteresis',
  find: ({ inst }) =>
    settingsWith(inst, 'stripOn').flatMap((on) => {
      const off = settingsWith({ ...inst, placed: [on.placed] }, 'stripOff')[0]
      const [a, b] = [numberOf(on.value), numberOf(off?.value)]
      if (a === null || b === null || intentOf(on.placed, 'stripsWithHeatPump') === 'no') return []
      if (b >= a) return at('stripReversed', [off!.at, on.at], a, b)
      return a - b < LEAST_STRIP_GAP ? at('stripTight', [off!.at, on.at], a - b, LEAST_STRIP_GAP) : []
    }),
}

/** The indoor fan stands in defrost while the strips heat. */
export const fanOffInDefrost: Conflict = {
  id: 'fanOffInDefrost',
  find({ inst }) {
    const fan = standing(inst, 'fanInDefrost', 'off')[0]
    const strips = standing(inst, 'stripsInDefrost', 'yes', 'on')[0]
    return fan && strips ? at('fanOffInDefrost', [fan.at, strips.at]) : []
  },
}

/** More cycles an hour than a compressor, an oil or a gas burner stands. */
export const cycles: Conflict = {
  id: 'cycles',
  find({ inst }) {
    const source = first(inst, 'backupSource')?.value
    const most = source === 'oil' ? 3 : source === 'gas' || source === 'lp' ? 6 : Infinity
    return [
      ...settingsWith(inst, 'cyclesHeatPump')
        .filter((f) => (numberOf(f.value) ?? 0) > 3)
        .flatMap((f) => at('cyclesCompressor', [f.at], numberOf(f.value)!, 3)),
      ...settingsWith(inst, 'cyclesBackup')
        .filter((f) => (numberOf(f.value) ?? 0) > most)
        .flatMap((f) => at('cyclesBurner', [f.at], numberOf(f.value)!, most)),
    ]
  },
}

/** A minimum-off below five minutes, and no delay on the outdoor board either. */
export const minimumOff: Conflict = {
  id: 'minimumOff',
  find({ inst }) {
    const board = Math.max(0, ...settingsWith(inst, 'boardMinimumOff').map((f) => numberOf(f.value) ?? 0))
    if (board >= 5) return []
    return settingsWith(inst, 'minimumOff')
      .filter((f) => (numberOf(f.value) ?? 5) < 5)
      .flatMap((f) => at('minimumOffShort', [f.at], numberOf(f.value)!))
  },
}

/** Droop no wider than the differential between stages: backup comes on at every ordinary swing. */
export const droop: Conflict = {
  id: 'droop',
  find: ({ inst }) =>
    settingsWith(inst, 'droop').flatMap((f) => {
      const gap = settingsWith({ ...inst, placed: [f.placed] }, 'stageDifferential')[0]
      const [a, b] = [numberOf(f.value), numberOf(gap?.value)]
      return a !== null && b !== null && a > 0 && a < b ? at('droopTight', [f.at, gap!.at], a, b) : []
    }),
}

/** Early recovery where somebody sleeps at the hour that it starts. */
export const earlyRecovery: Conflict = {
  id: 'earlyRecovery',
  find: ({ inst, answers }) =>
    answers.sleepsByDay === 'yes' || answers.noise === 'yes'
      ? standing(inst, 'earlyRecovery', 'on').flatMap((f) => at('earlyRecoveryWakes', [f.at]))
      : [],
}

/** Range stops or a full lock that keep the start-up tests from being run. */
export const testsBlocked: Conflict = {
  id: 'testsBlocked',
  find({ inst, tested }) {
    if (tested) return []
    return [
      ...standing(inst, 'keypadLock', 'full').flatMap((f) => at('lockBeforeTests', [f.at])),
      ...settingsWith(inst, 'rangeHigh')
        .filter((f) => (numberOf(f.value) ?? 90) < 80)
        .flatMap((f) => at('stopBeforeTests', [f.at], numberOf(f.value)!)),
      ...settingsWith(inst, 'rangeLow')
        .filter((f) => (numberOf(f.value) ?? 50) > 65)
        .flatMap((f) => at('stopBeforeTests', [f.at], numberOf(f.value)!)),
    ]
  },
}
