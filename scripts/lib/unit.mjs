import { join } from 'node:path'
import { root } from './prepare.mjs'

/**
 * How Jest is run: as many at a time as there are processors, and with functions compiled to machine code only after they
 * have run for longer than V8 waits by itself. Each test file is loaded anew, and most of what it compiles is not used for long
 * enough to be worth that: it saves a sixth of the processors' time.
 */
export const jestArgs = [
  '--interrupt-budget=400000',
  join(root, 'node_modules/jest/bin/jest.js'),
  '--maxWorkers=100%',
]
