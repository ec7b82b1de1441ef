import { join } from 'node:path'
import { createStream } from 'rotating-file-stream'

/**
 * Log of a server: a file that is turned over at 5 MB, of which five are kept.
 * @param folder in which "log" lies
 */
export const openLog = (folder) =>
  createStream('server.log', { path: join(folder, 'log'), size: '5M', maxFiles: 5, history: 'history.txt' })
