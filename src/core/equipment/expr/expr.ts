import type { DegF } from '../../units'
import type { Unknowable, Value } from '../value'
import { callLeaf, type CallBecause, type CallLeaf } from './call'
import { energisedLeaf, type EnergisedBecause, type EnergisedLeaf } from './energised'
import { conditionLeaf, type ConditionBecause, type ConditionLeaf } from './condition'
import { modeLeaf, type ModeBecause, type ModeLeaf } from './mode'
import { senseLeaf, type SenseBecause, type SenseLeaf } from './sense'
import { setLeaf, type SetBecause, type SetLeaf } from './set'
import type { EvalContext } from './evalContext'
import { every, opposite, some, type Truth } from './truth'

export type Leaf = CallLeaf | SetLeaf | SenseLeaf | EnergisedLeaf | ModeLeaf | ConditionLeaf
/** Condition that closes a contact: a total, three-valued expression with no loops and no time. */
export type Expr = { all: Expr[] } | { any: Expr[] } | { not: Expr } | Leaf

/** A reason as data: the leaf that decided, the value that it read, and whether it was inside a "not". */
export type Because = (
  CallBecause | SetBecause | SenseBecause | EnergisedBecause | ModeBecause | ConditionBecause
) & {
  truth: Truth
  negated: boolean
}

/** Evaluates a single leaf. */
export function evaluateLeaf(leaf: Leaf, context: EvalContext): Truth {
  if ('call' in leaf) return callLeaf.evaluate(leaf, context)
  if ('set' in leaf) return setLeaf.evaluate(leaf, context)
  if ('sense' in leaf) return senseLeaf.evaluate(leaf, context)
  if ('energised' in leaf) return energisedLeaf.evaluate(leaf, context)
  if ('condition' in leaf) return conditionLeaf.evaluate(leaf, context)
  return modeLeaf.evaluate(leaf, context)
}

function explainLeaf(leaf: Leaf, context: EvalContext) {
  if ('call' in leaf) return callLeaf.explain(leaf, context)
  if ('set' in leaf) return setLeaf.explain(leaf, context)
  if ('sense' in leaf) return senseLeaf.explain(leaf, context)
  if ('energised' in leaf) return energisedLeaf.explain(leaf)
  if ('condition' in leaf) return conditionLeaf.explain(leaf)
  return modeLeaf.explain(leaf, context)
}

export function evaluate(expr: Expr, context: EvalContext): Truth {
  if ('all' in expr) return every(expr.all.map((e) => evaluate(e, context)))
  if ('any' in expr) return some(expr.any.map((e) => evaluate(e, context)))
  if ('not' in expr) return opposite(evaluate(expr.not, context))
  return evaluateLeaf(expr, context)
}

/**
 * The leaves that decide the expression's present answer: of an "all" that fails, those that fail; of an "any" that
 * holds, those that hold; where everything is needed, everything.
 */
export function explain(expr: Expr, context: EvalContext, negated = false): Because[] {
  if ('not' in expr) return explain(expr.not, context, !negated)
  if ('all' in expr || 'any' in expr) {
    const list = 'all' in expr ? expr.all : expr.any
    const answers = list.map((e) => evaluate(e, context))
    const own = 'all' in expr ? every(answers) : some(answers)
    // An answer of an "all" below yes, or of an "any" above no, comes from the children that give that same answer.
    const decided = 'all' in expr ? own !== 'yes' : own !== 'no'
    const those = list.filter((_, i) => !decided || answers[i] === own)
    // An operand that a setting rules out is ruled out in any weather and on any call: a disabled lockout has no
    // temperature.
    const allOf = (kind: 'set' | 'call') => those.filter((e) => isOnly(kind, e))
    const bySetting = decided ? allOf('set') : []
    // An operand whose call is absent is false at any temperature, and whatever its timer does.
    const byCall = 'all' in expr && own === 'no' && !bySetting.length ? allOf('call') : []
    const deciding = [bySetting, byCall].find((l) => l.length > 0) ?? those
    return deciding.flatMap((e) => explain(e, context, negated))
  }
  return [{ ...explainLeaf(expr, context), truth: evaluateLeaf(expr, context), negated }]
}

/** Whether every leaf of an expression is of one kind. */
function isOnly(kind: 'set' | 'call', expr: Expr): boolean {
  if ('all' in expr) return expr.all.every((e) => isOnly(kind, e))
  if ('any' in expr) return expr.any.every((e) => isOnly(kind, e))
  return 'not' in expr ? isOnly(kind, expr.not) : kind in expr
}

/** All leaves of an expression, in reading order. */
export function leaves(expr: Expr): Leaf[] {
  if ('all' in expr) return expr.all.flatMap(leaves)
  if ('any' in expr) return expr.any.flatMap(leaves)
  if ('not' in expr) return leaves(expr.not)
  return [expr]
}

/** °F at which the expression may change its answer, given the settings. */
export function breakpoints(expr: Expr, setting: (id: string) => Unknowable<Value>): DegF[] {
  return leaves(expr).flatMap((leaf) => ('sense' in leaf ? senseLeaf.breakpoints(leaf, setting) : []))
}
