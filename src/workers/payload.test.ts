import { demoInstallation } from '../../tests/helpers/demo'
import { Packer, Unpacker } from './payload'

const inst = demoInstallation('quillfeather-lane')

describe('installations on their way to a worker', () => {
  it('arrive as they left, with each device sent once', () => {
    const [packer, unpacker] = [new Packer(), new Unpacker()]
    const first = packer.pack(inst)
    expect(first.devices).toHaveLength(new Set(inst.placed.map((p) => p.device)).size)
    const once = unpacker.unpack(structuredClone(first))
    expect(once).toEqual(inst)
    const moved = { ...inst, wires: inst.wires.slice(1) }
    const second = packer.pack(moved)
    expect(second.devices).toEqual([])
    const arrived = unpacker.unpack(structuredClone(second))
    expect(arrived).toEqual(moved)
    // A moved wire leaves the devices alone: they neither travel again nor change their identity.
    expect(second.placed).toBeNull()
    expect(arrived.placed).toBe(once.placed)
  })

  it('say so when a device is missing', () => {
    const packer = new Packer()
    packer.pack(inst)
    expect(() => new Unpacker().unpack(packer.pack({ ...inst, placed: [...inst.placed] }))).toThrow(
      'device 0 was not sent',
    )
  })
})
