import { database, guarded } from '@/server'

export const dynamic = 'force-dynamic'

export const GET = () =>
  guarded(async () => {
    await database().sequelize.query('SELECT 1')
    return Response.json({ ok: true })
  })
