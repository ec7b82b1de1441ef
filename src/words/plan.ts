import type { Trait } from '@/core/equipment'
import { having } from '@/core/query'
import { makeRef, type Installation } from '@/core/installation'
import type { Unmet, Difference, Plan, PlanSetting, PlanWhy, Remedy } from '@/core/plan'
import { valueAtText } from './intents'
import { lower, refWords } from './names'

const WHY_WORDS: Record<PlanWhy, string> = {
  bypass: 'emergency heat goes past the outdoor thermostat, straight to the heat relay',
  auxThroughSwitch: 'aux goes through the outdoor thermostat',
  tempered: 'the outdoor unit’s defrost output: strips temper each defrost',
  temperedReturn: 'back from the outdoor thermostat; the defrost output joins here, downstream of it',
  jumperY: 'one stage on a board with two speeds: both inputs, so that it gets its full air',
  jumperW: 'one call for both banks: without it part of the kit never heats',
  jumperE: 'one path for aux and emergency',
  jumperR: 'one transformer: Rc and Rh are one',
  isolated: 'the relay keeps the defrost output off a terminal that the thermostat feels for wires',
  interlock: 'opens Y while the heat calls: never both',
  airFirst: 'Y waits until the furnace has cooled',
  fuelKit: 'the fossil fuel kit decides between heat pump and furnace',
  dryContact: 'the oil primary takes a dry contact, never 24 V from outside',
  float: 'high water opens Y and leaves the thermostat its power',
  monitor: 'bad line voltage opens Y',
  leak: 'an alarm opens the leak input',
  bus: 'the communicating bus; no 24 V calls',
  sensor: 'the outdoor sensor’s pair',
  zone: 'the zone’s call into the panel',
  oldCommon: 'on this thermostat this letter is the common',
  pair: 'the sender and receiver pair carries two calls on one conductor',
  fanRelay: 'the relay runs the blower: on Y through its closed contact, on W from R',
}
export const whyWords = (why: PlanWhy): string => WHY_WORDS[why]

const UNMET_WORDS: Record<Unmet, string> = {
  noThermostat: 'There is no thermostat yet.',
  noEquipment: 'There is no indoor or outdoor unit yet.',
  switchNeedsE:
    'This thermostat has no E of its own: an outdoor thermostat in the aux path would hold emergency heat off. It is left out of the path.',
  switchOnBus:
    'The calls go over the bus: an outdoor thermostat has none to open. It is left out; the controller’s own lockout is what holds strips off.',
  kitMissing: 'There is no fossil fuel kit in the gear.',
  interlockMissing: 'Nothing keeps compressor and heat apart: an interlock relay is missing.',
  airMissing: 'No coil-entering-air thermostat: the compressor could start into hot air.',
  isolationMissing:
    'This needs an isolation relay that is not in the gear: a thermostat that feels for its wires must not see the defrost output, and an oil primary takes a dry contact only. It is left off.',
  leakMissing:
    'The air handler’s board waits for a refrigerant leak sensor, and none is in the gear: without one it takes it that there is a leak.',
  stageMissing: 'The outdoor unit has two stages and this thermostat calls one: the second never runs.',
  fanMissing:
    'This thermostat leaves the fan to the equipment when backup heats, and nothing here starts it: strips would heat without air.',
  weakInput:
    'A coil or input would be left between on and off: what feeds it shares its volts with something else (a thermostat without C feeds itself through Y).',
  transformerSmall: 'All of it together asks more of the control transformer than it is rated for.',
  senseMissing: 'The thermostat has no terminal for this outdoor unit’s reversing valve.',
}
export const unmetWords = (c: Unmet): string => UNMET_WORDS[c]

/** Effect of each remedy for a short cable, and its cost. */
const REMEDY_WORDS: Record<Remedy, string> = {
  pair: 'Land two calls on the sender and receiver pair. They share one conductor. Use only loads that its manufacturer lists.',
  jumperStages: 'Jumper W1 to W2 at the indoor unit. This gives up staging of the backup.',
  noSensor: 'Use a weather feed or a wireless sensor. This gives up the wired outdoor sensor.',
  tieFan: 'Tie G to Y at the indoor unit. This gives up fan only.',
  fanRelay:
    'Land a relay at the indoor unit: coil on W1, COM on G, NC on Y, NO on R. This gives up fan only.',
  oneStage: 'Leave Y2 off. This gives up the second compressor stage.',
}

/** Parts that the job lacks and that would save a conductor, the one that gives up least first. */
function wouldHelp(inst: Installation, plan: Plan): string[] {
  const has = (trait: Trait) => having(inst, trait).length > 0
  return [
    ...(has('sendsOnPair') && has('receivesOnPair')
      ? []
      : ['Or add a call sender and receiver to the job: they put two calls on one conductor.']),
    ...(plan.short.length && !has('isolates') && !plan.gaveUp.includes('tieFan')
      ? ['Or add a relay to the job: at the indoor unit it runs the blower without G.']
      : []),
  ]
}

/** The plan in one sentence: what is short first, then what the gear cannot give, then what is left. */
export function planSentence(inst: Installation, plan: Plan): string {
  const name = (id: string) => inst.cables.find((c) => c.id === id)?.label ?? id
  const remedies = plan.gaveUp.map((r) => REMEDY_WORDS[r])
  const apart = [...new Set(plan.apart.map((places) => [...places].sort().join(' and ')))]
  const noCable = apart.map(
    (places) => `No control cable joins ${places}. Add one, or correct where each device is.`,
  )
  if (plan.short.length || apart.length)
    return [
      ...noCable,
      ...plan.short.map((s) => `${name(s.cable)} is short of ${s.by} conductor${s.by === 1 ? '' : 's'}.`),
      ...(plan.notLanded.length ? [`Not landed: ${plan.notLanded.join(', ')}.`] : []),
      ...remedies,
      ...(plan.short.length ? ['Best: pull a cable with more conductors.', ...wouldHelp(inst, plan)] : []),
    ].join(' ')
  if (remedies.length)
    return [
      'It fits this way.',
      ...remedies,
      'Better: pull a cable with more conductors.',
      ...wouldHelp(inst, plan),
    ].join(' ')
  const spares = plan.spares.map((s) => `${s.left} spare in the ${lower(name(s.cable))}`)
  const left = spares.length ? `: ${spares.join(', ')}.` : '.'
  const lacks = plan.unmet.length
  if (!lacks) return `Everything fits${left}`
  return `${lacks === 1 ? 'One thing is' : `${lacks} things are`} beyond this gear. The conductors fit${left}`
}

export function planSettingWords(inst: Installation, s: PlanSetting): string {
  const placed = inst.placed.find((p) => p.ref === s.placed)
  const def = placed?.device.settings.find((d) => d.id === s.setting)
  const value = valueAtText(inst, makeRef(s.placed, s.setting), s.value)
  const why = s.why === 'follows' ? '' : `: ${WHY_WORDS[s.why]}`
  return `Set ${placed?.label ?? s.placed}, ${lower(def?.label ?? s.setting)}, to ${value}${why}`
}

/** A difference between the landed wires and the plan. */
export function differenceWords(found: Installation, plan: Installation, d: Difference): string {
  switch (d.kind) {
    case 'missing':
      return `Missing: ${refWords(plan, d.a)} to ${refWords(plan, d.b)}`
    case 'extra':
      return `Not in the plan: the ${refWords(found, `wires.${d.wire.id}`)}, ${refWords(found, d.wire.a ?? '')} to ${refWords(found, d.wire.b ?? '')}`
    case 'moved':
      return `On the wrong terminal: the ${refWords(found, `wires.${d.wire.id}`)} is on ${refWords(found, d.from)}, the plan has ${refWords(plan, d.to)}`
    case 'swapped':
      return `Swapped: ${refWords(found, d.at[0])} and ${refWords(found, d.at[1])}`
  }
}
