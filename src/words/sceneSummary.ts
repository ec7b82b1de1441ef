import { solve, type Circuit } from '@/core/circuit'
import { gateChain } from '@/core/explain'
import { kwhOf, type Sample, type SceneNote, type Sums } from '@/core/simulation'
import { chainSentence } from './gate'
import { lower, refWords } from './names'
import { degrees, figure } from './numbers'

/** Summary of a scene: the room, the supply air, and the energy. */
export function sceneSummary(sums: Sums, samples: readonly Sample[]): string[] {
  const [first, last] = [samples[0], samples[samples.length - 1]]
  if (!first || !last) return []
  const supply = Math.max(...samples.map((s) => s.supplyF))
  const parts = [
    ['heat pump', sums.heatPumpKwh],
    ['strips', sums.stripKwh],
    ['blower alone', sums.blowerKwh],
  ] as const
  const each = parts.filter(([, kwh]) => kwh >= 0.05).map(([what, kwh]) => `${what} ${figure(kwh, 1)}`)
  return [
    `Room ${degrees(first.roomF)} at the start, ${degrees(last.roomF)} at the end, ${degrees(Math.min(...samples.map((s) => s.roomF)))} at the coldest.`,
    `Supply air up to ${degrees(supply)}.`,
    `${figure(kwhOf(sums), 1)} kWh${each.length > 1 ? `: ${each.join(', ')}` : ''}${sums.fuelBtu > 0 ? `. Fuel ${figure(sums.fuelBtu / 1000, 0)} thousand BTU` : ''}.`,
  ]
}

/** An expected event that did not happen in a scene, and the first contact that stopped it. */
export function sceneNoteSentence(circuit: Circuit, { why, load, situation, outdoorF }: SceneNote): string {
  const { inst } = circuit
  const solved = solve(circuit, situation)
  const reason = solved.ok ? ` ${chainSentence(inst, gateChain(solved, load)).replace(/\.$/, '')}.` : ''
  const head =
    why === 'noDefrost'
      ? `No defrost: the ${lower(refWords(inst, load))} doesn’t run at ${degrees(outdoorF)}.`
      : 'Backup is called and doesn’t run. The house cools.'
  return `${head}${reason}`
}
