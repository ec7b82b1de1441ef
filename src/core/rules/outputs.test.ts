import { demoInstallation, without } from '../../../tests/helpers/demo'
import { joined } from '../../../tests/helpers/ruleFixtures'
import type { Installation } from '../installation'
import { prove } from '.'

/** The demo job with triac outputs at its wire-finding thermostat: an open one lets current through 24 kΩ. */
const triacs = (inst: Installation): Installation => ({
  ...inst,
  placed: inst.placed.map((p) =>
    p.ref === 'tstat'
      ? {
          ...p,
          device: {
            ...p.device,
            parts: p.device.parts.map((x) =>
              x.kind === 'contact' && x.gate === 'thermostat' ? { ...x, openOhms: 24_000 } : x,
            ),
          },
        }
      : p,
  ),
})
const misled = (inst: Installation) => prove(inst).findings.some((f) => f.code === 'misled')

describe('volts at an output that is open', () => {
  const good = demoInstallation('pennywort-close')
  const bare = without(good, good.wires.find((w) => w.a === 'tstat.AUX' || w.b === 'tstat.AUX')!.id)

  it('are a ghost where nothing but a snubber feeds them: 24 · 3 / 27 = 2.7 V on the low range', () => {
    expect(misled(triacs(bare))).toBe(false)
  })
  it('mislead it where there is a source behind them', () => {
    expect(misled(joined(triacs(bare), 'tstat.AUX', 'ah.R'))).toBe(true)
  })
})
