/** What a thread of the server does with a task, by the name that the task is run under. */
export { proveJob } from './proveJob'
export { readText } from './readText'
