import { appendFileSync } from 'node:fs'
import fc, { type RunDetails } from 'fast-check'

/**
 * fast-check as every test uses it: each property that was tried adds the number of its runs to the file that the suite's
 * reporter (`tests/helpers/countReporter.cjs`) sums up. A suite that has become quicker by trying less shows it there.
 */
fc.configureGlobal({
  reporter(details: RunDetails<unknown>) {
    const file = process.env.GATE_CROSS_PROPERTY_RUNS
    if (file) appendFileSync(file, `${details.numRuns}\n`)
    if (details.failed)
      throw new Error(fc.defaultReportMessage(details) ?? 'failed', { cause: details.errorInstance })
  },
})

export default fc
