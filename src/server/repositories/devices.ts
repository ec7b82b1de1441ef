import { inTransaction } from '../transaction'
import type { Device } from '@/core/equipment'
import { upgradeDevice } from '@/jobfile'
import type { Shop } from '../shop'
import { library } from '../library'

/** Every device that a job can be built from, by name: what ships with the app, and the shop's own. */
export async function allDevices({ db, shop }: Shop): Promise<{ devices: Device[]; own: string[] }> {
  const rows = await db.devices.findAll({ where: { shop } })
  const devices = [...library(), ...rows.map((r) => upgradeDevice(r.doc) as Device)].sort((a, b) =>
    a.name.localeCompare(b.name),
  )
  return { devices, own: rows.map((r) => r.id) }
}

/** Takes a device into the shop's own. A name that is taken, here or among those that ship, gets a number. */
export async function addDevice({ db, shop }: Shop, device: Device): Promise<Device> {
  return inTransaction(db, async (transaction) => {
    // Two at once must not take the same number.
    await db.sequelize.query('LOCK TABLE library_devices IN SHARE ROW EXCLUSIVE MODE', { transaction })
    const rows = await db.devices.findAll({ where: { shop }, attributes: ['id'], transaction })
    const taken = new Set([...library().map((d) => d.id), ...rows.map((r) => r.id)])
    let { id } = device
    for (let n = 2; taken.has(id); n++) id = `${device.id.slice(0, 58)}-${n}`
    const doc = { ...device, id }
    await db.devices.create({ shop, id, doc, updatedAt: new Date() }, { transaction })
    return doc
  })
}

/** Replaces one of the shop's own devices; false when there is none of that name. Jobs keep what they carry. */
export async function replaceDevice({ db, shop }: Shop, id: string, device: Device): Promise<boolean> {
  const [count] = await db.devices.update(
    { doc: { ...device, id }, updatedAt: new Date() },
    { where: { shop, id } },
  )
  return count > 0
}

export const removeDevice = async ({ db, shop }: Shop, id: string): Promise<boolean> =>
  (await db.devices.destroy({ where: { shop, id } })) > 0
