import type { Device } from '@/core/equipment'
import type { Installation, Placed } from '@/core/installation'

/** An installation on its way to a worker. Devices are large and seldom change: each travels once, by number. */
export interface WorkerPayload {
  devices: [number, Device][]
  /** null: as in the last parcel. The list then stays the same object, and what was worked out from it stands. */
  placed: (Omit<Placed, 'device'> & { device: number })[] | null
  cables: Installation['cables']
  wires: Installation['wires']
}

/** The sending side of one worker. */
export class Packer {
  private readonly numbers = new Map<Device, number>()
  private last: Placed[] | null = null

  pack(inst: Installation): WorkerPayload {
    const devices: WorkerPayload['devices'] = []
    const { cables, wires } = inst
    if (this.last === inst.placed) return { devices, placed: null, cables, wires }
    this.last = inst.placed
    const placed = inst.placed.map(({ device, ...rest }) => {
      let number = this.numbers.get(device)
      if (number === undefined) {
        number = this.numbers.size
        this.numbers.set(device, number)
        devices.push([number, device])
      }
      return { ...rest, device: number }
    })
    return { devices, placed, cables, wires }
  }
}

/** The receiving side; parcels are opened in the order in which they were packed. */
export class Unpacker {
  private readonly devices = new Map<number, Device>()
  private placed: Placed[] = []

  unpack(payload: WorkerPayload): Installation {
    for (const [number, device] of payload.devices) this.devices.set(number, device)
    if (!payload.placed) return { placed: this.placed, cables: payload.cables, wires: payload.wires }
    const placed = payload.placed.map((p) => {
      const device = this.devices.get(p.device)
      if (!device) throw new Error(`device ${p.device} was not sent`)
      return { ...p, device }
    })
    this.placed = placed
    return { placed, cables: payload.cables, wires: payload.wires }
  }
}
