import type { Ref } from '../installation'

/** Points of a job in groups that are joined. */
export class JoinedRefs {
  private readonly parent = new Map<Ref, Ref>()
  /** A name that all points of one group share: one of them. */
  of(ref: Ref): Ref {
    const up = this.parent.get(ref)
    if (up === undefined || up === ref) return ref
    const top = this.of(up)
    this.parent.set(ref, top)
    return top
  }
  /** Joins two groups; the second gives the name. */
  join(a: Ref, b: Ref): void {
    this.parent.set(this.of(a), this.of(b))
  }
}
