import type { QueryInterface } from 'sequelize'

/** Devices of the shop's own. */
export const m0002Library = {
  name: '0002-library',
  async up({ context: q }: { context: QueryInterface }): Promise<void> {
    await q.sequelize.query(`
      CREATE TABLE library_devices (
        id text PRIMARY KEY,
        doc jsonb NOT NULL,
        updated_at timestamptz NOT NULL
      );
    `)
  },
}
