import type { QueryInterface } from 'sequelize'

/** The log has the server's time of each edit beside that of the device that made it. */
export const m0005Clocks = {
  name: '0005-clocks',
  async up({ context: q }: { context: QueryInterface }): Promise<void> {
    await q.sequelize.query(COLUMNS)
    await q.sequelize.query(APPEND)
  },
}

const COLUMNS = `
  ALTER TABLE job_ops
    -- What the device's own clock said, where it was wrong; made_at is then the time by the server's.
    ADD COLUMN device_at text,
    -- Unknown of the edits that are there already.
    ADD COLUMN received_at timestamptz;
  ALTER TABLE job_ops ALTER COLUMN received_at SET DEFAULT now();
`

const APPEND = `
  CREATE OR REPLACE FUNCTION append_ops(
    in_shop text, in_job text, in_expected integer, in_ops jsonb, in_readings jsonb, in_fields jsonb, in_doc jsonb
  ) RETURNS TABLE (done boolean, revision integer) LANGUAGE plpgsql SET lock_timeout = '2s' AS $$
  DECLARE here integer; later integer;
  BEGIN
    SELECT version INTO here FROM jobs WHERE shop = in_shop AND id = in_job FOR UPDATE;
    IF NOT FOUND THEN RETURN; END IF;
    IF here <> in_expected THEN RETURN QUERY SELECT false, here; RETURN; END IF;
    later := here + jsonb_array_length(in_ops);
    INSERT INTO job_ops (shop, job_id, op_id, version, base_version, client, who, made_at, device_at, doc_version, seen, op)
      SELECT in_shop, in_job, x.op_id, x.version, x.base_version, x.client, x.who, x.made_at, x.device_at, x.doc_version,
        x.seen, x.op
      FROM jsonb_to_recordset(in_ops) AS x (op_id text, version integer, base_version integer, client text, who text,
        made_at text, device_at text, doc_version integer, seen integer, op jsonb);
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
