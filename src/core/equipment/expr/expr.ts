import type { Known, Value } from '../value'
import { callLeaf, type CallBecause, type CallLeaf } from './call'
import { energisedLeaf, type EnergisedBecause, type EnergisedLeaf } from './energised'
import { meansLeaf, type MeansBecause, type MeansLeaf } from './means'
import { modeLeaf, type ModeBecause, type ModeLeaf } from './mode'
import { senseLeaf, type SenseBecause, type SenseLeaf } from './sense'
import { setLeaf, type SetBecause, type SetLeaf } from './set'
import type { Sight } from './sight'
import { every, opposite, some, type Truth } from './truth'

export type Leaf = CallLeaf | SetLeaf | SenseLeaf | EnergisedLeaf | ModeLeaf | MeansLeaf
/** What makes a contact close: a total, three-valued expression with no loops and no time. */
export type Expr = { all: Expr[] } | { any: Expr[] } | { not: Expr } | Leaf

/** One reason, as data: which leaf decided, what it saw, and whether it stood in a "not". */
export type Because = (
  CallBecause | SetBecause | SenseBecause | EnergisedBecause | ModeBecause | MeansBecause
) & {
  truth: Truth
  negated: boolean
}

/** One leaf's own evaluate. */
export function evaluateLeaf(leaf: Leaf, sight: Sight): Truth {
  if ('call' in leaf) return callLeaf.evaluate(leaf, sight)
  if ('set' in leaf) return setLeaf.evaluate(leaf, sight)
  if ('sense' in leaf) return senseLeaf.evaluate(leaf, sight)
  if ('energised' in leaf) return energisedLeaf.evaluate(leaf, sight)
  if ('means' in leaf) return meansLeaf.evaluate(leaf, sight)
  return modeLeaf.evaluate(leaf, sight)
}

function explainLeaf(leaf: Leaf, sight: Sight) {
  if ('call' in leaf) return callLeaf.explain(leaf, sight)
  if ('set' in leaf) return setLeaf.explain(leaf, sight)
  if ('sense' in leaf) return senseLeaf.explain(leaf, sight)
  if ('energised' in leaf) return energisedLeaf.explain(leaf)
  if ('means' in leaf) return meansLeaf.explain(leaf)
  return modeLeaf.explain(leaf, sight)
}

export function evaluate(expr: Expr, sight: Sight): Truth {
  if ('all' in expr) return every(expr.all.map((e) => evaluate(e, sight)))
  if ('any' in expr) return some(expr.any.map((e) => evaluate(e, sight)))
  if ('not' in expr) return opposite(evaluate(expr.not, sight))
  return evaluateLeaf(expr, sight)
}

/**
 * The leaves that decide the expression's present answer: of an "all" that fails, those that fail; of an "any" that
 * holds, those that hold; where everything is needed, everything.
 */
export function explain(expr: Expr, sight: Sight, negated = false): Because[] {
  if ('not' in expr) return explain(expr.not, sight, !negated)
  if ('all' in expr || 'any' in expr) {
    const list = 'all' in expr ? expr.all : expr.any
    const own = evaluate(expr, sight)
    // An answer of an "all" below yes, or of an "any" above no, comes from the children that give that same answer.
    const decided = 'all' in expr ? own !== 'yes' : own !== 'no'
    return list
      .filter((e) => !decided || evaluate(e, sight) === own)
      .flatMap((e) => explain(e, sight, negated))
  }
  return [{ ...explainLeaf(expr, sight), truth: evaluateLeaf(expr, sight), negated }]
}

/** All leaves of an expression, in reading order. */
export function leaves(expr: Expr): Leaf[] {
  if ('all' in expr) return expr.all.flatMap(leaves)
  if ('any' in expr) return expr.any.flatMap(leaves)
  if ('not' in expr) return leaves(expr.not)
  return [expr]
}

/** °F at which the expression may change its answer, given the settings. */
export function cuts(expr: Expr, setting: (id: string) => Known<Value>): number[] {
  return leaves(expr).flatMap((leaf) => ('sense' in leaf ? senseLeaf.cuts(leaf, setting) : []))
}
