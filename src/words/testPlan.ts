import { hasTrait } from '@/core/equipment'
import type { Ref } from '@/core/installation'
import { placedByRef, splitRef, type Installation } from '@/core/installation'
import type { CardState, OutdoorLook, TestCard, TestStep, Today } from '@/core/startup'
import { INTENT_WORDS } from './intents'
import { CALL_WORDS, lower, refWords } from './names'
import { count, degrees, figure } from './numbers'
import { duration } from './time'

export const CARD_STATE_WORDS: Record<CardState, string> = {
  done: 'Done',
  failed: 'Failed',
  notTestable: 'Not testable',
  waiting: 'Waiting for weather',
}

const OUTDOOR_LOOK_WORDS: Record<OutdoorLook, string> = {
  drainage: 'Defrost water drains away, and freezes on no path and under no unit.',
  snow: 'It stands above the snow that this place gets, and out of what slides off the roof.',
  clearance: 'Room for its air on every side and above, as the maker’s instructions say.',
  panHeater: 'A pan heater, where it has one, warms.',
}

const deviceWords = (inst: Installation, at: Ref): string => {
  const { placed } = splitRef(at)
  return placedByRef(inst, placed)?.label ?? placed
}

/** Whether the outdoor temperature of this device comes from a feed: its own place says nothing of the weather. */
const isFeed = (inst: Installation, at: string): boolean =>
  !hasTrait(placedByRef(inst, splitRef(at).placed)?.device, 'sensesOutdoors')

/** Title of a card: "First-stage heating", "Changeover to the furnace below 35 °F, on its other side". */
export function cardTitle(inst: Installation, card: TestCard): string {
  const named = card.at ? deviceWords(inst, card.at) : ''
  switch (card.kind) {
    case 'supply':
      return 'Supplies and control volts, nothing called'
    case 'sensor':
      return card.at && isFeed(inst, card.at)
        ? `Weather feed of the ${lower(named)} against a thermometer outdoors`
        : `${named} against a thermometer in the shade`
    case 'call':
      return CALL_WORDS[card.situation.call]
    case 'gate':
      return card.intent
        ? `${INTENT_WORDS[card.intent].name}: tried from its other side`
        : refWords(inst, card.at ?? '')
    case 'defrost':
      return card.isForced
        ? `Defrost of the ${lower(named)}, forced on a mild day`
        : `Defrost of the ${lower(named)}`
    case 'minimumOff':
      return 'Minimum off: the compressor waits before it starts again'
    case 'float':
      return `${named}: water high`
    case 'leak':
      return `${named}: leak alarm`
    case 'lowGas':
      return `${named}: low-gas switch`
    case 'outdoors':
      return `Around the ${lower(named)}: drainage, snow, clearance`
  }
}

const DEFROST_SIGNS =
  'The outdoor fan stops, the valve shifts, and the board sends 24 V on W where it is landed.'

/** Instructions for a card, a sentence for each step. */
export function stepWords(inst: Installation, step: TestStep): string {
  switch (step.kind) {
    case 'setpoint': {
      const by = `${step.way === 'raise' ? 'Raise' : 'Lower'} the setpoint to ${degrees(step.byF)} ${step.way === 'raise' ? 'above' : 'below'} the room`
      if (!step.limit) return `${by}.`
      const droop = `the ${step.limit.taken ? 'usual ' : ''}droop of ${degrees(step.limit.droopF)}`
      return step.limit.passes
        ? `${by}: past ${droop}, so that backup is called too.`
        : `${by}: below ${droop}, so that the heat pump comes alone.`
    }
    case 'backupComesToo':
      return `The droop is ${degrees(step.droopF)}: backup is called with it. Read this stage before it comes, or set the droop higher for the test.`
    case 'mode':
      return {
        fan: 'Set the fan to on.',
        emergency: 'Set the system to emergency heat.',
        off: 'Set the system to off.',
      }[step.mode]
    case 'installerTest':
      return `Or by its own test: ${step.text}`
    case 'moveSetting':
      return `Set ${lower(refWords(inst, step.at))} from ${figure(step.was)} to ${figure(step.to)} for the test, and put it back.`
    case 'iceBath':
      return `Hold the bulb of the ${lower(deviceWords(inst, step.at))} in ice water (32 °F) until its contact moves.`
    case 'warmBath':
      return `Hold the bulb of the ${lower(deviceWords(inst, step.at))} in a cup of water at ${degrees(step.forF)} or a little more, with a thermometer beside it: it stands for a warm day.`
    case 'crankcase':
      return step.hours === null
        ? `Before the first start: give the crankcase heater of the ${lower(deviceWords(inst, step.at))}, where it has one, power for as long as its maker says.`
        : `Before the first start: ${figure(step.hours)} h of power on the crankcase heater of the ${lower(deviceWords(inst, step.at))}.`
    case 'forcedSpeed':
      return `For the readings run the ${lower(deviceWords(inst, step.at))} at its forced speed, as its maker says${step.text ? `: ${step.text}` : ''}. An inverter gives only what the load wants, and lighter readings mean nothing.`
    case 'lookOutdoors':
      return OUTDOOR_LOOK_WORDS[step.what]
    case 'resistor':
      return `In place of the ${lower(deviceWords(inst, step.at))} (one lead lifted, and listed) a resistor of about ${count(Math.round(step.ohms / 100) * 100)} Ω: it stands for ${degrees(step.forF)}.`
    case 'forceDefrost': {
      const sped =
        step.speedUp && step.minutes
          ? `Hold the speed-up pins together: ${figure(step.minutes)} min become ${duration((step.minutes * 60) / step.speedUp)}.`
          : 'Force a defrost as the maker says.'
      return `${sped} Let go when the defrost begins. ${DEFROST_SIGNS}`
    }
    case 'jumperCoil':
      return `Turn off the power to the ${lower(deviceWords(inst, step.at))}${hasOwn24(inst, step.at) ? '' : ' and to the indoor unit that feeds its 24 V'}. Test for dead. Jumper the coil thermostat and list the jumper. Turn the power on.`
    case 'jumperCoilOut':
      return 'Turn the power off again and test for dead. Take the jumper out at once: with it in, only the board’s time ends the defrost. Turn the power on. This test doesn’t prove the coil thermostat or the melting. Test those in cold weather.'
    case 'boardDefrostTest':
      return `${step.text ?? 'Force a defrost by the board’s own test, as the manufacturer says.'} Never jumper a thermistor. ${DEFROST_SIGNS}`
    case 'pour':
      return `Lift the float of the ${lower(deviceWords(inst, step.at))}, or pour water into its pan.`
    case 'leakTest':
      return `Trip the ${lower(deviceWords(inst, step.at))} by its maker’s method only.`
    case 'closeGas':
      return `Close the gas valve at the ${lower(deviceWords(inst, step.at))}. Call for heat. Nothing may try to light. Open the valve again and check for leaks. Licensed gas work: follow the manufacturer’s instructions.`
    case 'compareSensor':
      return isFeed(inst, step.at)
        ? `Hold a thermometer outdoors, in the shade. Compare it with the outdoor temperature that the ${lower(deviceWords(inst, step.at))} shows.`
        : `Hold a thermometer beside the ${lower(deviceWords(inst, step.at))}, in the shade, and compare.`
    case 'callOffAndOn':
      return 'Take the call away while the compressor runs, and make it again half a minute later.'
    case 'meterSupply':
      return 'Prove every supply; then read R to C before anything is called.'
  }
}

/** Hazard of a step: everything off and proven dead, 24 V, or line voltage. */
export const STEP_HAZARD: Record<TestStep['kind'], 'dead' | '24V' | 'line' | null> = {
  setpoint: null,
  backupComesToo: null,
  mode: null,
  installerTest: null,
  moveSetting: null,
  iceBath: '24V',
  warmBath: '24V',
  resistor: 'dead',
  forceDefrost: '24V',
  jumperCoil: 'dead',
  jumperCoilOut: 'dead',
  boardDefrostTest: '24V',
  pour: null,
  leakTest: '24V',
  closeGas: null,
  compareSensor: null,
  callOffAndOn: null,
  meterSupply: 'line',
  crankcase: null,
  forcedSpeed: null,
  lookOutdoors: null,
}
export const HAZARD_WORDS = { dead: 'Power off, proven dead', '24V': '24 V', line: 'Line voltage' } as const

/** Why a card has to wait or cannot be; null where it can be tried. */
export function todayWords(inst: Installation, today: Today): string | null {
  if (today.can) return today.brief ? 'Warm outdoors: three minutes at most on the heat pump.' : null
  switch (today.why) {
    case 'tooWarm':
      return `Test it below ${degrees(today.untilF)} outdoors.`
    case 'tooCold':
      return `Test it above ${degrees(today.untilF)} outdoors.`
    case 'settingUnknown':
      return `${refWords(inst, today.at)} is not known: find out on the device first.`
    case 'neverRuns':
      return 'As wired the compressor runs in this call at no temperature: put that right first.'
    case 'heldOff':
      return 'The compressor is held off at this temperature: try it with its lockout moved, or on another day.'
  }
}

/** Whether a unit has a control transformer of its own: nothing else feeds its 24 V. */
const hasOwn24 = (inst: Installation, at: Ref): boolean =>
  placedByRef(inst, splitRef(at).placed)?.device.parts.some((p) => p.kind === 'transformer') ?? false
