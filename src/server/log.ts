import pino from 'pino'

/**
 * What the server has to say of itself, a line of JSON each, on its standard output: whoever runs it keeps and turns them
 * over (the start command does). Nothing that was typed into a job is in it.
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
