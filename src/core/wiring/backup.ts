import { aheadTargets, defrostOutputs, hasBurner, makesHeatAhead, having } from '../query'
import type { Placed, Ref } from '../installation'
import { decided, firstWith, term, terms } from './kinds'
import { compressorNets, inSeries, type Gear, type Through, type Requirements } from './gear'

/** Backup heat, and Y as far as the backup decides what stands in it. */
export function backupNets(requirements: Requirements, gear: Gear): void {
  const { source, indoor, inst } = gear
  const y = term(source, 'Y1')
  if (hasBurner(inst)) return fuelNets(requirements, gear, y)
  compressorNets(requirements, gear, y, aheadInterlock(requirements, gear))
  if (term(indoor, 'W1')) stripNets(requirements, gear)
}

const auxOf = (source: Placed): Ref | undefined => term(source, 'AUX', 'W1')

function stripNets(requirements: Requirements, gear: Gear): void {
  const { inst, source, thermostat, indoor, outdoor } = gear
  const [w1, w2] = [term(indoor, 'W1'), term(indoor, 'W2')]
  const e = term(source, 'E')
  let aux = auxOf(source)
  const lockout = firstWith(inst, 'outdoorSwitch')
  const packaged = indoor === outdoor
  const outs = packaged ? [] : defrostOutputs(outdoor)
  // Heat ahead of the coil holds the compressor off, which defrosts: it cannot temper the air meanwhile.
  const tempered = gear.practice.defrost === 'tempered' && outs.length > 0 && !heatsAhead(indoor)
  if (tempered && thermostat.device.plate.detectsWires && !lockout) {
    // Volts from the defrost output on W1 must not reach a terminal that the thermostat checks for wires.
    const relay = gear.relays.shift()
    if (relay && aux) aux = isolated(requirements, gear, relay, aux)
    else requirements.unmet.push('isolationMissing')
  }
  const back = tempered && !requirements.unmet.includes('isolationMissing') ? outs[0] : undefined
  const ownE = packaged ? term(indoor, 'E') : undefined
  if (lockout && e) {
    requirements.set(thermostat, 'backupStages', '1')
    requirements.set(thermostat, 'auxWithE', 'separate', 'bypass')
    throughSwitch(requirements, gear, lockout, aux, w1, back)
    requirements.net('E', [e, ownE ?? w2 ?? w1], 'bypass')
    requirements.net('W1', [w1, w2], 'jumperW')
    return
  }
  if (lockout) requirements.unmet.push('switchNeedsE')
  const second = term(source, 'W2')
  const staged = second !== undefined && w2 !== undefined && secondBank(gear)
  requirements.set(thermostat, 'backupStages', staged ? '2' : '1')
  requirements.net('W1', [aux, w1])
  if (staged) requirements.net('W2', [second, w2])
  else requirements.net('W1', [w1, w2], 'jumperW')
  if (back) requirements.net('W1', [w1, back], 'tempered')
  emergency(requirements, gear, aux, staged)
}

/** Whether anything stands on the second heat input: a kit of one row has nothing to bring on there. */
const secondBank = ({ inst }: Gear): boolean => {
  const kits = having(inst, 'addsStrips')
  const calls = (k: Placed) => k.device.terminals.filter((t) => t.side === 'low' && t.role !== 'C').length
  return !kits.length || kits.some((k) => calls(k) > 1)
}

/** Emergency heat where nothing stands in the aux path: a jumper where one path serves both, else the setting. */
function emergency(requirements: Requirements, gear: Gear, aux: Ref | undefined, staged: boolean): void {
  // Behind a panel that knows no E the thermostat must send its emergency calls down AUX.
  const from = term(gear.source, 'E') ? gear.source : gear.thermostat
  const e = term(from, 'E')
  if (!e) return
  const along = auxOf(from) ?? aux
  const setting = decided(gear.thermostat, 'auxWithE')
  if (gear.practice.emergency === 'jumper' && !staged) {
    requirements.set(gear.thermostat, 'auxWithE', 'separate')
    requirements.net('E', [along, e], 'jumperE')
  } else if (setting) requirements.set(gear.thermostat, 'auxWithE', 'together')
  else requirements.net('E', [e, along], 'jumperE')
}

/** Aux through the outdoor thermostat; the defrost output joins downstream of it, or defrosts run cold above it. */
function throughSwitch(
  requirements: Requirements,
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
    requirements.net('AUX', [aux, windowIn], 'auxThroughSwitch')
    requirements.net('switch', [pins[0], ends?.in], 'auxThroughSwitch')
    requirements.net('switch', [ends?.out, pins[1]], 'auxThroughSwitch')
    requirements.net('W1', [back, w1], 'temperedReturn')
    return
  }
  requirements.net('AUX', [aux, ends?.in], 'auxThroughSwitch')
  requirements.net(
    'W1',
    back ? [ends?.out, back, w1] : [ends?.out, w1],
    back ? 'temperedReturn' : 'auxThroughSwitch',
  )
}

/** A call taken over by a relay's dry contact: the coil on the call, R through the contact. Returns the contact's far end. */
function isolated(requirements: Requirements, { indoor }: Gear, relay: Placed, call: Ref): Ref | undefined {
  const [coil, com, no] = relayEnds(relay)
  requirements.net('AUX', [call, coil], 'isolated')
  requirements.net('C', [term(relay, 'C'), term(indoor, 'C')])
  requirements.net('R', [term(indoor, 'R'), com], 'isolated')
  return no
}

/** Coil, common, normally open, normally closed: by the order of a relay's switch terminals. */
const relayEnds = (relay: Placed): (Ref | undefined)[] => terms(relay, 'switch')

const heatsAhead = (indoor: Placed): boolean =>
  indoor.device.parts.some((x) => x.kind === 'load' && makesHeatAhead(indoor, x))

/** Strips ahead of the coil (an electric furnace): the compressor's Y goes through a normally closed contact. */
function aheadInterlock(requirements: Requirements, gear: Gear): Through[] {
  const { indoor } = gear
  if (!heatsAhead(indoor)) return []
  const relay = gear.relays.shift()
  if (!relay) {
    requirements.unmet.push('interlockMissing')
    return []
  }
  return [interlock(requirements, gear, relay, term(indoor, 'W1'))]
}

function interlock(requirements: Requirements, { indoor }: Gear, relay: Placed, w: Ref | undefined): Through {
  const [coil, com, , nc] = relayEnds(relay)
  requirements.net('W1', [w, coil], 'interlock')
  requirements.net('C', [term(relay, 'C'), term(indoor, 'C')])
  return { in: com, out: nc, why: 'interlock' }
}

/** Minutes after a burner has stopped until its furnace no longer heats the air: longer than its blower's off-delay. */
const FURNACE_COOLS_MIN = 5

/**
 * Prevents a compressor start into hot furnace air: by a coil-entering-air thermostat where there is one, else by the
 * changeover device's own delay; with neither, a finding says so.
 */
function coolDown(requirements: Requirements, { inst }: Gear, decider: Placed): Through[] {
  if (aheadTargets(inst).length === 0) return []
  const air = inSeries(firstWith(inst, 'feelsEnteringAir'), 'airFirst')
  if (air.length) return air
  const holdOff = decided(decider, 'furnaceHoldOff')
  if (holdOff) {
    if (!(typeof holdOff.value === 'number' && holdOff.value > 0))
      requirements.set(decider, 'furnaceHoldOff', FURNACE_COOLS_MIN)
  } else if (!decider.device.plate.plenumSensor) requirements.unmet.push('airMissing')
  return []
}

/** A single call for a two-stage furnace: both inputs, or high fire never comes. */
function oneStage(requirements: Requirements, { thermostat, indoor }: Gear, burn: Ref | undefined): void {
  requirements.set(thermostat, 'backupStages', '1')
  requirements.net('W1', [burn, term(indoor, 'W2')], 'jumperW')
}

/** A furnace: never with the compressor, by the thermostat, by a kit, or by an interlock relay. */
function fuelNets(requirements: Requirements, gear: Gear, y: Ref | undefined): void {
  const { inst, source, thermostat, indoor, outdoor, practice } = gear
  const aux = auxOf(source)
  let burn = term(indoor, 'W1')
  if (!burn && terms(indoor, 'switch').length === 2) {
    // An oil primary has a power source of its own and takes a dry contact only.
    const relay = gear.relays.shift()
    if (!relay) requirements.unmet.push('isolationMissing')
    else {
      const [coil, com, no] = relayEnds(relay)
      burn = coil
      requirements.net('C', [term(relay, 'C'), term(indoor, 'C')])
      requirements.net('switch', [com, terms(indoor, 'switch')[0]], 'dryContact')
      requirements.net('switch', [no, terms(indoor, 'switch')[1]], 'dryContact')
    }
  }
  const kit = firstWith(inst, 'switchesFuel')
  if (practice.fuel === 'kit' && kit) {
    const [yIn, yOut] = terms(kit, 'Y1')
    const [wIn, wOut] = terms(kit, 'W1')
    requirements.net('R', [term(indoor, 'R'), term(kit, 'R')])
    requirements.net('C', [term(indoor, 'C'), term(kit, 'C')])
    requirements.net('W1', [aux, wIn], 'fuelKit')
    requirements.net('W1', [wOut, burn], 'fuelKit')
    requirements.set(thermostat, 'system', 'heatPump', 'fuelKit')
    oneStage(requirements, gear, burn)
    const air = coolDown(requirements, gear, kit)
    compressorNets(requirements, gear, y, [{ in: yIn, out: yOut, why: 'fuelKit' }, ...air])
  } else if (practice.fuel === 'stage' || !decided(thermostat, 'system')) {
    if (practice.fuel === 'kit') requirements.unmet.push('kitMissing')
    requirements.set(thermostat, 'system', 'dualFuel')
    requirements.set(thermostat, 'inCharge', 'stage')
    oneStage(requirements, gear, burn)
    const through: Through[] = []
    const relay = gear.relays.shift()
    if (relay) through.push(interlock(requirements, gear, relay, burn))
    else if (indoor !== outdoor) requirements.unmet.push('interlockMissing')
    const air = inSeries(firstWith(inst, 'feelsEnteringAir'), 'airFirst')
    if (!air.length && indoor !== outdoor) requirements.unmet.push('airMissing')
    requirements.net('W1', [aux, burn])
    compressorNets(requirements, gear, y, [...through, ...air])
  } else {
    if (practice.fuel === 'kit') requirements.unmet.push('kitMissing')
    requirements.set(thermostat, 'system', 'dualFuel')
    requirements.set(thermostat, 'inCharge', 'thermostat')
    requirements.net('W1', [aux, burn])
    const second = term(source, 'W2')
    const staged = second !== undefined && term(indoor, 'W2') !== undefined
    requirements.set(thermostat, 'backupStages', staged ? '2' : '1')
    if (staged) requirements.net('W2', [second, term(indoor, 'W2')])
    else oneStage(requirements, gear, burn)
    if (!firstWith(inst, 'sensesOutdoors')) requirements.set(thermostat, 'outdoorSource', 'feed', 'sensor')
    compressorNets(requirements, gear, y, coolDown(requirements, gear, thermostat))
  }
  emergency(requirements, { ...gear, practice: { ...practice, emergency: 'setting' } }, aux, true)
}
