import type { QueryInterface } from 'sequelize'

/**
 * Every key begins with the shop, so that shops can share a database, and a database that spreads its rows can spread them by
 * it. The list of jobs comes from columns of its own; the document of a job may lag behind its log by some operations; and a
 * job can be put away or deleted, the latter permanently after a time.
 */
export const m0004Shop = {
  name: '0004-shop',
  async up({ context: q }: { context: QueryInterface }): Promise<void> {
    await q.sequelize.query(KEYS)
    await q.sequelize.query(LIST)
    await q.sequelize.query(APPEND)
    await q.sequelize.query(STAY)
  },
}

const KEYS = `
  ALTER TABLE job_ops DROP CONSTRAINT job_ops_job_id_fkey, DROP CONSTRAINT job_ops_pkey,
    DROP CONSTRAINT job_ops_job_id_version_key, ADD COLUMN shop text NOT NULL DEFAULT 'shop';
  ALTER TABLE readings DROP CONSTRAINT readings_job_id_fkey, DROP CONSTRAINT readings_pkey,
    ADD COLUMN shop text NOT NULL DEFAULT 'shop';
  ALTER TABLE job_snapshots DROP CONSTRAINT job_snapshots_job_id_fkey, DROP CONSTRAINT job_snapshots_pkey,
    ADD COLUMN shop text NOT NULL DEFAULT 'shop';
  ALTER TABLE library_devices DROP CONSTRAINT library_devices_pkey, ADD COLUMN shop text NOT NULL DEFAULT 'shop',
    ADD PRIMARY KEY (shop, id);
  ALTER TABLE jobs DROP CONSTRAINT jobs_pkey, ADD COLUMN shop text NOT NULL DEFAULT 'shop', ADD PRIMARY KEY (shop, id);
  ALTER TABLE job_ops ADD PRIMARY KEY (shop, op_id), ADD UNIQUE (shop, job_id, version),
    ADD FOREIGN KEY (shop, job_id) REFERENCES jobs (shop, id);
  ALTER TABLE readings ADD PRIMARY KEY (shop, job_id, id), ADD FOREIGN KEY (shop, job_id) REFERENCES jobs (shop, id);
  ALTER TABLE job_snapshots ADD PRIMARY KEY (shop, job_id, version, doc_version),
    ADD FOREIGN KEY (shop, job_id) REFERENCES jobs (shop, id);
  ALTER TABLE jobs ALTER COLUMN shop DROP DEFAULT;
  ALTER TABLE job_ops ALTER COLUMN shop DROP DEFAULT;
  ALTER TABLE readings ALTER COLUMN shop DROP DEFAULT;
  ALTER TABLE job_snapshots ALTER COLUMN shop DROP DEFAULT;
  ALTER TABLE library_devices ALTER COLUMN shop DROP DEFAULT;
  DROP INDEX readings_by_kind;
  CREATE INDEX readings_by_kind ON readings (shop, kind, taken_at);
`

const LIST = `
  ALTER TABLE jobs
    ADD COLUMN doc_rev integer,
    ADD COLUMN title text NOT NULL DEFAULT '',
    ADD COLUMN address text NOT NULL DEFAULT '',
    ADD COLUMN owner text NOT NULL DEFAULT '',
    ADD COLUMN note text NOT NULL DEFAULT '',
    ADD COLUMN summary_version integer,
    ADD COLUMN engine text,
    ADD COLUMN states text[] NOT NULL DEFAULT '{}',
    ADD COLUMN urgent boolean NOT NULL DEFAULT true,
    ADD COLUMN archived_at timestamptz,
    ADD COLUMN deleted_at timestamptz,
    ADD COLUMN deleted_by text;
  UPDATE jobs SET doc_rev = version, title = doc->>'title', address = doc->'site'->>'address',
    owner = doc->'site'->>'owner', note = doc->>'note';
  ALTER TABLE jobs ALTER COLUMN doc_rev SET NOT NULL;
  ALTER TABLE jobs
    -- The street before the number, so that neighbours stand together.
    ADD COLUMN street text GENERATED ALWAYS AS (
      lower(regexp_replace(address, '^[0-9]+[[:space:]]+', '')) || ' ' ||
      lpad(coalesce(substring(address from '^([0-9]+)[[:space:]]'), ''), 5, '0')) STORED,
    ADD COLUMN search text GENERATED ALWAYS AS (lower(title || ' ' || owner || ' ' || address || ' ' || note)) STORED;
  CREATE INDEX jobs_by_time ON jobs (shop, updated_at DESC);
  CREATE INDEX jobs_by_street ON jobs (shop, street);
`

/**
 * A save in one question: the operations go to the end of the log if the job stands where their maker's server believed it
 * to; if not, nothing is done and the revision comes back. The document is written only when it is given.
 */
const APPEND = `
  CREATE FUNCTION append_ops(
    in_shop text, in_job text, in_expected integer, in_ops jsonb, in_readings jsonb, in_fields jsonb, in_doc jsonb
  ) RETURNS TABLE (done boolean, revision integer) LANGUAGE plpgsql SET lock_timeout = '2s' AS $$
  DECLARE here integer; later integer;
  BEGIN
    SELECT version INTO here FROM jobs WHERE shop = in_shop AND id = in_job FOR UPDATE;
    IF NOT FOUND THEN RETURN; END IF;
    IF here <> in_expected THEN RETURN QUERY SELECT false, here; RETURN; END IF;
    later := here + jsonb_array_length(in_ops);
    INSERT INTO job_ops (shop, job_id, op_id, version, base_version, client, who, made_at, doc_version, seen, op)
      SELECT in_shop, in_job, x.op_id, x.version, x.base_version, x.client, x.who, x.made_at, x.doc_version, x.seen, x.op
      FROM jsonb_to_recordset(in_ops) AS x (op_id text, version integer, base_version integer, client text, who text,
        made_at text, doc_version integer, seen integer, op jsonb);
    INSERT INTO readings (shop, job_id, id, kind, value, who, taken_at, supersedes, doc)
      SELECT in_shop, in_job, x.id, x.kind, x.value, x.who, x.taken_at, x.supersedes, x.doc
      FROM jsonb_to_recordset(in_readings) AS x (id text, kind text, value double precision, who text,
        taken_at timestamptz, supersedes text, doc jsonb);
    UPDATE jobs SET version = later, updated_at = now(),
      title = coalesce(in_fields->>'title', title), address = coalesce(in_fields->>'address', address),
      owner = coalesce(in_fields->>'owner', owner), note = coalesce(in_fields->>'note', note),
      doc = coalesce(in_doc, doc), doc_rev = CASE WHEN in_doc IS NULL THEN doc_rev ELSE later END
      WHERE shop = in_shop AND id = in_job;
    PERFORM pg_notify('gate_cross_jobs', json_build_object('shop', in_shop, 'id', in_job, 'version', later)::text);
    RETURN QUERY SELECT true, later;
  END $$;
`

/** Readings go only with a job that is deleted permanently. */
const STAY = `
  CREATE OR REPLACE FUNCTION readings_stay() RETURNS trigger LANGUAGE plpgsql AS $$
  BEGIN
    IF TG_OP = 'DELETE' AND current_setting('gate_cross.purge', true) = 'on' THEN RETURN OLD; END IF;
    RAISE EXCEPTION 'readings are append-only: record a correction that supersedes this one';
  END $$;
`
