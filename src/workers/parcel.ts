import type { Device } from '@/core/equipment'
import type { Installation, Placed } from '@/core/installation'

/** An installation on its way to a worker. Devices are large and seldom change: each travels once, by number. */
export interface Parcel {
  devices: [number, Device][]
  placed: (Omit<Placed, 'device'> & { device: number })[]
  cables: Installation['cables']
  wires: Installation['wires']
}

/** The sending side of one worker. */
export class Packer {
  private readonly numbers = new Map<Device, number>()

  pack(inst: Installation): Parcel {
    const devices: Parcel['devices'] = []
    const placed = inst.placed.map(({ device, ...rest }) => {
      let number = this.numbers.get(device)
      if (number === undefined) {
        number = this.numbers.size
        this.numbers.set(device, number)
        devices.push([number, device])
      }
      return { ...rest, device: number }
    })
    return { devices, placed, cables: inst.cables, wires: inst.wires }
  }
}

/** The receiving side; parcels are opened in the order in which they were packed. */
export class Unpacker {
  private readonly devices = new Map<number, Device>()

  unpack(parcel: Parcel): Installation {
    for (const [number, device] of parcel.devices) this.devices.set(number, device)
    const placed = parcel.placed.map((p) => {
      const device = this.devices.get(p.device)
      if (!device) throw new Error(`device ${p.device} was not sent`)
      return { ...p, device }
    })
    return { placed, cables: parcel.cables, wires: parcel.wires }
  }
}
