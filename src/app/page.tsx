import { JobList } from '@/features/jobs'

export default function Page() {
  return <JobList />
}
