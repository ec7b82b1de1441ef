import { JobScreen } from '@/features/shell'
import { firstLook, knownOf } from '@/server'

interface Props {
  params: Promise<{ id: string; place?: string[] }>
}

/** A single page for all places of a job; the browser moves between them without asking the server. */
export default async function Page({ params }: Props) {
  const { id } = await params
  return <JobScreen jobId={id} known={await firstLook((at) => knownOf(at, id))} />
}
