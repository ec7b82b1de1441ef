'use strict'
const { existsSync, mkdtempSync, readFileSync, rmSync } = require('node:fs')
const { tmpdir } = require('node:os')
const { join } = require('node:path')

/** Says after a run of Jest how much was tried: assertions that were made, and runs of fast-check's properties. */
module.exports = class CountReporter {
  constructor() {
    this.folder = mkdtempSync(join(tmpdir(), 'gate-cross-runs-'))
    this.file = join(this.folder, 'runs')
    // Jest's workers start after this, with this environment.
    process.env.GATE_CROSS_PROPERTY_RUNS = this.file
  }

  onRunComplete(_, { testResults }) {
    const asserted = testResults
      .flatMap((file) => file.testResults)
      .reduce((sum, test) => sum + (test.numPassingAsserts ?? 0), 0)
    const runs = existsSync(this.file) ? readFileSync(this.file, 'utf8').trim().split('\n').map(Number) : []
    const tried = runs.reduce((sum, n) => sum + n, 0)
    rmSync(this.folder, { recursive: true, force: true })
    process.stderr.write(`Tried: ${asserted} assertions passed, ${tried} runs of ${runs.length} properties\n`)
  }
}
