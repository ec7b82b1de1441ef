import { sure } from '@/core/sure'
import isEqual from 'fast-deep-equal'
import {
  apply,
  batched,
  inverse,
  JOB_VERSION,
  MOST_OPS,
  pathsOf,
  restorable,
  storedJob,
  upgradeEnvelope,
  type Checked,
  type Envelope,
  type Job,
  type Operation,
  type Problem,
  type PushResponse,
  type Restore,
} from '@/jobfile'
import type { QueueStorage, ConflictedOp } from './queue'
import type { Transport } from './transport'

/** What a screen sees of a job. A new object for each change. */
export interface JobView {
  /** null until it is loaded. */
  job: Job | null
  /** Operations that have not reached the server yet. */
  waiting: number
  /** saved: all there; saving: on the way; offline: kept here and tried again. */
  saving: 'saved' | 'saving' | 'offline'
  /** Why there is no job to show; null while there is, or while it loads. */
  missing: Problem[] | null
  conflicted: ConflictedOp[]
  canUndo: boolean
  canRedo: boolean
  /** Places that the last undo or redo left as they are, for somebody has changed them in the meantime. */
  notTakenBack: string[]
}

export interface StoreNeeds {
  transport: Transport
  queue: QueueStorage
  /** This tab. */
  client: string
  who: () => string
  newId: () => string
  now: () => Date
  /** Milliseconds before try number `n` (from 1) after a failure. */
  retryAfter?: (n: number) => number
  /** Runs the write of what is not urgent when nothing else is to be done; at once when not given. */
  idle?: (write: () => Promise<void>) => Promise<void>
  /** Runs the write to the queue out of the way of the painting that the edit brings; at once when not given. */
  defer?: (write: () => Promise<void>) => Promise<void>
  /** Milliseconds that an edit, safe in the queue, waits for others to travel with it; 0 when not given. */
  sendAfter?: number
}

/**
 * The job document in the browser. An edit changes what is seen at once, goes into the durable queue, and travels to
 * the server in order; the server takes each operation once however often it is sent. What is seen is always the last
 * document from the server with the waiting operations applied to it.
 */
export class JobStore {
  private base: { version: number; job: Job } | null = null
  private pending: Envelope[] = []
  private conflicted: ConflictedOp[] = []
  private undos: Restore[] = []
  private redos: Restore[] = []
  private notTakenBack: string[] = []
  private missing: Problem[] | null = null
  private failures = 0
  private flushing: Promise<void> | null = null
  private timer: ReturnType<typeof setTimeout> | null = null
  private soon: ReturnType<typeof setTimeout> | null = null
  private closed = false
  private listeners = new Set<() => void>()
  private view: JobView = this.look(null)
  /** Writes to the queue happen one after the other. */
  private writes: Promise<void> = Promise.resolve()

  constructor(
    readonly jobId: string,
    private readonly needs: StoreNeeds,
  ) {}

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  getView = (): JobView => this.view

  /** Loads what waits here and the document; without the server, the document last seen. */
  async load(): Promise<void> {
    const { queue, transport } = this.needs
    const [pending, conflicted, seen] = await Promise.all([
      queue.pending(this.jobId),
      queue.conflicted(this.jobId),
      queue.lastSeen(this.jobId),
    ])
    const made = this.pending.filter((p) => !pending.some((q) => q.opId === p.opId))
    // What an older version of the app left in the queue is read as one of today's.
    const base = seen?.version ?? 0
    this.pending = [...pending.map((e) => upgradeEnvelope(e, base) as Envelope), ...made]
    this.conflicted = conflicted
    if (seen && !this.base) this.base = { ...seen, job: storedJob(seen.job) }
    const loaded = await transport.load(this.jobId)
    if (loaded.ok) await this.rebase(loaded.value)
    else if (loaded.why === 'refused') {
      this.base = null
      this.missing = loaded.problems
    } else {
      this.failures++
      if (!this.base) this.missing = null
      this.retryLater()
    }
    this.publish()
    void this.flush()
  }

  /**
   * Makes an edit; several at once are one batch, made whole or not at all. The answer is immediate; a refused one names
   * its place and changes nothing.
   */
  edit(edits: Operation | readonly Operation[], record: 'undo' | 'redo' | 'fresh' = 'fresh'): Checked<Job> {
    const job = this.view.job
    if (!job || !this.base) return { ok: false, problems: [{ path: '', expected: 'a job that is loaded' }] }
    const op = 'kind' in edits ? edits : batched(edits)
    if (!op) return { ok: true, value: job }
    const applied = apply(job, op)
    if (!applied.ok) return applied
    const back = inverse(job, op, applied)
    if (record === 'fresh') this.notTakenBack = []
    if (record === 'undo') this.redos = back ? [...this.redos, back] : this.redos
    else this.undos = back ? [...this.undos, back].slice(-100) : this.undos
    if (record === 'fresh') this.redos = []
    const { needs } = this
    const envelope = {
      opId: needs.newId(),
      client: needs.client,
      who: needs.who(),
      at: needs.now().toISOString(),
      docVersion: JOB_VERSION,
      seen: this.base.version,
      op,
    }
    this.pending = [...this.pending, envelope]
    this.view = this.look(applied.value)
    for (const l of this.listeners) l()
    const write = () => needs.queue.add(this.jobId, envelope)
    this.writes = this.writes.then(() => (needs.defer ? needs.defer(write) : write())).catch(() => undefined)
    void this.writes.then(() => this.flushSoon())
    return applied
  }

  undo(): boolean {
    const op = this.undos[this.undos.length - 1]
    this.undos = this.undos.slice(0, -1)
    return op !== undefined && this.takeBack(op, 'undo')
  }
  redo(): boolean {
    const op = this.redos[this.redos.length - 1]
    this.redos = this.redos.slice(0, -1)
    return op !== undefined && this.takeBack(op, 'redo')
  }

  /** Restores what is still as the edit left it; the rest, which somebody has changed since, is named in the view. */
  private takeBack(op: Restore, record: 'undo' | 'redo'): boolean {
    const { job } = this.view
    if (!job) return false
    const { can, left } = restorable(job, op)
    this.notTakenBack = left.map((c) => c.at.join('.'))
    const made = can !== null && this.edit(can, record).ok
    if (!made) this.publish()
    return made
  }

  /** Decides an operation that was set aside: make it again on top of theirs, or let it go. */
  decide = async (opId: string, choice: 'mine' | 'theirs'): Promise<void> => {
    const item = this.conflicted.find((a) => a.envelope.opId === opId)
    this.conflicted = this.conflicted.filter((a) => a !== item)
    if (item && choice === 'mine') this.edit(item.envelope.op)
    this.publish()
    await this.needs.queue.settle(this.jobId, opId)
  }

  /** Sends what waits, oldest first; one sending at a time. Resolves when nothing waits or the server is away. */
  flush(): Promise<void> {
    this.flushing ??= this.send().finally(() => {
      this.flushing = null
    })
    return this.flushing
  }

  close(): void {
    this.closed = true
    if (this.soon) clearTimeout(this.soon)
    if (this.timer) clearTimeout(this.timer)
  }

  private flushSoon(): void {
    const wait = this.needs.sendAfter ?? 0
    if (wait === 0) void this.flush()
    else
      this.soon ??= setTimeout(() => {
        this.soon = null
        void this.flush()
      }, wait)
  }

  private async send(): Promise<void> {
    await this.writes
    while (this.pending.length && this.base && !this.closed) {
      const ops = this.pending.slice(0, MOST_OPS)
      this.publish()
      const answered = await this.needs.transport.push(this.jobId, { base: this.base.version, ops })
      if (!answered.ok && answered.why === 'offline') {
        this.failures++
        this.retryLater()
        this.publish()
        return
      }
      this.failures = 0
      if (!answered.ok) await this.refuseAll(ops, answered.problems)
      else await this.acknowledge(ops, answered.value)
      await this.writes
    }
    this.publish()
  }

  private async acknowledge(sent: Envelope[], answer: PushResponse): Promise<void> {
    const { queue, transport } = this.needs
    let { job } = sure(this.base, 'the document')
    let exact = answer.others.length === 0
    for (const result of answer.results) {
      const envelope = sent.find((e) => e.opId === result.opId)
      if (!envelope) continue
      if (result.outcome === 'applied') {
        const applied = apply(job, envelope.op)
        if (applied.ok) job = applied.value
        else exact = false
      } else if (result.outcome === 'alreadyThere') exact = false
      else {
        const theirs = result.outcome === 'stale' ? result.theirs : null
        const problems = result.outcome === 'refused' ? result.problems : []
        const item: ConflictedOp = {
          envelope,
          path: result.outcome === 'stale' ? result.path : (pathsOf(envelope.op)[0] ?? ''),
          theirs,
          problems,
        }
        await queue.addConflicted(this.jobId, item)
        this.conflicted = [...this.conflicted, item]
        exact = false
      }
    }
    const done = sent.map((e) => e.opId)
    this.pending = this.pending.filter((e) => !done.includes(e.opId))
    this.base = { version: answer.version, job }
    await queue.remove(this.jobId, done)
    // Somebody else was here, or we missed an answer: their document is the one to stand on.
    const fresh = exact ? null : await transport.load(this.jobId)
    await this.rebase(fresh?.ok ? fresh.value : this.base)
    this.publish()
  }

  /** The server will not take this request at all: nothing is lost, each operation is set aside with the reason. */
  private async refuseAll(ops: Envelope[], problems: Problem[]): Promise<void> {
    for (const envelope of ops) {
      const item: ConflictedOp = { envelope, path: pathsOf(envelope.op)[0] ?? '', theirs: null, problems }
      await this.needs.queue.addConflicted(this.jobId, item)
      this.conflicted = [...this.conflicted, item]
    }
    const gone = ops.map((o) => o.opId)
    this.pending = this.pending.filter((e) => !gone.includes(e.opId))
    await this.needs.queue.remove(this.jobId, gone)
  }

  private async rebase(base: { version: number; job: Job }): Promise<void> {
    this.base = base
    this.missing = null
    const { queue, idle } = this.needs
    const write = () => queue.remember(this.jobId, base.version, base.job)
    // A copy of the whole document for days without the server: it need not be in anybody's way.
    if (idle) void idle(() => (this.base === base ? write() : Promise.resolve())).catch(() => undefined)
    else await write()
  }

  private retryLater(): void {
    if (this.timer) clearTimeout(this.timer)
    if (this.closed) return
    const wait = this.needs.retryAfter?.(this.failures) ?? Math.min(10_000, 500 * 2 ** this.failures)
    this.timer = setTimeout(() => void (this.base ? this.flush() : this.load()), wait)
  }

  /** The base with everything that waits applied to it; what no longer applies is left to the server to refuse. */
  private current(): Job | null {
    if (!this.base) return null
    return this.pending.reduce((job, e) => {
      const applied = apply(job, e.op)
      return applied.ok ? applied.value : job
    }, this.base.job)
  }

  private look(job: Job | null): JobView {
    const waiting = this.pending.length
    return {
      job,
      waiting,
      saving: waiting === 0 && this.failures === 0 ? 'saved' : this.failures > 0 ? 'offline' : 'saving',
      missing: this.missing,
      conflicted: this.conflicted,
      canUndo: this.undos.length > 0,
      canRedo: this.redos.length > 0,
      notTakenBack: this.notTakenBack,
    }
  }

  private publish(): void {
    const job = this.current()
    // The same content keeps the same object, so that nothing is computed or drawn again for a save that changed nothing.
    const next = this.look(isEqual(this.view.job, job) ? this.view.job : job)
    if (isEqual(next, this.view)) return
    this.view = next
    for (const l of this.listeners) l()
  }
}
