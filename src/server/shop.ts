import { database, type Database } from './database'

/** Whose rows are asked for and changed, and where they lie: nothing is asked of the database without it. */
export interface Shop {
  db: Database
  shop: string
}

/** The one shop of this server; `GATE_CROSS_SHOP` names it where several share a database. */
export const shopIn = (db: Database): Shop => ({ db, shop: process.env.GATE_CROSS_SHOP ?? 'shop' })
export const thisShop = (): Shop => shopIn(database())
