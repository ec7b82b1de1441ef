import { nth } from '../assert'
import type { TerminalRole } from '../equipment'
import type { Installation, Placed } from '../installation'
import { having, aheadTargets, burnersOf, hasStrips, intentOf, kitWattsAt, usualBackupCycles } from '../query'
import { backupNets } from './backup'
import { inSeries, Requirements, type Gear } from './gear'
import { decided, firstWith, term, terms } from './kinds'
import type { WiringPractice } from './net'

/** Choices beside the practice that equipment may leave open. */
export interface WiringChoice {
  /** Whether an indoor and an outdoor unit that can talk over a bus do so; left out: as their selectors are set. */
  overBus?: boolean
  /** The relays of the job in the order in which they are taken; left out: as they are placed. */
  relays?: readonly Placed[]
}

/** Nets that a job's equipment and the chosen practice require. */
export function intendedNets(
  inst: Installation,
  practice: WiringPractice,
  { overBus, relays: order }: WiringChoice = {},
): Requirements {
  const requirements = new Requirements()
  const thermostat = firstWith(inst, 'onWall')
  const outdoor = firstWith(inst, 'compresses')
  const indoor = firstWith(inst, 'indoors') ?? outdoor
  if (!thermostat) requirements.unmet.push('noThermostat')
  if (!indoor || !outdoor) requirements.unmet.push('noEquipment')
  if (!thermostat || !indoor || !outdoor) return requirements
  const panel = firstWith(inst, 'zones')
  const source = panel ?? thermostat
  const relays = [...(order ?? having(inst, 'isolates'))]
  const gear: Gear = { inst, source, thermostat, indoor, outdoor, relays, practice }
  if (panel) zoneNets(requirements, thermostat, panel)
  powerNets(requirements, gear)
  const bus = canTalk([source, indoor, outdoor])
  // An ordinary thermostat on 24 V indoors, and a pair that talks over its bus: both selectors are set so.
  const pair =
    !bus &&
    indoor !== outdoor &&
    canTalk([indoor, outdoor]) &&
    (overBus ?? [indoor, outdoor].every((p) => intentOf(p, 'selector') === 'bus'))
  for (const p of [indoor, outdoor]) requirements.set(p, 'selector', bus || pair ? 'bus' : '24V')
  if (bus || pair)
    for (const i of [0, 1])
      requirements.net(
        'bus',
        (bus ? [source, indoor, outdoor] : [indoor, outdoor]).map((p) => terms(p, 'bus')[i]),
        'bus',
      )
  if (bus) {
    // No call has a conductor of its own that it could open.
    if (firstWith(inst, 'outdoorSwitch')) requirements.unmet.push('switchOnBus')
  } else {
    requirements.net('G', [term(source, 'G'), term(indoor, 'G')])
    // A pair that talks over its bus sends the outdoor unit no call on a conductor.
    const reached = pair ? { ...gear, outdoor: withoutCalls(outdoor) } : gear
    valveNet(requirements, reached)
    backupNets(requirements, reached)
  }
  sensorNets(requirements, gear)
  accessoryNets(requirements, gear)
  backupSettings(requirements, gear)
  defrostSettings(requirements, gear, bus)
  requirements.spareRelays = gear.relays
  return requirements
}

const canTalk = (list: readonly Placed[]): boolean => list.every((p) => terms(p, 'bus').length === 2)

/** A device as the plan sees it where its 24 V call terminals stay empty. */
const withoutCalls = (p: Placed): Placed => ({
  ...p,
  device: {
    ...p.device,
    terminals: p.device.terminals.filter((t) => t.side === 'line' || ['R', 'C', 'bus'].includes(t.role)),
  },
})

/** Settings of thermostat and controllers that follow from the backup that is installed. */
function backupSettings(requirements: Requirements, { inst, thermostat }: Gear): void {
  const [burner] = burnersOf(inst)
  const lp = burner !== undefined && intentOf(burner.placed, 'fuel') === 'lp'
  const source = burner ? (burner.fuel === 'oil' ? 'oil' : lp ? 'lp' : 'gas') : 'electric'
  if (burner || hasStrips(inst)) requirements.set(thermostat, 'backupSource', source)
  // With a burner the practice says who decides, and so what the thermostat is told that it has.
  if (!burner && hasStrips(inst)) requirements.set(thermostat, 'system', 'heatPump')
  if (aheadTargets(inst).length) requirements.set(thermostat, 'together', 'no')
  for (const p of inst.placed) {
    // The board takes the kit's size as one of its own list: the nearest to what is plugged in.
    const there = kitWattsAt(inst, p) / 1000
    const sizes = p.device.settings.find((s) => s.intent === 'kitSize')?.options?.map((o) => o.id) ?? []
    const nearest = sizes.sort((a, b) => Math.abs(Number(a) - there) - Math.abs(Number(b) - there))[0]
    if (there && nearest !== undefined) requirements.set(p, 'kitSize', nearest)
  }
  const cycles = usualBackupCycles(inst)
  if (cycles && Number(intentOf(thermostat, 'cyclesBackup') ?? 0) > cycles.most)
    requirements.set(thermostat, 'cyclesBackup', cycles.most)
}

/** Strips in defrost are told as they are landed, or over the bus as the school has it; with them the fan runs. */
function defrostSettings(
  requirements: Requirements,
  { inst, indoor, outdoor, practice }: Gear,
  bus: boolean,
): void {
  const landed = requirements.nets.some((n) => n.why === 'tempered' || n.why === 'temperedReturn')
  const told = bus ? practice.defrost === 'tempered' : landed
  for (const p of inst.placed) {
    if (intentOf(p, 'stripsInDefrost') === undefined) continue
    if (indoor !== outdoor) requirements.set(p, 'stripsInDefrost', told ? 'yes' : 'no')
    if (told) requirements.set(p, 'fanInDefrost', 'on')
  }
}

function powerNets(requirements: Requirements, { source, thermostat, indoor, outdoor, inst }: Gear): void {
  const [r, second] = terms(source, 'R')
  requirements.net('R', [r, term(indoor, 'R'), term(outdoor, 'R')])
  if (r && second) requirements.net('R', [r, second], 'jumperR')
  if (source !== thermostat && terms(thermostat, 'R')[1])
    requirements.net('R', terms(thermostat, 'R').slice(0, 2), 'jumperR')
  const old = source.device.terminals.some((t) => t.role === 'C' && t.label !== 'C')
  requirements.net(
    'C',
    [term(source, 'C'), term(indoor, 'C'), term(outdoor, 'C')],
    old ? 'oldCommon' : undefined,
  )
  const humidifier = firstWith(inst, 'humidifies')
  requirements.net('R', [term(indoor, 'R'), term(humidifier, 'R')])
  requirements.net('C', [term(indoor, 'C'), term(humidifier, 'C')])
}

/** O or B by what the outdoor unit's valve wants; one O/B terminal is set to it. */
function valveNet(requirements: Requirements, { source, thermostat, indoor, outdoor }: Gear): void {
  const sense = decided(outdoor, 'rvSense')?.value
  const at = term(outdoor, 'OB', 'O', 'B')
  const tie = indoor === outdoor ? undefined : term(indoor, 'OB', 'O', 'B')
  const from = term(source, 'OB') ?? term(source, sense === 'heating' ? 'B' : 'O')
  if (!from && at) requirements.unmet.push('senseMissing')
  if (sense === 'cooling' || sense === 'heating') requirements.set(thermostat, 'rvSense', sense)
  requirements.net('OB', [from, tie, at])
}

function sensorNets(requirements: Requirements, { inst, thermostat, indoor }: Gear): void {
  const sensor = firstWith(inst, 'sensesOutdoors')
  const pair = terms(thermostat, 'S')
  if (pair.length < 2) return
  if (!sensor) return
  requirements.set(thermostat, 'outdoorSource', 'wired', 'sensor')
  const far = terms(sensor, 'S')
  for (const i of [0, 1]) requirements.net('S', [pair[i], terms(indoor, 'S')[i], far[i]], 'sensor')
}

function accessoryNets(requirements: Requirements, { inst, indoor }: Gear): void {
  const [leak] = inSeries(firstWith(inst, 'feelsLeak'), 'leak')
  const input = term(indoor, 'LEAK')
  if (leak && input) {
    requirements.net('R', [term(indoor, 'R'), leak.in], 'leak')
    requirements.net('LEAK', [leak.out, input], 'leak')
  } else if (input) requirements.unmet.push('leakMissing')
}

function zoneNets(requirements: Requirements, thermostat: Placed, panel: Placed): void {
  const pairs: [TerminalRole[], TerminalRole][] = [
    [['R'], 'zoneR'],
    [['C'], 'zoneC'],
    [['Y1'], 'zoneY1'],
    [['G'], 'zoneG'],
    [['OB', 'O'], 'zoneOB'],
    [['AUX', 'W1'], 'zoneW1'],
  ]
  for (const [roles, zone] of pairs)
    requirements.net(nth(roles, 0), [term(thermostat, ...roles), term(panel, zone)], 'zone')
}
