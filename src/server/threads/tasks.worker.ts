/** Tasks that the server's threads can run; a pool runs one of them by its name. */
export { proveJob } from './proveJob'
export { readText } from './readText'
