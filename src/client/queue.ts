import { openDB, type DBSchema, type IDBPDatabase } from 'idb'
import type { Envelope, Job, Problem } from '@/jobfile'

/** An operation that the server did not take, kept until the technician has decided. */
export interface SetAside {
  envelope: Envelope
  place: string
  /** What somebody else did to the same place; or why it was refused. */
  theirs: Envelope | null
  problems: Problem[]
}

/** Where operations wait, and the last document seen; it outlives the page. */
export interface QueueStorage {
  pending(jobId: string): Promise<Envelope[]>
  add(jobId: string, envelope: Envelope): Promise<void>
  remove(jobId: string, opIds: string[]): Promise<void>
  aside(jobId: string): Promise<SetAside[]>
  setAside(jobId: string, item: SetAside): Promise<void>
  settle(jobId: string, opId: string): Promise<void>
  lastSeen(jobId: string): Promise<{ version: number; job: Job } | null>
  remember(jobId: string, version: number, job: Job): Promise<void>
}

interface Schema extends DBSchema {
  pending: {
    key: number
    value: { jobId: string; opId: string; envelope: Envelope }
    indexes: { job: string; op: string }
  }
  aside: { key: string; value: { jobId: string; opId: string; item: SetAside }; indexes: { job: string } }
  seen: { key: string; value: { jobId: string; version: number; job: Job } }
}

/** The queue in the browser's own database. Keys grow, so operations come back in the order of making. */
export function browserQueue(): QueueStorage {
  let opened: Promise<IDBPDatabase<Schema>> | null = null
  const db = () =>
    (opened ??= openDB<Schema>('gate-cross', 1, {
      upgrade(d) {
        const pending = d.createObjectStore('pending', { autoIncrement: true })
        pending.createIndex('job', 'jobId')
        pending.createIndex('op', 'opId')
        d.createObjectStore('aside', { keyPath: 'opId' }).createIndex('job', 'jobId')
        d.createObjectStore('seen', { keyPath: 'jobId' })
      },
    }))
  return {
    async pending(jobId) {
      return (await (await db()).getAllFromIndex('pending', 'job', jobId)).map((r) => r.envelope)
    },
    async add(jobId, envelope) {
      // Strict: on the disk before the promise resolves, so that a phone that dies has not lost it.
      const tx = (await db()).transaction('pending', 'readwrite', { durability: 'strict' })
      await tx.store.add({ jobId, opId: envelope.opId, envelope })
      await tx.done
    },
    async remove(_, opIds) {
      const tx = (await db()).transaction('pending', 'readwrite')
      for (const opId of opIds)
        for (const key of await tx.store.index('op').getAllKeys(opId)) await tx.store.delete(key)
      await tx.done
    },
    async aside(jobId) {
      return (await (await db()).getAllFromIndex('aside', 'job', jobId)).map((r) => r.item)
    },
    async setAside(jobId, item) {
      await (await db()).put('aside', { jobId, opId: item.envelope.opId, item })
    },
    async settle(_, opId) {
      await (await db()).delete('aside', opId)
    },
    async lastSeen(jobId) {
      return (await (await db()).get('seen', jobId)) ?? null
    },
    async remember(jobId, version, job) {
      await (await db()).put('seen', { jobId, version, job })
    },
  }
}

/** The queue in memory, for tests and for browsers that allow no storage. */
export function memoryQueue(): QueueStorage {
  const pending = new Map<string, Envelope[]>()
  const aside = new Map<string, SetAside[]>()
  const seen = new Map<string, { version: number; job: Job }>()
  return {
    pending: async (id) => [...(pending.get(id) ?? [])],
    add: async (id, e) => void pending.set(id, [...(pending.get(id) ?? []), e]),
    remove: async (id, ops) =>
      void pending.set(
        id,
        (pending.get(id) ?? []).filter((e) => !ops.includes(e.opId)),
      ),
    aside: async (id) => [...(aside.get(id) ?? [])],
    setAside: async (id, item) => void aside.set(id, [...(aside.get(id) ?? []), item]),
    settle: async (id, opId) =>
      void aside.set(
        id,
        (aside.get(id) ?? []).filter((i) => i.envelope.opId !== opId),
      ),
    lastSeen: async (id) => seen.get(id) ?? null,
    remember: async (id, version, job) => void seen.set(id, { version, job }),
  }
}
