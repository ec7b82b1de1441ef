import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseArgs } from 'node:util'
import { parseJob, sentence, type Job } from '@/jobfile'
import { connect, createJob, isMigration, migrate, purgeJobs, shopIn, summaryOf } from '@/server'

/**
 * Brings a database up to this code: --reset empties it, --demo loads the demo jobs where there are none, --unproven leaves
 * their proofs to whoever first looks at them. --to NAME stops at the schema change of that name.
 */
async function main(): Promise<void> {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set')
  const db = connect(url)
  const at = shopIn(db)
  try {
    if (process.argv.includes('--reset'))
      await db.sequelize.query('DROP SCHEMA public CASCADE; CREATE SCHEMA public')
    const { values } = parseArgs({ options: { to: { type: 'string' } }, strict: false })
    const to = typeof values.to === 'string' ? values.to : undefined
    if (to !== undefined && !isMigration(to)) {
      console.log(`This comes from a newer Gate Cross (it has ${to}): restore it with that release.`)
      process.exitCode = 3
      return
    }
    const migrated = await migrate(db.sequelize, to)
    if (to !== undefined) return
    if (!migrated.ok) {
      console.log(
        `The database is newer than this Gate Cross (it has ${migrated.newer.join(', ')}): update the code, or set DATABASE_URL to another database.`,
      )
      process.exitCode = 3
      return
    }
    const gone = await purgeJobs(at, new Date())
    if (gone) console.log(`${gone} jobs that were deleted a month ago are gone for good`)
    if (process.argv.includes('--demo') && (await db.jobs.count()) === 0) {
      const folder = join(__dirname, '..', 'demo', 'jobs')
      const files = readdirSync(folder).sort()
      for (const [i, file] of files.entries()) {
        const job = parseJob(readFileSync(join(folder, file), 'utf8'))
        if (!job.ok) throw new Error(`${file}: ${job.problems.map(sentence).join('; ')}`)
        await createJob(at, job.value, false)
        await db.jobs.update(
          { updatedAt: lastWork(job.value, i) },
          { where: { shop: at.shop, id: job.value.id } },
        )
        // Its verdict is worked out now, so that the first look at the list does not wait for it.
        if (!process.argv.includes('--unproven')) await summaryOf(at, job.value.id)
      }
      console.log('demo jobs loaded')
    }
  } catch (e) {
    console.log(
      `The database at ${url.replace(/:[^:@/]*@/, ':…@')} cannot be used: ${(e as Error).message}. Check DATABASE_URL.`,
    )
    process.exitCode = 2
  } finally {
    await db.sequelize.close()
  }
}

/** When somebody last worked on a demo job: its newest reading or visit, else a day in the weeks before those. */
function lastWork(job: Job, index: number): Date {
  const times = [...job.readings, ...job.setup.visits].map((x) => Date.parse(x.when)).filter(Number.isFinite)
  return new Date(
    times.length ? Math.max(...times) : Date.parse('2026-11-17T15:40:00Z') - index * 31 * 3_600_000,
  )
}

void main()
