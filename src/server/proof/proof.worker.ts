import { proveJob } from './proveJob'

/** What a thread of the pool does with a task. */
export default proveJob
