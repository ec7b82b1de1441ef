/**
 * Values derived from an owner (a circuit, a solution), each computed once. They belong to the owner and go with it;
 * two owners never share.
 */
export class DerivedCache<Owner> {
  private readonly done = new Map<(owner: Owner) => unknown, unknown>()

  constructor(private readonly owner: Owner) {}

  /** The answer of `work`, which is asked the first time only. One function, one answer: give the same one each time. */
  once<T>(work: (owner: Owner) => T): T {
    if (!this.done.has(work)) this.done.set(work, work(this.owner))
    return this.done.get(work) as T
  }
}
