import { summarise } from './summarise'

/** What a thread of the pool does with a task. */
export default summarise
