import { asAmps, asWatts, type Amps, type Watts } from '../units'
import type { Plate } from '../equipment'
import { quantity, type Installation, type Placed } from '../installation'
import { having } from './settings'

/** Every burner of the job, with the device it is in and its fuel. */
export const burnersOf = (inst: Installation): { placed: Placed; fuel: 'gas' | 'oil' }[] =>
  inst.placed.flatMap((placed) =>
    placed.device.parts.flatMap((x) =>
      x.kind === 'load' && x.does?.what === 'burner' ? [{ placed, fuel: x.does.fuel }] : [],
    ),
  )

/** W and A that a device's strip rows draw at their rated volts. */
export function stripLoad(placed: Placed): { watts: Watts; amps: Amps } {
  let [watts, amps] = [0, 0]
  for (const x of placed.device.parts) {
    if (x.kind !== 'load' || x.does?.what !== 'strip') continue
    watts += quantity(placed, x.va)
    amps += quantity(placed, x.va) / x.volts
  }
  return { watts: asWatts(watts), amps: asAmps(amps) }
}

/** W of the strip kits that stand where a device stands, by their plates; of one whose plate says nothing, by its rows. */
export const kitWattsAt = (
  inst: Installation,
  { where }: Placed,
  plates: Readonly<Record<string, Plate>> = {},
): Watts =>
  asWatts(
    having(inst, 'addsStrips')
      .filter((k) => k.where === where)
      .reduce((sum, kit) => {
        const { kilowatts } = { ...kit.device.plate, ...plates[kit.ref] }
        return sum + (kilowatts === undefined ? stripLoad(kit).watts : 1000 * kilowatts)
      }, 0),
  )
