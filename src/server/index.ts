export { connect, database, type Database } from './database'
export { aboutOne, awayProblem, guarded, readBody, refuse } from './http'

export { healthOf } from './health'
export { closeProofs, summaryAside } from './proof/pool'
export { migrate } from './migrate'
export { createJob, getJob, listJobs, summaryOf } from './repositories/jobs'
export { pushOps } from './repositories/push'
export { addDevice, allDevices, removeDevice, replaceDevice } from './repositories/devices'
