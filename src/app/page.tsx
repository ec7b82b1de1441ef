import { JobList } from '@/features/jobs'
import { LIST_PART, LIST_START } from '@/jobfile'
import { firstLook, listJobs } from '@/server'

export default async function Page() {
  const first = await firstLook((at) => listJobs(at, { ...LIST_START, from: 0, most: LIST_PART }))
  return <JobList first={first} />
}
