import { hasTrait, type Rating } from '@/core/equipment'
import { cut } from '../../cut'
import { isRaw } from '../../problem'
import type { Raw } from '../section'

/** An answer of version 2's interview, as the place that it has now. */
type Moved =
  | { to: 'plate'; ref: string; field: 'model' | 'newFromBox' | 'seenOnline'; value: string | true }
  | { to: 'static'; value: number }
  | { to: 'rating'; outdoorF: number; cop: number }

function moved(question: string, answer: string): Moved | null {
  const [, what, ref] = /^(model|box|online)-(.+)$/.exec(question) ?? []
  if (what === 'model' && ref) return { to: 'plate', ref, field: 'model', value: cut(answer, 60) }
  if (what && ref && answer === 'yes')
    return { to: 'plate', ref, field: what === 'box' ? 'newFromBox' : 'seenOnline', value: true }
  const number = Number(answer)
  if (!(number > 0)) return null
  if (question === 'measuredStatic') return { to: 'static', value: Math.min(5, number) }
  if (question === 'cop47' || question === 'cop17')
    return {
      to: 'rating',
      outdoorF: question === 'cop47' ? 47 : 17,
      cop: Math.min(10, Math.max(0.5, number)),
    }
  return null
}

const isMoved = (question: string): boolean =>
  /^(model|box|online)-|^(measuredStatic|cop47|cop17)$/.test(question)

/** The device that ratings belong to: the first outdoor or packaged unit, else the first device that is there. */
function outdoorRef(job: Raw): string | undefined {
  const placed = (Array.isArray(job.placed) ? job.placed : []).filter(isRaw)
  const devices = isRaw(job.devices) ? job.devices : {}
  const kind = (p: Raw) => {
    const device = devices[String(p.device)]
    return isRaw(device) ? device.kind : undefined
  }
  const unit = placed.find((p) => hasTrait({ kind: String(kind(p)) }, 'compresses'))
  return typeof unit?.ref === 'string' ? unit.ref : undefined
}

/** Moves what is no answer of the owner's out of the interview of a job of version 2. */
export function upgradeInterview(job: Raw): Raw {
  const setup = isRaw(job.setup) ? job.setup : {}
  const interview = isRaw(setup.interview) ? setup.interview : {}
  const plates: Record<string, Record<string, unknown>> = {}
  const air: Raw = {}
  const ratings: Rating[] = []
  for (const [question, answer] of Object.entries(interview)) {
    const m = typeof answer === 'string' && answer ? moved(question, answer) : null
    if (m?.to === 'plate') (plates[m.ref] ??= {})[m.field] = m.value
    if (m?.to === 'static') air.staticInWc = m.value
    if (m?.to === 'rating') ratings.push({ stage: 'rated', outdoorF: m.outdoorF, cop: m.cop })
  }
  const unit = outdoorRef(job)
  if (unit && ratings.length) (plates[unit] ??= {}).ratings = ratings
  return {
    ...job,
    setup: {
      ...setup,
      interview: Object.fromEntries(Object.entries(interview).filter(([q]) => !isMoved(q))),
    },
    commissioning: { plates, air },
  }
}

/** An answer of version 2 that is another operation today. */
export function upgradeAnswer(op: Raw): Raw {
  if (op.kind !== 'answer' || typeof op.question !== 'string' || !isMoved(op.question)) return op
  const answer = typeof op.answer === 'string' ? op.answer : ''
  const m = moved(op.question, answer)
  if (m?.to === 'static') return { kind: 'setAir', field: 'staticInWc', value: m.value }
  if (m?.to === 'plate') return { kind: 'setPlate', ref: m.ref, field: m.field, value: m.value }
  const [, what, ref] = /^(model|box|online)-(.+)$/.exec(op.question) ?? []
  if (what && ref)
    return {
      kind: 'setPlate',
      ref,
      field: what === 'model' ? 'model' : what === 'box' ? 'newFromBox' : 'seenOnline',
      value: null,
    }
  if (op.question === 'measuredStatic') return { kind: 'setAir', field: 'staticInWc', value: null }
  // A rating is part of a table since, and an operation does not know on which unit: it stays what it was, an answer.
  return op
}
