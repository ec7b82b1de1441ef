import { database, guarded } from '@/server'

export const dynamic = 'force-dynamic'

export const GET = (request: Request) =>
  guarded(request, async () => {
    await database().sequelize.query('SELECT 1')
    return Response.json({ ok: true })
  })
