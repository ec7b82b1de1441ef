import type { QueryInterface } from 'sequelize'

/** Jobs, their operations, and readings that only ever grow. */
export const m0001Jobs = {
  name: '0001-jobs',
  async up({ context: q }: { context: QueryInterface }): Promise<void> {
    await q.sequelize.query(`
      CREATE TABLE jobs (
        id text PRIMARY KEY,
        version integer NOT NULL,
        doc jsonb NOT NULL,
        summary jsonb,
        updated_at timestamptz NOT NULL
      );
      CREATE TABLE job_ops (
        op_id text PRIMARY KEY,
        job_id text NOT NULL REFERENCES jobs (id),
        version integer NOT NULL,
        base_version integer NOT NULL,
        client text NOT NULL,
        who text NOT NULL,
        made_at text NOT NULL,
        op jsonb NOT NULL,
        UNIQUE (job_id, version)
      );
      CREATE TABLE readings (
        id text NOT NULL,
        job_id text NOT NULL REFERENCES jobs (id),
        kind text NOT NULL,
        value double precision,
        who text NOT NULL,
        taken_at timestamptz NOT NULL,
        supersedes text,
        doc jsonb NOT NULL,
        PRIMARY KEY (job_id, id)
      );
      CREATE INDEX readings_by_kind ON readings (kind, taken_at);
      CREATE FUNCTION readings_stay() RETURNS trigger LANGUAGE plpgsql AS $$
      BEGIN
        RAISE EXCEPTION 'readings are append-only: record a correction that supersedes this one';
      END $$;
      CREATE TRIGGER readings_stay BEFORE UPDATE OR DELETE ON readings
        FOR EACH ROW EXECUTE FUNCTION readings_stay();
      CREATE TRIGGER readings_stay_all BEFORE TRUNCATE ON readings
        FOR EACH STATEMENT EXECUTE FUNCTION readings_stay();
    `)
  },
}
