import { required } from '@/core/assert'
import isEqual from 'fast-deep-equal'
import {
  apply,
  batched,
  inverse,
  MOST_OPS,
  pathsOf,
  restorable,
  storedJob,
  type Checked,
  type Deletion,
  type Envelope,
  type Job,
  type Operation,
  type Problem,
  type PushResponse,
  type Restore,
} from '@/jobfile'
import { envelopeOf, sentNow } from './envelopeOf'
import { Outbox, setAsideFor } from './outbox'
import { withAll, withMost } from './replay'
import { problemsOf } from './transport'
import type { EditHow, JobView, StoreNeeds, TabMessage } from './view'

/** Times that an edit on which the server breaks down is sent before it is set aside; edits of others that are shown. */
const [TRIES, MOST_NEWS] = [3, 20]
/** ms after which a tab sends what another one has made and has not said to have sent. */
const ADOPT_MS = 4000

/**
 * The job document in the browser. An edit changes what is seen at once, goes into the durable queue, and travels to
 * the server in order; the server takes each operation once however often it is sent. What is seen is always the last
 * document from the server with the waiting operations applied to it.
 */
export class JobStore {
  private base: { version: number; job: Job } | null = null
  private readonly box: Outbox
  private undos: Restore[] = []
  private redos: Restore[] = []
  private notTakenBack: string[] = []
  private news: readonly Envelope[] = []
  private missing: Problem[] | null = null
  private deleted: Deletion | null = null
  private failures = 0
  /** How often the server has broken down on the oldest edit. */
  private breakdowns = 0
  /** The newest revision that was heard of. */
  private heard = 0
  /** Some revisions may have gone by unheard since the document was last asked for. */
  private mayHaveMissed = false
  /** The document here is not known to be the one of its revision: it is loaded as soon as that can be done. */
  private isInexact = false
  private flushing: Promise<void> | null = null
  private timer: ReturnType<typeof setTimeout> | null = null
  private soon: ReturnType<typeof setTimeout> | null = null
  private adopted: ReturnType<typeof setTimeout> | null = null
  private closed = false
  private listeners = new Set<() => void>()
  private view: JobView

  constructor(
    readonly jobId: string,
    private readonly needs: StoreNeeds,
  ) {
    this.box = new Outbox(jobId, needs.queue, needs.defer)
    this.view = this.look(null)
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener)
    return () => this.listeners.delete(listener)
  }
  getView = (): JobView => this.view

  /** Loads what waits here and the document; without the server, the document last seen. */
  async load(): Promise<void> {
    const seen = await this.box.load()
    if (seen && !this.base) this.base = { ...seen, job: storedJob(seen.job) }
    // The device's copy is shown at once; the server's document replaces it in a moment.
    if (seen) this.publish()
    this.isInexact = true
    // In its turn: a document that comes while edits are on their way is not the one that they are acknowledged on.
    await this.flush()
    if (this.isInexact && this.failures === 0) await this.flush()
  }

  /** The whole document anew. */
  private async reload(): Promise<'done' | 'later'> {
    const loaded = await this.needs.transport.load(this.jobId)
    if (!loaded.ok && loaded.why !== 'refused') {
      if (!this.base) this.missing = null
      return 'later'
    }
    this.failures = 0
    this.isInexact = false
    if (loaded.ok) {
      this.deleted = loaded.value.deleted
      await this.rebase(loaded.value)
    } else {
      // Edits that wait for this job are not lost: each is set aside with the reason as it is sent.
      if (!this.box.pending.length && !this.box.conflicted.length) this.base = null
      this.missing = this.base ? null : loaded.problems
    }
    return 'done'
  }

  /**
   * Makes an edit; several at once are one batch, made whole or not at all. The answer is immediate; a refused one names
   * its place and changes nothing.
   */
  edit(edits: Operation | readonly Operation[], { record = 'fresh', seen }: EditHow = {}): Checked<Job> {
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
    const { needs, box, jobId } = this
    const envelope = envelopeOf(op, needs, box.pending, this.base.version, seen)
    const { stored } = box.add(envelope)
    this.view = this.look(applied.value)
    for (const l of this.listeners) l()
    needs.tell?.({ kind: 'made', jobId, envelope })
    void stored.then(() => {
      if (!box.isKeeping) this.publish()
      this.flushSoon()
    })
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
    const made = can !== null && this.edit(can, { record }).ok
    if (!made) this.publish()
    return made
  }

  /** Decides an operation that was set aside: make it again on top of theirs, or let it go. */
  decide = async (opId: string, choice: 'mine' | 'theirs'): Promise<void> => {
    const { item, stored } = this.box.settle(opId)
    if (item && choice === 'mine') this.edit(item.envelope.op)
    this.publish()
    await stored
  }

  /** Clears the list of what others did. */
  dismissNews = (): void => {
    this.news = []
    this.publish()
  }

  /** A revision was heard of, from another tab or the server; null: some may have been missed. */
  hear(version: number | null): void {
    if (version === null) this.mayHaveMissed = true
    else this.heard = Math.max(this.heard, version)
    if (this.base && this.isBehind()) void this.flush()
  }

  private isBehind(): boolean {
    return this.mayHaveMissed || this.heard > (this.base?.version ?? 0)
  }

  /** Takes up what another tab of this browser tells. */
  hearTab(message: TabMessage): void {
    if (message.jobId !== this.jobId) return
    if (message.kind === 'sent') {
      this.box.forget(message.opIds)
      this.hear(message.version)
      this.publish()
    } else if (this.box.adopt(message.envelope)) {
      this.publish()
      // The other tab sends it; one that was closed in the middle of it does not.
      this.adopted ??= setTimeout(() => {
        this.adopted = null
        void this.flush()
      }, ADOPT_MS)
    }
  }

  /** Sends what waits, oldest first, and takes up what was heard of; one at a time. */
  flush(): Promise<void> {
    this.flushing ??= this.exchange().finally(() => {
      this.flushing = null
    })
    return this.flushing
  }

  close(): void {
    this.closed = true
    for (const timer of [this.soon, this.timer, this.adopted]) if (timer) clearTimeout(timer)
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

  private async exchange(): Promise<void> {
    const { box } = this
    // After a refusal half of the edits are sent, until the one at fault is alone.
    let most = MOST_OPS
    for (;;) {
      if (box.isKeeping) await box.written()
      if (this.closed) break
      if (!this.base && !this.isInexact) break
      // Nothing is sent before there is a document to send it for.
      const ops = this.base ? box.pending.slice(0, most) : []
      if (!ops.length && !this.isInexact && !this.isBehind()) break
      this.publish()
      const stopped = ops.length
        ? await this.pushSome(ops)
        : this.isInexact
          ? await this.reload()
          : await this.catchUp()
      if (stopped === 'later') {
        this.later()
        this.publish()
        return
      }
      most = stopped === 'halve' ? Math.ceil(ops.length / 2) : MOST_OPS
    }
    this.publish()
  }

  /** Sends some edits; `halve`: they were not taken together. */
  private async pushSome(ops: Envelope[]): Promise<'done' | 'halve' | 'later'> {
    const base = required(this.base, 'the document')
    const request = { base: base.version, sent: sentNow(this.needs), ops }
    const answered = await this.needs.transport.push(this.jobId, request)
    if (answered.ok) {
      this.failures = this.breakdowns = 0
      await this.acknowledge(base.job, ops, answered.value)
      return 'done'
    }
    if (answered.why === 'offline') return 'later'
    this.failures = 0
    if (answered.why === 'refused' && answered.status === 404) return this.setAside(ops, answered.problems)
    if (ops.length > 1) return 'halve'
    if (answered.why === 'failed') {
      // If the server fails on an empty request too, this edit is not the cause.
      const isWell = await this.needs.transport.push(this.jobId, { base: base.version, ops: [] })
      if (!isWell.ok || ++this.breakdowns < TRIES) return 'later'
    }
    this.breakdowns = 0
    return this.setAside(ops, problemsOf(answered))
  }

  private async acknowledge(before: Job, sent: Envelope[], answer: PushResponse): Promise<void> {
    const { box } = this
    const taken: Envelope[] = []
    let isExact = true
    for (const result of answer.results) {
      const envelope = sent.find((e) => e.opId === result.opId)
      if (!envelope) continue
      if (result.outcome === 'applied' || result.outcome === 'alreadyThere') taken.push(result.as ?? envelope)
      // Edits that were there already came in between; only the server knows the order.
      if (result.outcome === 'alreadyThere' || result.outcome === 'refused') isExact = false
      if (result.outcome === 'stale')
        await box.setAside(setAsideFor(envelope, result.path, { theirs: result.theirs }))
      if (result.outcome === 'refused')
        await box.setAside(
          setAsideFor(envelope, pathsOf(envelope.op)[0] ?? '', { problems: result.problems }),
        )
    }
    const made = [...answer.others, ...taken]
    const job = withAll(before, made)
    // An edit moves the day on which a deleted job is removed.
    this.mayHaveMissed ||= this.deleted !== null
    // Once it is, only the whole document mends it.
    this.isInexact ||= !isExact || job === null
    await this.learn(answer.others)
    const opIds = sent.map((e) => e.opId)
    await box.done(opIds)
    await this.rebase({ version: answer.version, job: job ?? withMost(before, made) })
    this.needs.tell?.({ kind: 'sent', jobId: this.jobId, opIds, version: answer.version })
    this.publish()
  }

  /** Takes up what was done elsewhere since the document that stands here. */
  private async catchUp(): Promise<'done' | 'later'> {
    const base = required(this.base, 'the document')
    const { heard } = this
    this.mayHaveMissed = false
    const answered = await this.needs.transport.since(this.jobId, base.version)
    if (!answered.ok && answered.why !== 'refused') {
      this.mayHaveMissed = true
      return 'later'
    }
    this.failures = 0
    const since = answered.ok ? answered.value : null
    if (since) this.deleted = since.deleted
    const job = since?.ops ? withAll(base.job, since.ops) : null
    if (since?.ops) await this.learn(since.ops)
    if (since && job) await this.rebase({ version: since.version, job })
    else if ((await this.reload()) === 'later') return 'later'
    // It is at least as new as what had been heard of when it was asked for, or is gone; what was heard meanwhile may be newer.
    if (this.heard === heard) this.heard = this.base?.version ?? 0
    return 'done'
  }

  private async learn(ops: readonly Envelope[]): Promise<void> {
    const known = new Set(this.news.map((e) => e.opId))
    const theirs = ops.filter((e) => e.client !== this.needs.client && !known.has(e.opId))
    if (!theirs.length) return
    this.news = [...this.news, ...theirs].slice(-MOST_NEWS)
    await this.box.renew(theirs)
  }

  /** The server will not take these: nothing is lost, each is set aside with the reason. */
  private async setAside(ops: Envelope[], problems: Problem[]): Promise<'done'> {
    for (const envelope of ops)
      await this.box.setAside(setAsideFor(envelope, pathsOf(envelope.op)[0] ?? '', { problems }))
    await this.box.done(ops.map((o) => o.opId))
    return 'done'
  }

  private async rebase(base: { version: number; job: Job }): Promise<void> {
    this.base = base
    this.missing = null
    const write = () => this.box.remember(base.version, base.job)
    const { idle } = this.needs
    // A copy of the whole document for days without the server: it need not be in anybody's way.
    if (idle) void idle(() => (this.base === base ? write() : Promise.resolve())).catch(() => undefined)
    else await write()
  }

  /** The server is away: the same is tried again, after a pause that grows. */
  private later(): void {
    this.failures++
    if (this.timer) clearTimeout(this.timer)
    if (this.closed) return
    const wait = this.needs.retryAfter?.(this.failures) ?? Math.min(10_000, 500 * 2 ** this.failures)
    this.timer = setTimeout(() => {
      void this.box.keepAll()
      void this.flush()
    }, wait)
  }

  /** The base with everything that waits applied to it; what no longer applies is left to the server to refuse. */
  private current(): Job | null {
    return this.base && withMost(this.base.job, this.box.pending)
  }

  private look(job: Job | null): JobView {
    const { box } = this
    const waiting = box.pending.length
    return {
      job,
      version: this.base?.version ?? 0,
      waiting,
      onPageOnly: box.isKeeping ? 0 : box.onPageOnly,
      isKeeping: box.isKeeping,
      saving: waiting === 0 && this.failures === 0 ? 'saved' : this.failures > 0 ? 'offline' : 'saving',
      missing: this.missing,
      deleted: this.deleted,
      conflicted: box.conflicted,
      canUndo: this.undos.length > 0,
      canRedo: this.redos.length > 0,
      notTakenBack: this.notTakenBack,
      news: this.news,
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
