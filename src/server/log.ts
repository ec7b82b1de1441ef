import pino from 'pino'

/**
 * The server's log, a line of JSON each, on standard output: whoever runs it stores and rotates it (the start command
 * does). It contains nothing that was typed into a job.
 */
export const log = pino(
  {
    level: process.env.GATE_CROSS_LOG ?? 'info',
    base: null,
    timestamp: pino.stdTimeFunctions.isoTime,
    formatters: { level: (label) => ({ level: label }) },
    redact: ['*.url', '*.password', 'url', 'password'],
  },
  // Gathered for a second at most: a line is not worth a request's time.
  pino.destination({ dest: 1, sync: false, minLength: 4096, periodicFlush: 1000 }),
)
