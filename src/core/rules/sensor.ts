import { terminalOf, type Installation, type Placed, type Ref } from '../installation'
import { intentOf, isFelt, isLanded, joinedByCopper, having, terminalsWith, wiredNet } from '../query'
import { breach, hasIntent, ownSettings } from './breach'
import type { Breach, JobRule } from './rule'

type Code = 'sensorNotLanded' | 'sensorShorted' | 'sensorNotSet' | 'sensorOpen' | 'sensorElsewhere'

/**
 * A net on a sensor's pair that is no part of it: R, C, an output. The thermostat then reads that instead of the
 * sensor.
 */
function strange(inst: Installation, net: ReadonlySet<Ref>): Ref | undefined {
  return [...net].find((ref) => {
    const role = terminalOf(inst, ref)?.terminal.role
    return role !== undefined && role !== 'S' && role !== 'splice' && role !== 'spare'
  })
}

/** The end of a thermostat's pair that comes to no sensor, where no sensor stands between the two. */
function openEnd(inst: Installation, one: Ref, two: Ref): Ref | undefined {
  const nets = [wiredNet(inst, one), wiredNet(inst, two)] as const
  const pairs = having(inst, 'sensesOutdoors').map((p: Placed) => terminalsWith(p, 'S'))
  const between = ([a, b]: Ref[]) =>
    a !== undefined &&
    b !== undefined &&
    ((nets[0].has(a) && nets[1].has(b)) || (nets[0].has(b) && nets[1].has(a)))
  if (pairs.some(between)) return undefined
  const felt = (net: ReadonlySet<Ref>) => pairs.flat().some((t) => net.has(t))
  return felt(nets[0]) ? two : one
}

/** An outdoor sensor is set where one is landed, and its pair is whole and its own. */
export const sensor: JobRule<'sensor', Code> = {
  id: 'sensor',
  scope: 'job',
  severity: 'wrong',
  codes: ['sensorNotLanded', 'sensorShorted', 'sensorNotSet', 'sensorOpen', 'sensorElsewhere'],
  applies: hasIntent('outdoorSource'),
  find: ({ inst }) =>
    having(inst, 'onWall').flatMap((p): Breach<Code>[] => {
      const [source] = ownSettings(p, 'outdoorSource')
      if (!source || source.value === null) return []
      const pair = terminalsWith(p, 'S')
      const bare = pair.find((t) => !isLanded(inst, t))
      const landed = pair.find((t) => isLanded(inst, t))
      // A sensor that is shown and no more is landed all the same, and missed by nobody.
      if (source.value === 'display') return []
      if (source.value !== 'wired') return landed ? breach('sensorNotSet', [source.at, landed]) : []
      if (bare) return breach('sensorNotLanded', [source.at, bare])
      const [one, two] = pair
      // Copper from the one to the other leaves nothing to feel with: a short reads as great heat.
      if (!one || !two) return []
      if (joinedByCopper(inst, one, two)) return breach('sensorShorted', [one, two])
      for (const end of [one, two]) {
        const other = strange(inst, wiredNet(inst, end))
        if (other) return breach('sensorElsewhere', [end, other])
      }
      const open = openEnd(inst, one, two)
      return open ? breach('sensorOpen', [open, source.at]) : []
    }),
}

/** A lockout or a changeover has an outdoor temperature to go by. */
export const lockoutSource: JobRule<'lockoutSource', 'lockoutNoSource' | 'changeoverNoSource'> = {
  id: 'lockoutSource',
  scope: 'job',
  severity: 'wrong',
  codes: ['lockoutNoSource', 'changeoverNoSource'],
  applies: hasIntent('outdoorSource'),
  find: ({ inst }) =>
    having(inst, 'onWall').flatMap((p): Breach<'lockoutNoSource' | 'changeoverNoSource'>[] => {
      const [source] = ownSettings(p, 'outdoorSource')
      if (!source || source.value === null || isFelt(source.value)) return []
      const on = [...ownSettings(p, 'useCompressorLockout'), ...ownSettings(p, 'useAuxLockout')].filter(
        (f) => f.value === 'on',
      )
      if (on.length) return on.flatMap((f) => breach('lockoutNoSource', [f.at, source.at]))
      const [system] = ownSettings(p, 'system')
      const inCharge = intentOf(p, 'inCharge')
      const decides = system?.value === 'dualFuel' && (inCharge === undefined || inCharge === 'thermostat')
      return decides ? breach('changeoverNoSource', [source.at, system.at]) : []
    }),
}
