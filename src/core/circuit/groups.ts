import { GROUND } from './netlist'

/** Groups of nodes that are joined. */
export class Groups {
  private readonly parent: Int32Array
  constructor(size: number) {
    // The last place is earth's.
    this.parent = Int32Array.from({ length: size + 1 }, (_, i) => i)
  }
  /** A name that all nodes of one group share. */
  of(node: number): number {
    let i = node === GROUND ? this.parent.length - 1 : node
    // Each step shortens the way for those after it.
    while (this.parent[i] !== i) i = this.parent[i] = this.parent[this.parent[i]!]!
    return i
  }
  join(a: number, b: number): void {
    this.parent[this.of(a)] = this.of(b)
  }
}
