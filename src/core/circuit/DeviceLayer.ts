import { type Installation, type Placed } from '../installation'
import { ModeRows } from '../situation'
import { DriverTable, type Driver } from './drivers'
import { layDevices, type Netlist } from './netlist'

/**
 * The inside of a job's devices: their branches, compiled drivers and possible modes. It depends on devices and
 * settings alone, so circuits that differ in a wire share one.
 */
export class DeviceLayer {
  readonly placed: Placed[]
  readonly net: Netlist
  readonly table: DriverTable
  readonly drivers: Driver[]
  readonly rows: ModeRows

  constructor(inst: Installation) {
    this.placed = inst.placed
    this.net = layDevices(inst.placed)
    this.table = new DriverTable(inst, new Map(this.net.loads.map((l, i) => [l.ref, i])))
    this.drivers = this.net.contacts.map((c, i) => this.table.contact(i, c.placed, c.part.driver))
    this.rows = new ModeRows(inst)
  }
}
