import type { Intent, Setting, Value } from '@/core/equipment'
import { placedByRef, settingDef, splitRef, type Installation, type Name } from '@/core/installation'
import type { IntentGroup } from '@/core/setup'
import { figure } from './numbers'

export const GROUP_WORDS: Record<IntentGroup, string> = {
  heat: 'Who heats when',
  comfort: 'Comfort',
  protection: 'Protection',
  defrost: 'Defrost',
  air: 'Air',
  owner: 'The owner’s preferences',
  reminders: 'Reminders',
}

/** Each intent as a technician says it; what it does, as an owner would follow; what to do where no device can. */
export const INTENT_WORDS: Record<Intent, { name: string; does: string; instead?: string }> = {
  system: { name: 'Kind of system', does: 'Tells the thermostat whether the backup is electric heat or a furnace.' },
  backupSource: { name: 'Backup heat is', does: 'Which fuel the backup burns, so that it is cycled and shown rightly.' },
  inCharge: { name: 'Who decides the changeover', does: 'Which device switches from heat pump to furnace.', instead: 'The wiring decides: see the interlock on the Bench.' },
  compressorStages: { name: 'Compressor stages', does: 'How many steps the heat pump is run in.' },
  backupStages: { name: 'Backup stages', does: 'How many steps the backup is brought on in.' },
  rvSense: { name: 'Reversing valve energised in', does: 'Set wrong, the house is cooled when it asks for heat.', instead: 'Land O or B as the outdoor unit asks.' },
  together: { name: 'Heat pump and backup together', does: 'Whether both may heat at once; never with a furnace under the coil.' },
  outdoorSource: { name: 'Outdoor temperature from', does: 'How the thermostat knows how cold it is.', instead: 'An outdoor thermostat in the aux circuit.' },
  sourceLost: { name: 'When that is lost', does: 'What heats the house while nobody knows how cold it is.' },
  useCompressorLockout: { name: 'Compressor lockout', does: 'Whether the heat pump rests in great cold.', instead: 'An outdoor thermostat in the Y circuit.' },
  compressorLockout: { name: 'Compressor held off below', does: 'Colder than this the backup heats alone.', instead: 'An outdoor thermostat in the Y circuit.' },
  useAuxLockout: { name: 'Aux lockout', does: 'Whether the backup is held off in mild weather, to save.', instead: 'An outdoor thermostat in the aux circuit.' },
  auxLockout: { name: 'Aux held off above', does: 'Warmer than this the heat pump heats alone.', instead: 'An outdoor thermostat in the aux circuit.' },
  changeover: { name: 'Changeover to the furnace below', does: 'Colder than this the furnace heats, warmer the heat pump.', instead: 'A fossil fuel kit, or stages with an interlock.' },
  outdoorSwitch: { name: 'Outdoor thermostat closes below', does: 'Warmer than this the backup stays off, emergencies excepted.', instead: 'An aux lockout at a thermostat that knows how cold it is.' },
  auxWithE: { name: 'AUX in emergency heat', does: 'Whether emergency heat drives the AUX terminal too.', instead: 'A jumper from AUX to E, where one path serves both.' },
  stripsWithHeatPump: { name: 'Strips with the heat pump', does: 'Whether electric heat may help while the heat pump runs.' },
  stripOn: { name: 'Strips on below setpoint by', does: 'How cold a room may get before electric heat helps.' },
  stripOff: { name: 'Strips off below setpoint by', does: 'When electric heat stops helping.' },
  kitSize: { name: 'Strip kit set on the board', does: 'Tells the board which kit it has, so that it moves enough air.' },
  boardDelay: { name: 'Board delay before backup', does: 'How long the board waits before it lets backup on.', instead: 'The upstage timer of the thermostat.' },
  faultHeat: { name: 'Backup heat on a heat pump fault', does: 'Whether the house is heated by backup when the heat pump has stopped itself.', instead: 'Show the owner emergency heat.' },
  selector: { name: '24 V or communicating', does: 'Which kind of wires the device listens to; wrong, it is dead or damaged.' },
  valveHold: { name: 'Reversing valve after cooling', does: 'Whether the valve rests or stays; both are right.' },
  droop: { name: 'Backup droop', does: 'How far the room may fall before backup helps: wider saves, narrower is steadier.', instead: 'The stage differential.' },
  upstageTimer: { name: 'Backup by time', does: 'Brings backup on after so long, whatever the room does.' },
  stageDifferential: { name: 'Differential between stages', does: 'How far apart the stages come on.' },
  cyclesHeatPump: { name: 'Heat pump cycles an hour', does: 'How often the heat pump may start; fewer starts wear it less.', instead: 'The minimum-off time.' },
  cyclesBackup: { name: 'Backup cycles an hour', does: 'How often the backup may start.' },
  earlyRecovery: { name: 'Early recovery', does: 'Starts before the set hour, so that the room is warm by then; it may be heard before waking.' },
  autoChangeover: { name: 'Heat and cool by itself', does: 'Changes between heating and cooling without being asked.' },
  deadBand: { name: 'Dead band', does: 'How far heating and cooling stay apart.' },
  indoorSensor: { name: 'Indoor temperature from', does: 'Where the room is felt.' },
  minimumOff: { name: 'Compressor minimum off', does: 'A rest before each start, which the compressor needs.', instead: 'The delay of the outdoor board.' },
  boardMinimumOff: { name: 'Outdoor board’s minimum off', does: 'The same rest, kept by the outdoor unit itself.', instead: 'The thermostat’s minimum off.' },
  powerRestart: { name: 'After a power failure', does: 'Whether the heat comes back by itself.' },
  defrostInterval: { name: 'Defrost interval', does: 'How long the outdoor unit runs before it looks for frost.' },
  earlyDefrost: { name: 'Early defrost', does: 'Looks for frost sooner, for cold humid places.' },
  longDefrost: { name: 'Long defrost', does: 'Melts for longer, for cold humid places.' },
  stripsInDefrost: { name: 'Strips in defrost', does: 'Keeps the air warm for the few minutes of a defrost.', instead: 'Land the outdoor unit’s W, or leave it off.' },
  fanInDefrost: { name: 'Indoor fan in defrost', does: 'Whether air moves while the unit melts its frost; with strips it must.' },
  capacityDrift: { name: 'Capacity drift', does: 'Lets the inverter follow what the house has needed.' },
  boost: { name: 'Boost', does: 'Lets the inverter run beyond its rating for a while.' },
  fanWithBackup: { name: 'Fan in emergency heat', does: 'Who starts the blower: the thermostat, or the equipment by itself.' },
  fanOverrunHeat: { name: 'Fan overrun in heating', does: 'Uses the warmth that is left in the coil.' },
  fanOverrunCool: { name: 'Fan overrun in cooling', does: 'Uses the cold that is left; in damp air it gives moisture back.' },
  staticClass: { name: 'Static pressure class', does: 'How hard the blower must work against the ducts.' },
  airflowTap: { name: 'Airflow tap', does: 'How much air the heat pump gets.' },
  fanOffDelay: { name: 'Blower off delay', does: 'How long the blower runs on after heat.' },
  furnaceHoldOff: { name: 'Heat pump waits after the furnace', does: 'The compressor starts only when the air out of the furnace has cooled.', instead: 'A coil-entering-air thermostat in the compressor’s circuit.' },
  coldBlowDelay: { name: 'Anti-cold-blow delay', does: 'The fan waits until the coil is warm.' },
  rangeLow: { name: 'Lowest setpoint in cooling', does: 'Nobody can set it colder.' },
  rangeHigh: { name: 'Highest setpoint in heating', does: 'Nobody can set it warmer.' },
  keypadLock: { name: 'Keypad lock', does: 'How much the keys can change.' },
  displayOffset: { name: 'Display offset', does: 'Shows warmer or colder, to agree with another thermometer.' },
  scale: { name: 'Temperature scale', does: '°F or °C.' },
  clock: { name: 'Clock', does: '12 or 24 hours.' },
  daylightSaving: { name: 'Daylight saving', does: 'Moves its clock by itself.' },
  schedule: { name: 'Schedule', does: 'Which days have their own hours.' },
  periods: { name: 'Periods a day', does: 'How often a day the setpoint changes.' },
  filterReminder: { name: 'Filter reminder', does: 'When it asks for a filter.', instead: 'A date on the filter and in the owner’s calendar.' },
  padReminder: { name: 'Humidifier pad reminder', does: 'When it asks for a pad.' },
  lampReminder: { name: 'Lamp reminder', does: 'When it asks for a lamp.' },
  coil: { name: 'Indoor coil', does: 'Where the coil stands.' },
  gasSwitch: { name: 'Low-gas-pressure switch', does: 'Where the switch stands.' },
  fuel: { name: 'Fuel', does: 'What the furnace burns.' },
  airPosition: { name: 'Where the air thermostat sits', does: 'Ahead of the coil or after it.' },
} // prettier-ignore

/** States that Gate Cross calculates nothing from a setting, or from its present option, and why; null: it does. */
export function inertWords({ inert, options }: Setting, value: Value | null): string | null {
  const why = inert ?? options?.find((o) => o.id === value)?.inert
  return why ? `Gate Cross doesn't model this. ${why}` : null
}

/** A setting's value as a person says it. */
export function settingText(setting: Setting, value: Value | null): string {
  if (value === null) return 'not known'
  const option = setting.options?.find((o) => o.id === value)
  if (option) return option.label
  const unit = setting.unit === 'Δ°F' ? '°F' : setting.unit === '1/h' ? 'an hour' : setting.unit
  return `${typeof value === 'number' ? figure(value) : value}${unit ? ` ${unit}` : ''}`
}

/** The same where only the setting's place is known ("tstat.droop"). */
export function valueAtText(inst: Installation, at: Name, value: Value | null): string {
  const { placed: ref, id } = splitRef(at)
  const placed = placedByRef(inst, ref)
  const setting = placed && settingDef(placed, id)
  return setting ? settingText(setting, value) : String(value)
}

/** A value's meaning for the owner; null where there is nothing to say. */
export function ownerSentence(intent: Intent, setting: Setting, value: Value | null): string | null {
  if (value === null) return null
  const text = settingText(setting, value)
  const n = Number(value)
  switch (intent) {
    case 'droop':
      return n === 0
        ? 'Backup heat helps as soon as the room falls: steadiest, and dearest.'
        : `Backup heat helps only when the room is ${text} below what you set${n >= 3 ? ': cheaper, and a little less steady' : ''}.`
    case 'compressorLockout':
      return `Colder than ${text} outside, the backup heats alone.`
    case 'auxLockout':
      return `Warmer than ${text} outside, the backup stays off and the heat pump heats alone, which is cheaper.`
    case 'outdoorSwitch':
      return `Warmer than ${text} outside, the electric backup stays off, except in emergency heat.`
    case 'changeover':
      return `Below ${text} outside the furnace heats; above it the heat pump does.`
    case 'earlyRecovery':
      return value === 'on'
        ? 'It starts early, so that the room is warm at the hour you set. You may hear it before then.'
        : 'It starts at the hour you set, and the room is warm a while later.'
    case 'stripsInDefrost':
      return value === 'yes' || value === 'on'
        ? 'Every hour or two in frosty weather the outdoor unit melts its ice for some minutes; the air stays warm meanwhile.'
        : 'Every hour or two in frosty weather the outdoor unit melts its ice for some minutes; the air is cool meanwhile, which saves electricity.'
    case 'keypadLock':
      return value === 'none' ? null : `The keys are locked: ${text.toLowerCase()}.`
    case 'rangeHigh':
      return `It cannot be set warmer than ${text}.`
    case 'rangeLow':
      return `It cannot be set colder than ${text} in cooling.`
    case 'displayOffset':
      return n === 0 ? null : `It shows ${figure(Math.abs(n))} °F ${n > 0 ? 'warmer' : 'colder'} than it feels, to agree with your own thermometer.`
    case 'filterReminder':
      return n === 0 ? null : `It asks for a new filter every ${n === 1 ? 'month' : `${figure(n)} months`}.`
    case 'faultHeat':
      return value === 'on' ? 'Should the outdoor unit stop on a fault, the backup heats the house by itself.' : 'Should the outdoor unit stop on a fault, switch to emergency heat and call us.'
    case 'minimumOff':
      return n > 0 ? `After it stops, the heat pump waits ${text.replace('min', 'minutes')} before it starts again. That is no fault.` : null
    default:
      return null
  }
} // prettier-ignore
