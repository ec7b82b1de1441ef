import type { Device } from '@/core/equipment'
import { UNKNOWN_SITE, type Installation } from '@/core/installation'
import { planLanding, planned, WIRING_PRACTICES, type WiringPractice } from '@/core/plan'
import { prove, withSite, type Finding } from '@/core/rules'
import { libraryDevice, libraryIds } from './demo'
import { gear, type Short } from './gear'

/** One choice of gear, valve sense and practice. */
export interface MatrixCase {
  name: string
  pieces: Short[]
  packaged: boolean
  practice: WiringPractice
}

/** Warnings that a job landed by the plan may carry, by code: what a practice leaves open, and why. */
const LEFT_OPEN: Readonly<Record<string, string>> = {
  auxNoGate:
    'no outdoor thermostat was chosen and no lockout is set: what holds aux off is the Setup’s to say',
  faultHeatOff: 'boards come with backup on a fault off: to set it is the Setup’s to say',
  misled:
    'an outdoor thermostat that is closed joins AUX to W1 and so to E: a thermostat that finds its wires may see it',
  noSpare: 'a two-stage job with every terminal landed fills a ten-conductor cable',
}

const all = libraryIds().map(libraryDevice)
const ofKind = (kind: Device['kind']) => all.filter((d) => d.kind === kind)

function insides(outdoor: Device): Short[][] {
  if (outdoor.kind === 'packagedUnit') return [[]]
  const kits = ['teasel-k1', 'teasel-k2', 'teasel-k3']
  return [
    ...ofKind('airHandler').flatMap((a) =>
      kits.map((k): Short[] => [
        ['ah', a.id, 'garage'],
        ['kit', k, 'garage'],
        // A board that waits for a leak sensor gets one.
        ...(a.terminals.some((t) => t.role === 'LEAK') ? [['leak', 'sedge-lk1', 'garage'] as Short] : []),
      ]),
    ),
    ...ofKind('furnace').map((f): Short[] => [['fur', f.id, 'garage']]),
  ]
}
const burns = (d: Device) => d.parts.some((p) => p.kind === 'load' && p.does?.what === 'burner')

/** Every thermostat × outdoor unit × indoor unit and kit × valve sense × practice that the library can make. */
export function* matrix(): Generator<MatrixCase> {
  for (const stat of ofKind('thermostat'))
    for (const outdoor of [...ofKind('outdoorUnit'), ...ofKind('packagedUnit')])
      for (const inside of insides(outdoor)) {
        const fuelled = [outdoor, ...inside.map(([, id]) => libraryDevice(id))].some(burns)
        const valve = outdoor.settings.find((s) => s.intent === 'rvSense')
        for (const sense of ['cooling', 'heating'])
          for (const locked of fuelled ? [false] : [false, true])
            for (const defrost of WIRING_PRACTICES.defrost)
              for (const emergency of fuelled ? ['setting' as const] : WIRING_PRACTICES.emergency)
                for (const fuel of fuelled ? WIRING_PRACTICES.fuel : ['thermostat' as const]) {
                  const extras: Short[] = [
                    ['rel', 'sedge-r1', 'garage'],
                    ['rel2', 'sedge-r1', 'garage'],
                  ]
                  if (locked) extras.push(['odt', 'sedge-t50', 'north'])
                  if (fuelled) extras.push(['air', 'sedge-a103', 'garage'])
                  if (fuel === 'kit') extras.push(['ffk', 'sedge-f2', 'garage'])
                  if (fuelled && fuel === 'thermostat') extras.push(['sen', 'sedge-os1', 'north'])
                  yield {
                    name: [stat.id, outdoor.id, ...inside.map(([, id]) => id), sense, locked ? 'outdoor thermostat' : '', defrost, emergency, fuel].join(' '), // prettier-ignore
                    packaged: outdoor.kind === 'packagedUnit',
                    practice: { defrost, emergency, fuel },
                    pieces: [
                      ['tstat', stat.id, 'wall'],
                      ...inside,
                      ['od', outdoor.id, 'north', valve ? { [valve.id]: sense } : {}],
                      ...extras,
                    ],
                  }
                }
      }
}

/** The case landed by its plan; null where the plan says that the gear or a cable cannot give it. */
export function landedCase(c: MatrixCase): Installation | null {
  const inst = gear(c.pieces, 10, c.packaged ? 0 : 10)
  const plan = planLanding(inst, c.practice)
  return plan.unmet.length || plan.short.length + plan.apart.length ? null : planned(inst, plan)
}

/** What is found of a landed case that the table does not allow. */
export function unexpected(inst: Installation): Finding[] {
  const plates = Object.fromEntries(inst.placed.map((p) => [p.ref, { seenOnline: true }]))
  const { findings } = withSite(prove(inst), { ...UNKNOWN_SITE, inst, plates, tested: true })
  return findings.filter((f) => f.severity !== 'warn' || !(f.code in LEFT_OPEN))
}
