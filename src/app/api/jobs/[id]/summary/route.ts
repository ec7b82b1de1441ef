import { database, guarded, notHere, summaryOf } from '@/server'

export const dynamic = 'force-dynamic'

interface Context {
  params: Promise<{ id: string }>
}

/** What the list shows of a job, proven if it has not been since its last change. */
export const GET = (_: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params
    const summary = await summaryOf(database(), id)
    return summary ? Response.json({ summary }) : notHere('job', id)
  })
