import { demoInstallation } from '../../tests/helpers/demo'
import { Packer, Unpacker } from './parcel'

const inst = demoInstallation('quillfeather-lane')

describe('installations on their way to a worker', () => {
  it('arrive as they left, with each device sent once', () => {
    const [packer, unpacker] = [new Packer(), new Unpacker()]
    const first = packer.pack(inst)
    expect(first.devices).toHaveLength(new Set(inst.placed.map((p) => p.device)).size)
    expect(unpacker.unpack(structuredClone(first))).toEqual(inst)
    const moved = { ...inst, wires: inst.wires.slice(1) }
    const second = packer.pack(moved)
    expect(second.devices).toEqual([])
    const arrived = unpacker.unpack(structuredClone(second))
    expect(arrived).toEqual(moved)
  })

  it('say so when a device is missing', () => {
    const packer = new Packer()
    packer.pack(inst)
    expect(() => new Unpacker().unpack(packer.pack(inst))).toThrow('device 0 was not sent')
  })
})
