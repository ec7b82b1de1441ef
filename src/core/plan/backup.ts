import type { Placed, Ref } from '../installation'
import { defrostOutputs, hasBurner, makesHeatAhead } from '../laws'
import { decided, first, term, terms } from './kinds'
import { compressorNets, inSeries, type Gear, type Through, type Wants } from './gear'

/** Backup heat, and Y as far as the backup decides what stands in it. */
export function backupNets(wants: Wants, gear: Gear): void {
  const { source, indoor, inst } = gear
  const y = term(source, 'Y1')
  if (hasBurner(inst)) return fuelNets(wants, gear, y)
  compressorNets(wants, gear, y, aheadInterlock(wants, gear))
  if (term(indoor, 'W1')) stripNets(wants, gear)
}

const auxOf = (source: Placed): Ref | undefined => term(source, 'AUX', 'W1')

function stripNets(wants: Wants, gear: Gear): void {
  const { inst, source, thermostat, indoor, outdoor } = gear
  const [w1, w2] = [term(indoor, 'W1'), term(indoor, 'W2')]
  const e = term(source, 'E')
  let aux = auxOf(source)
  const lockout = first(inst, 'outdoorThermostat')
  const packaged = indoor === outdoor
  const outs = packaged ? [] : defrostOutputs(outdoor)
  // Heat ahead of the coil holds the compressor off, which defrosts: it cannot temper the air meanwhile.
  const tempered = gear.schools.defrost === 'tempered' && outs.length > 0 && !heatsAhead(indoor)
  if (tempered && thermostat.device.plate.detectsWires === 'yes' && !lockout) {
    // What the defrost output puts on W1 must not reach the terminal that the thermostat feels for wires.
    const relay = gear.relays.shift()
    if (relay && aux) aux = isolated(wants, gear, relay, aux)
    else wants.cannot.push('isolationMissing')
  }
  const back = tempered && !wants.cannot.includes('isolationMissing') ? outs[0] : undefined
  const ownE = packaged ? term(indoor, 'E') : undefined
  if (lockout && (e || ownE)) {
    wants.set(thermostat, 'backupStages', '1')
    wants.set(thermostat, 'auxWithE', 'separate', 'bypass')
    throughSwitch(wants, gear, lockout, aux, w1, back)
    wants.net('E', [e, ownE ?? w2 ?? w1], 'bypass')
    wants.net('W1', [w1, w2], 'jumperW')
    return
  }
  if (lockout) wants.cannot.push('switchNeedsE')
  const second = term(source, 'W2')
  const staged = second !== undefined && w2 !== undefined
  wants.set(thermostat, 'backupStages', staged ? '2' : '1')
  wants.net('W1', [aux, w1])
  if (staged) wants.net('W2', [second, w2])
  else wants.net('W1', [w1, w2], 'jumperW')
  if (back) wants.net('W1', [w1, back], 'tempered')
  emergency(wants, gear, e, aux, staged)
}

/** Emergency heat where nothing stands in the aux path: a jumper where one path serves both, else the setting. */
function emergency(wants: Wants, gear: Gear, e: Ref | undefined, aux: Ref | undefined, staged: boolean) {
  if (!e) return
  const setting = decided(gear.thermostat, 'auxWithE')
  if (gear.schools.emergency === 'jumper' && !staged) {
    wants.set(gear.thermostat, 'auxWithE', 'separate')
    wants.net('E', [auxOf(gear.source) ?? aux, e], 'jumperE')
  } else if (setting) wants.set(gear.thermostat, 'auxWithE', 'together')
  else wants.net('E', [e, auxOf(gear.source) ?? aux], 'jumperE')
}

/** Aux through the outdoor thermostat; the defrost output joins downstream of it, or defrosts run cold above it. */
function throughSwitch(
  wants: Wants,
  { outdoor }: Gear,
  lockout: Placed,
  aux: Ref | undefined,
  w1: Ref | undefined,
  back: Ref | undefined,
): void {
  const [ends] = inSeries(lockout, 'auxThroughSwitch')
  const pins = terms(outdoor, 'switch')
  const windowIn = terms(outdoor, 'W1').find((t) => !defrostOutputs(outdoor).includes(t))
  if (pins.length === 2 && windowIn && back) {
    wants.net('AUX', [aux, windowIn], 'auxThroughSwitch')
    wants.net('switch', [pins[0], ends?.in], 'auxThroughSwitch')
    wants.net('switch', [ends?.out, pins[1]], 'auxThroughSwitch')
    wants.net('W1', [back, w1], 'temperedReturn')
    return
  }
  wants.net('AUX', [aux, ends?.in], 'auxThroughSwitch')
  wants.net(
    'W1',
    back ? [ends?.out, back, w1] : [ends?.out, w1],
    back ? 'temperedReturn' : 'auxThroughSwitch',
  )
}

/** A call taken over by a relay's dry contact: the coil on the call, R through the contact. Returns the contact's far end. */
function isolated(wants: Wants, { indoor }: Gear, relay: Placed, call: Ref): Ref | undefined {
  const [coil, com, no] = relayEnds(relay)
  wants.net('AUX', [call, coil], 'isolated')
  wants.net('C', [term(relay, 'C'), term(indoor, 'C')])
  wants.net('R', [term(indoor, 'R'), com], 'isolated')
  return no
}

/** Coil, common, normally open, normally closed: by the order of a relay's switch terminals. */
const relayEnds = (relay: Placed): (Ref | undefined)[] => terms(relay, 'switch')

const heatsAhead = (indoor: Placed): boolean =>
  indoor.device.parts.some((x) => x.kind === 'load' && makesHeatAhead(indoor, x))

/** Strips ahead of the coil (an electric furnace): the compressor's Y goes through a normally closed contact. */
function aheadInterlock(wants: Wants, gear: Gear): Through[] {
  const { indoor } = gear
  if (!heatsAhead(indoor)) return []
  const relay = gear.relays.shift()
  if (!relay) {
    wants.cannot.push('interlockMissing')
    return []
  }
  return [interlock(wants, gear, relay, term(indoor, 'W1'))]
}

function interlock(wants: Wants, { indoor }: Gear, relay: Placed, w: Ref | undefined): Through {
  const [coil, com, , nc] = relayEnds(relay)
  wants.net('W1', [w, coil], 'interlock')
  wants.net('C', [term(relay, 'C'), term(indoor, 'C')])
  return { in: com, out: nc, why: 'interlock' }
}

/** A furnace: never with the compressor, by the thermostat, by a kit, or by an interlock relay. */
function fuelNets(wants: Wants, gear: Gear, y: Ref | undefined): void {
  const { inst, source, thermostat, indoor, outdoor, schools } = gear
  const aux = auxOf(source)
  let burn = term(indoor, 'W1')
  if (!burn && terms(indoor, 'switch').length === 2) {
    // An oil primary has a power source of its own and takes a dry contact only.
    const relay = gear.relays.shift()
    if (!relay) wants.cannot.push('isolationMissing')
    else {
      const [coil, com, no] = relayEnds(relay)
      burn = coil
      wants.net('C', [term(relay, 'C'), term(indoor, 'C')])
      wants.net('switch', [com, terms(indoor, 'switch')[0]], 'dryContact')
      wants.net('switch', [no, terms(indoor, 'switch')[1]], 'dryContact')
    }
  }
  const kit = first(inst, 'fuelKit')
  if (schools.fuel === 'kit' && kit) {
    const [yIn, yOut] = terms(kit, 'Y1')
    const [wIn, wOut] = terms(kit, 'W1')
    wants.net('R', [term(indoor, 'R'), term(kit, 'R')])
    wants.net('C', [term(indoor, 'C'), term(kit, 'C')])
    wants.net('W1', [aux, wIn], 'fuelKit')
    wants.net('W1', [wOut, burn], 'fuelKit')
    wants.set(thermostat, 'system', 'heatPump', 'fuelKit')
    compressorNets(wants, gear, y, [{ in: yIn, out: yOut, why: 'fuelKit' }])
  } else if (schools.fuel === 'stage' || !decided(thermostat, 'system')) {
    if (schools.fuel === 'kit') wants.cannot.push('kitMissing')
    const through: Through[] = []
    const relay = gear.relays.shift()
    if (relay) through.push(interlock(wants, gear, relay, burn))
    else if (indoor !== outdoor) wants.cannot.push('interlockMissing')
    const air = inSeries(first(inst, 'airThermostat'), 'airFirst')
    if (!air.length && indoor !== outdoor) wants.cannot.push('airMissing')
    wants.net('W1', [aux, burn])
    compressorNets(wants, gear, y, [...through, ...air])
  } else {
    if (schools.fuel === 'kit') wants.cannot.push('kitMissing')
    wants.set(thermostat, 'system', 'dualFuel')
    wants.net('W1', [aux, burn])
    const second = term(source, 'W2')
    const staged = second !== undefined && term(indoor, 'W2') !== undefined
    wants.set(thermostat, 'backupStages', staged ? '2' : '1')
    if (staged) wants.net('W2', [second, term(indoor, 'W2')])
    if (!first(inst, 'outdoorSensor')) wants.set(thermostat, 'outdoorSource', 'feed', 'sensor')
    compressorNets(wants, gear, y, [])
  }
  emergency(wants, { ...gear, schools: { ...schools, emergency: 'setting' } }, term(source, 'E'), aux, true)
}
