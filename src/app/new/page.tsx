import { NewJob } from '@/features/newJob'

export default function Page() {
  return <NewJob />
}
