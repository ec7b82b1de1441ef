import { expose } from 'comlink'
import { diagnose, singleFailures, type MeterAnswer, type Symptom } from '@/core/failures'
import { Unpacker, type WorkerPayload } from './payload'

const unpacker = new Unpacker()

/** The single-failure sweep, and the search for the next best meter point. */
const work = {
  failures: (payload: WorkerPayload, step: (done: number, of: number) => void) =>
    singleFailures(unpacker.unpack(payload), (done, of) => {
      // Word of every failure would cost more than the failure.
      if (done % 5 === 0 || done === of) step(done, of)
      return true
    }),
  diagnose: (payload: WorkerPayload, symptom: Symptom, answers: MeterAnswer[]) =>
    diagnose(unpacker.unpack(payload), symptom, answers),
}
export type FaultWork = typeof work

expose(work)
