import type { Plate } from '../equipment'
import type { Installation } from '../installation'
import { demoInstallation, without, wireBetween } from '../../../tests/helpers/demo'
import { FIXTURES, stageDriven } from '../../../tests/helpers/ruleFixtures'
import { job } from '../../../tests/helpers/jobFixtures'
import { prove } from '.'

/** The job with something more, or something else, on the plates of one kind of device. */
const plated = (inst: Installation, kind: string, more: Partial<Plate>): Installation => ({
  ...inst,
  placed: inst.placed.map((p) =>
    p.device.kind === kind ? { ...p, device: { ...p.device, plate: { ...p.device.plate, ...more } } } : p,
  ),
})
const found = (inst: Installation, code: string) => prove(inst).findings.find((f) => f.code === code)

describe('what a maker’s instruction decides', () => {
  it('a furnace that may temper a defrost breaks nothing by it; one that may not still does', () => {
    const burns = FIXTURES.defrostNoBurner!.broken()
    expect(found(burns, 'defrostBurns')).toMatchObject({ severity: 'danger' })
    const allowed = plated(plated(burns, 'furnace', { temperDefrost: true }), 'packagedUnit', {
      temperDefrost: true,
    })
    expect(found(allowed, 'defrostBurns')).toBeUndefined()
    // Heating with the burner ahead of the coil stays what it is.
    const welded = plated(demoInstallation('lapwing-court'), 'furnace', { temperDefrost: true })
    expect(found(welded, 'heatAheadOfCoil')).toMatchObject({ severity: 'danger' })
    expect(found(stageDriven(), 'heatAheadOfCoil')).toBeUndefined()
  })

  it('a low-gas switch in the flame wire is graded by where the conversion puts it', () => {
    const flame = job('millrace-cottage', { 'od.gasSwitch': 'flame', 'od.fuel': 'lp' })
    expect(found(flame, 'switchInFlame')).toMatchObject({ severity: 'danger' })
    const { gasSwitchCircuit: _, ...rest } = flame.placed.find((p) => p.ref === 'od')!.device.plate
    const unsaid: Installation = {
      ...flame,
      placed: flame.placed.map((p) => (p.ref === 'od' ? { ...p, device: { ...p.device, plate: rest } } : p)),
    }
    expect(found(unsaid, 'switchInFlame')).toMatchObject({ severity: 'warn' })
    expect(
      found(plated(flame, 'packagedUnit', { gasSwitchCircuit: 'flame' }), 'switchInFlame'),
    ).toBeUndefined()
    // Of natural gas no conversion speaks: the switch stands where it stops a burner only after it has tried.
    const natural = job('millrace-cottage', { 'od.gasSwitch': 'flame', 'od.fuel': 'natural' })
    expect(found(natural, 'switchInFlame')).toMatchObject({ severity: 'warn' })
    expect(found(job('millrace-cottage', { 'od.gasSwitch': 'none', 'od.fuel': 'natural' }), 'lpNoSwitch')).toBeUndefined() // prettier-ignore
  })

  it('emergency heat in steps need not bring on every row at once, where the thermostat does it so', () => {
    const good = demoInstallation('quillfeather-lane')
    const some = without(good, wireBetween(good, 'ah.W1', 'ah.W2').id)
    expect(found(some, 'someBackupMissing')).toMatchObject({ severity: 'danger' })
    expect(found(plated(some, 'thermostat', { emergencySteps: true }), 'someBackupMissing')).toBeUndefined()
    // A step that brings nothing at all is no step.
    const none = plated(demoInstallation('saltmarsh-row'), 'thermostat', { emergencySteps: true })
    expect(found(none, 'noBackup')).toMatchObject({ severity: 'danger' })
  })
})
