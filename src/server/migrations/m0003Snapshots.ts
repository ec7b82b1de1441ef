import type { QueryInterface } from 'sequelize'

/** Operations say for which document they were written and what their maker had seen; snapshots to replay from. */
export const m0003Snapshots = {
  name: '0003-snapshots',
  async up({ context: q }: { context: QueryInterface }): Promise<void> {
    await q.sequelize.query(`
      ALTER TABLE job_ops ADD COLUMN doc_version integer NOT NULL DEFAULT 2;
      ALTER TABLE job_ops ALTER COLUMN doc_version DROP DEFAULT;
      ALTER TABLE job_ops ADD COLUMN seen integer;
      CREATE TABLE job_snapshots (
        job_id text NOT NULL REFERENCES jobs (id),
        version integer NOT NULL,
        doc_version integer NOT NULL,
        doc jsonb NOT NULL,
        taken_at timestamptz NOT NULL,
        PRIMARY KEY (job_id, version, doc_version)
      );
    `)
  },
}
