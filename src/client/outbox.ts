import { clashAt, upgradeEnvelope, type Envelope, type Job, type Problem } from '@/jobfile'
import type { ConflictedOp, QueueStorage } from './queue'

/** ms after which a store that does not answer counts as one that keeps nothing. */
const STORE_MS = 5000

/**
 * A job's edits that wait on this device: in memory, and in a store that outlives the page as far as the device has
 * one. An edit that the store refuses stays in memory, is counted, and is offered to the store again.
 */
export class Outbox {
  pending: Envelope[] = []
  conflicted: ConflictedOp[] = []
  /** Whether the store answered when it was last asked. */
  isKeeping = true
  private unstored = new Set<string>()
  /** Writes happen one after the other. */
  private writes: Promise<void> = Promise.resolve()

  constructor(
    private readonly jobId: string,
    private readonly store: QueueStorage,
    private readonly defer: (write: () => Promise<void>) => Promise<void> = (write) => write(),
  ) {}

  /** How many edits are on this page alone: lost with it unless the server takes them first. */
  get onPageOnly(): number {
    return this.pending.filter((e) => this.unstored.has(e.opId)).length
  }

  /** Reads what an earlier page left, and the document last seen. What was made meanwhile comes after it. */
  async load(): Promise<{ version: number; job: Job } | null> {
    const read = await this.tried(async () => {
      const { store, jobId } = this
      return Promise.all([store.pending(jobId), store.conflicted(jobId), store.lastSeen(jobId)])
    })
    if (!read) return null
    const [pending, conflicted, seen] = read
    const made = this.pending.filter((p) => !pending.some((q) => q.opId === p.opId))
    // Edits that an older version left in the queue are upgraded.
    const base = seen?.version ?? 0
    this.pending = [...pending.map((e) => upgradeEnvelope(e, base) as Envelope), ...made]
    this.conflicted = [
      ...conflicted,
      ...this.conflicted.filter((c) => !conflicted.some((k) => k.envelope.opId === c.envelope.opId)),
    ]
    return seen
  }

  /** Takes an edit in; `stored` resolves when it is in the store, or is known not to be. */
  add(envelope: Envelope): { stored: Promise<void> } {
    this.pending = [...this.pending, envelope]
    this.unstored.add(envelope.opId)
    try {
      this.store.jot?.(this.jobId, envelope)
    } catch {
      // The store itself says whether it keeps anything.
    }
    return { stored: this.write(() => this.defer(() => this.keep(envelope))) }
  }

  /** Adds an edit that another tab made and stores itself. */
  adopt(envelope: Envelope): boolean {
    if (this.pending.some((e) => e.opId === envelope.opId)) return false
    this.pending = [...this.pending, envelope]
    return true
  }

  /** Offers the store what it would not take, and what has gone from it: it may have been full, or emptied. */
  async keepAll(): Promise<void> {
    if (!this.pending.length) return
    await this.write(async () => {
      const there = await this.tried(() => this.store.pending(this.jobId))
      const names = new Set(there?.map((e) => e.opId))
      for (const envelope of this.pending) if (!names.has(envelope.opId)) await this.keep(envelope)
    })
  }

  /** Takes out what has arrived, or is set aside. */
  async done(opIds: readonly string[]): Promise<void> {
    this.forget(opIds)
    await this.tried(() => this.store.remove(this.jobId, [...opIds]))
  }
  /** Drops from memory what another tab has sent and taken out of the store. */
  forget(opIds: readonly string[]): void {
    const gone = new Set(opIds)
    this.pending = this.pending.filter((e) => !gone.has(e.opId))
    for (const opId of opIds) this.unstored.delete(opId)
  }

  async setAside(item: ConflictedOp): Promise<void> {
    // While somebody types in one field, only the last text is sent.
    const { op, client, at } = item.envelope
    const same = this.conflicted.filter(
      (c) => c.path === item.path && c.envelope.op.kind === op.kind && c.envelope.client === client,
    )
    if (same.some((c) => c.envelope.at > at)) return
    this.conflicted = [...this.conflicted.filter((c) => !same.includes(c)), item]
    await this.tried(() => this.store.addConflicted(this.jobId, item))
    for (const each of same) await this.tried(() => this.store.settle(this.jobId, each.envelope.opId))
  }
  /** Shows beside each edit that was set aside what others have made of its place since: the newest counts. */
  async renew(ops: readonly Envelope[]): Promise<void> {
    for (const item of this.conflicted.filter((c) => c.theirs)) {
      const newest = ops.findLast((e) => clashAt(item.envelope.op, e.op) !== null)
      if (!newest) continue
      const now = { ...item, theirs: newest }
      this.conflicted = this.conflicted.map((c) => (c === item ? now : c))
      await this.tried(() => this.store.addConflicted(this.jobId, now))
    }
  }
  /** Takes out one that was set aside; `null`: there is none of that name. */
  settle(opId: string): { item: ConflictedOp | null; stored: Promise<void> } {
    const item = this.conflicted.find((a) => a.envelope.opId === opId) ?? null
    this.conflicted = this.conflicted.filter((a) => a !== item)
    return {
      item,
      stored: this.write(async () => void (await this.tried(() => this.store.settle(this.jobId, opId)))),
    }
  }

  /** Remembers the document for days without the server. */
  async remember(version: number, job: Job): Promise<void> {
    await this.tried(() => this.store.remember(this.jobId, version, job))
  }

  /** Resolves when every write so far has been tried. */
  written = (): Promise<void> => this.writes

  private write(act: () => Promise<void>): Promise<void> {
    this.writes = this.writes.then(act).catch(() => undefined)
    return this.writes
  }

  private async keep(envelope: Envelope): Promise<void> {
    const isStored = await this.tried(async () => {
      await this.store.add(this.jobId, envelope)
      return true
    })
    if (isStored) this.unstored.delete(envelope.opId)
    else this.unstored.add(envelope.opId)
  }

  /** The store's answer; null where it refuses, is full, or takes too long. */
  private async tried<T>(act: () => Promise<T>): Promise<T | null> {
    let timer: ReturnType<typeof setTimeout> | undefined
    const tooLong = new Promise<never>((_, reject) => {
      timer = setTimeout(() => reject(new Error('the device’s store does not answer')), STORE_MS)
    })
    try {
      const answer = await Promise.race([act(), tooLong])
      this.isKeeping = true
      return answer
    } catch {
      this.isKeeping = false
      return null
    } finally {
      clearTimeout(timer)
    }
  }
}

/** The first place of an edit that was set aside, and why it was. */
export const setAsideFor = (
  envelope: Envelope,
  path: string,
  why: { theirs?: Envelope; problems?: Problem[] },
): ConflictedOp => ({ envelope, path, theirs: why.theirs ?? null, problems: why.problems ?? [] })
