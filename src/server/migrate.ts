import type { Sequelize } from 'sequelize'
import { SequelizeStorage, Umzug } from 'umzug'
import { MIGRATIONS } from './migrations'

/** Whether this code knows a schema change of that name. */
export const isMigration = (name: string): boolean => MIGRATIONS.some((m) => m.name === name)

/**
 * Brings the schema up to this code, or to one of its changes. A database that knows more migrations than the code is left untouched.
 */
export async function migrate(
  sequelize: Sequelize,
  to?: string,
): Promise<{ ok: true; ran: string[] } | { ok: false; newer: string[] }> {
  const umzug = new Umzug({
    migrations: MIGRATIONS,
    context: sequelize.getQueryInterface(),
    storage: new SequelizeStorage({ sequelize, tableName: 'schema_migrations' }),
    logger: undefined,
  })
  const known = new Set(MIGRATIONS.map((m) => m.name))
  const done = await new SequelizeStorage({ sequelize, tableName: 'schema_migrations' }).executed()
  const newer = done.filter((name) => !known.has(name))
  if (newer.length) return { ok: false, newer }
  const ran = await umzug.up(to === undefined ? {} : { to })
  return { ok: true, ran: ran.map((m) => m.name) }
}
