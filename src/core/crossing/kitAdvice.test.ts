import { demoInstallation } from '../../../tests/helpers/demo'
import { demoSeen } from '../../../tests/helpers/seen'
import { Circuit } from '../circuit'
import type { Installation } from '../installation'
import { kitAdvice } from '.'

const adviceFor = (job: string, inst: Installation) =>
  kitAdvice({ ...demoSeen(job), inst }, new Circuit(inst))
const advice = (job: string, settings: Record<string, string | number> = {}) =>
  adviceFor(job, demoInstallation(job, settings))
/** A compressor lockout at so many °F on a thermostat that has the outdoor temperature. */
const lockedOut = (f: number) => ({
  'tstat.outdoorSource': 'feed',
  'tstat.useCompressorLockout': 'on',
  'tstat.compressorLockout': f,
})

describe('the kit that a house asks for', () => {
  it('says nothing of a kit beside the heat pump where the two never run together', () => {
    // Elements ahead of the coil; and a design temperature of 16 °F with the compressor locked out below 30.
    expect(advice('tansy-street')?.withHeatPump).toBeNull()
    expect(advice('pennywort-close', lockedOut(30))?.withHeatPump).toBeNull()
    expect(advice('tansy-street')?.alone.needsKw).toBeCloseTo(9.7, 1)
  })

  it('does where they run together at the design temperature, or where nothing is wired yet', () => {
    expect(advice('pennywort-close', lockedOut(10))?.withHeatPump?.needsKw).toBeCloseTo(4.6, 1)
    const bare = { ...demoInstallation('pennywort-close'), wires: [] }
    expect(adviceFor('pennywort-close', bare)?.withHeatPump?.needsKw).toBeCloseTo(4.6, 1)
  })
})
