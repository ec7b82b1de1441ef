import type { Deletion, Envelope, Job, Problem } from '@/jobfile'
import type { ConflictedOp, QueueStorage } from './queue'
import type { Transport } from './transport'

/** A job as screens see it. Each change makes a new object. */
export interface JobView {
  /** null until it is loaded. */
  job: Job | null
  /** The revision that is seen: what a field that is opened now is filled in against. */
  version: number
  /** Operations that have not reached the server yet. */
  waiting: number
  /** How many of the waiting edits are on this page alone, because the device has not stored them. */
  onPageOnly: number
  /** Whether the device stores anything. */
  isKeeping: boolean
  /** saved: all there; saving: on the way; offline: kept here and tried again. */
  saving: 'saved' | 'saving' | 'offline'
  /** Why there is no job to show; null while there is, or while it loads. */
  missing: Problem[] | null
  /** Somebody has deleted the job; null: nobody has. */
  deleted: Deletion | null
  conflicted: ConflictedOp[]
  canUndo: boolean
  canRedo: boolean
  /** Places that the last undo or redo left as they are, for somebody has changed them in the meantime. */
  notTakenBack: string[]
  /** Edits of others since the job was opened, newest last. */
  news: readonly Envelope[]
}

export interface StoreNeeds {
  transport: Transport
  queue: QueueStorage
  /** This tab. */
  client: string
  who: () => string
  newId: () => string
  /** The time by the clock that is trusted, and the ms by which that is ahead of the device's own (0 when not given). */
  now: () => Date
  clockOff?: () => number
  /** Milliseconds before try number `n` (from 1) after a failure. */
  retryAfter?: (n: number) => number
  /** Runs the write of what is not urgent when nothing else is to be done; at once when not given. */
  idle?: (write: () => Promise<void>) => Promise<void>
  /** Runs the write to the queue out of the way of the painting that the edit brings; at once when not given. */
  defer?: (write: () => Promise<void>) => Promise<void>
  /** Milliseconds that an edit, safe in the queue, waits for others to travel with it; 0 when not given. */
  sendAfter?: number
  /** Tells the other tabs of this browser. */
  tell?: (message: TabMessage) => void
}

/** Messages between the tabs of one browser. */
export type TabMessage =
  | { kind: 'made'; jobId: string; envelope: Envelope }
  | { kind: 'sent'; jobId: string; opIds: string[]; version: number }

/** How an edit came about. */
export interface EditHow {
  record?: 'undo' | 'redo' | 'fresh'
  /** The revision that was seen when the person began with it; the one that is seen now when left out. */
  seen?: number
}
