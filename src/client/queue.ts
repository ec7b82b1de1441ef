import { openDB, type DBSchema, type IDBPDatabase, type IDBPTransaction, type StoreNames } from 'idb'
import type { Envelope, Job, Problem } from '@/jobfile'

/** An operation that the server did not take, kept until the technician has decided. */
export interface ConflictedOp {
  envelope: Envelope
  path: string
  /** The other person's edit of the same place; null where the edit was refused. */
  theirs: Envelope | null
  problems: Problem[]
}

/** Storage for waiting operations and for the last document seen. It outlives the page. */
export interface QueueStorage {
  pending(jobId: string): Promise<Envelope[]>
  add(jobId: string, envelope: Envelope): Promise<void>
  /** Jots an edit down at this instant, until `add` has it: a page that goes in the middle of it has not lost it. */
  jot?(jobId: string, envelope: Envelope): void
  remove(jobId: string, opIds: string[]): Promise<void>
  conflicted(jobId: string): Promise<ConflictedOp[]>
  addConflicted(jobId: string, item: ConflictedOp): Promise<void>
  settle(jobId: string, opId: string): Promise<void>
  lastSeen(jobId: string): Promise<{ version: number; job: Job } | null>
  remember(jobId: string, version: number, job: Job): Promise<void>
  /** Every job that is here, the newest first. */
  onDevice(): Promise<OnDeviceJob[]>
}

/** A job that was opened on this device. */
export interface OnDeviceJob {
  jobId: string
  title: string
  /** ISO time at which it was last as the server had it; null: not known. */
  at: string | null
  /** Edits that have not reached the server. */
  waiting: number
}

interface Schema extends DBSchema {
  pending: {
    key: number
    value: { jobId: string; opId: string; envelope: Envelope }
    indexes: { job: string; op: string }
  }
  conflicted: {
    key: string
    value: { jobId: string; opId: string; item: ConflictedOp }
    indexes: { job: string }
  }
  seen: { key: string; value: { jobId: string; version: number; job: Job; at?: string } }
}

/** The queue in the browser's own database. Keys grow, so operations come back in the order of making. */
export function browserQueue(): QueueStorage {
  let opened: Promise<IDBPDatabase<Schema>> | null = null
  const forget = () => {
    opened = null
  }
  const db = (): Promise<IDBPDatabase<Schema>> => {
    // A database that failed to open, was emptied or closed is opened again by the next call.
    opened ??= openDB<Schema>('gate-cross', 2, {
      upgrade(d, from, _, tx) {
        if (from === 1) return void renameConflicted(d, tx)
        const pending = d.createObjectStore('pending', { autoIncrement: true })
        pending.createIndex('job', 'jobId')
        pending.createIndex('op', 'opId')
        d.createObjectStore('conflicted', { keyPath: 'opId' }).createIndex('job', 'jobId')
        d.createObjectStore('seen', { keyPath: 'jobId' })
      },
      // Another tab has a newer release, or the person empties the store: neither must wait for this page.
      blocking: () => void opened?.then((d) => d.close()).finally(forget),
      terminated: forget,
    }).catch((e: unknown) => {
      forget()
      throw e
    })
    return opened
  }
  return {
    async pending(jobId) {
      const stored = (await (await db()).getAllFromIndex('pending', 'job', jobId)).map((r) => r.envelope)
      const names = new Set(stored.map((e) => e.opId))
      const jotted = jottedFor(jobId)
      // Edits that have arrived or are stored by now need no note.
      for (const e of jotted) if (names.has(e.opId)) unjot(e.opId)
      return [...stored, ...jotted.filter((e) => !names.has(e.opId))]
    },
    async add(jobId, envelope) {
      // Strict: on the disk before the promise resolves, so that a phone that dies has not lost it.
      const tx = (await db()).transaction('pending', 'readwrite', { durability: 'strict' })
      await tx.store.add({ jobId, opId: envelope.opId, envelope })
      await tx.done
      unjot(envelope.opId)
    },
    jot(jobId, envelope) {
      localStorage.setItem(`${JOT}${envelope.opId}`, JSON.stringify({ jobId, envelope }))
    },
    async remove(_, opIds) {
      opIds.forEach(unjot)
      const tx = (await db()).transaction('pending', 'readwrite')
      for (const opId of opIds)
        for (const key of await tx.store.index('op').getAllKeys(opId)) await tx.store.delete(key)
      await tx.done
    },
    async conflicted(jobId) {
      return (await (await db()).getAllFromIndex('conflicted', 'job', jobId)).map((r) => r.item)
    },
    async addConflicted(jobId, item) {
      await (await db()).put('conflicted', { jobId, opId: item.envelope.opId, item })
    },
    async settle(_, opId) {
      await (await db()).delete('conflicted', opId)
    },
    async lastSeen(jobId) {
      return (await (await db()).get('seen', jobId)) ?? null
    },
    async onDevice() {
      const d = await db()
      const [seen, pending] = await Promise.all([d.getAll('seen'), d.getAll('pending')])
      return seen
        .map(({ jobId, job, at }) => ({
          jobId,
          title: job.title,
          at: at ?? null,
          waiting: pending.filter((p) => p.jobId === jobId).length,
        }))
        .sort((a, b) => (b.at ?? '').localeCompare(a.at ?? ''))
    },
    async remember(jobId, version, job) {
      await (await db()).put('seen', { jobId, version, job, at: new Date().toISOString() })
    },
  }
}

/** Under which an edit is jotted down; this store alone is written before the page can go. */
const JOT = 'gate-cross-edit-'
const unjot = (opId: string): void => {
  try {
    localStorage.removeItem(`${JOT}${opId}`)
  } catch {
    // Nothing was jotted down.
  }
}

/** Edits of a job that a page jotted down and could not keep any more, in the order of making. */
function jottedFor(jobId: string): Envelope[] {
  try {
    return Object.keys(localStorage)
      .filter((key) => key.startsWith(JOT))
      .flatMap((key) => {
        const jot = JSON.parse(localStorage.getItem(key) ?? 'null') as {
          jobId: string
          envelope: Envelope
        } | null
        return jot?.jobId === jobId ? [jot.envelope] : []
      })
      .sort((a, b) => a.at.localeCompare(b.at))
  } catch {
    return []
  }
}

/** Version 1 called the store of conflicted operations "aside"; what waits in it is kept. */
async function renameConflicted(
  d: IDBPDatabase<Schema>,
  tx: IDBPTransaction<Schema, StoreNames<Schema>[], 'versionchange'>,
): Promise<void> {
  // The old store is in no schema of today's.
  const old = 'aside' as unknown as 'conflicted'
  const waiting = await tx.objectStore(old).getAll()
  const store = d.createObjectStore('conflicted', { keyPath: 'opId' })
  store.createIndex('job', 'jobId')
  for (const each of waiting) await store.put(each)
  d.deleteObjectStore(old)
}

/** The queue in memory, for tests and for browsers that allow no storage. */
export function memoryQueue(): QueueStorage {
  const pending = new Map<string, Envelope[]>()
  const conflicted = new Map<string, ConflictedOp[]>()
  const seen = new Map<string, { version: number; job: Job }>()
  return {
    pending: async (id) => [...(pending.get(id) ?? [])],
    add: async (id, e) => void pending.set(id, [...(pending.get(id) ?? []), e]),
    remove: async (id, ops) =>
      void pending.set(
        id,
        (pending.get(id) ?? []).filter((e) => !ops.includes(e.opId)),
      ),
    conflicted: async (id) => [...(conflicted.get(id) ?? [])],
    addConflicted: async (id, item) => {
      const { opId } = item.envelope
      const others = (conflicted.get(id) ?? []).filter((i) => i.envelope.opId !== opId)
      conflicted.set(id, [...others, item])
    },
    settle: async (id, opId) =>
      void conflicted.set(
        id,
        (conflicted.get(id) ?? []).filter((i) => i.envelope.opId !== opId),
      ),
    lastSeen: async (id) => seen.get(id) ?? null,
    remember: async (id, version, job) => void seen.set(id, { version, job }),
    onDevice: async () =>
      [...seen].map(([jobId, { job }]) => ({
        jobId,
        title: job.title,
        at: null,
        waiting: pending.get(jobId)?.length ?? 0,
      })),
  }
}
