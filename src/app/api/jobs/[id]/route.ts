import { database, getJob, guarded, notHere } from '@/server'

export const dynamic = 'force-dynamic'

interface Context {
  params: Promise<{ id: string }>
}

export const GET = (_: Request, { params }: Context) =>
  guarded(async () => {
    const { id } = await params
    const found = await getJob(database(), id)
    return found ? Response.json(found) : notHere('job', id)
  })
