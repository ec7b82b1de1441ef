import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { parseJob, sentence } from '@/jobfile'
import { connect, createJob, migrate, summaryOf } from '@/server'

/** Brings a database up to this code: --reset empties it, --demo loads the demo jobs where there are none. */
async function main(): Promise<void> {
  const url = process.env.DATABASE_URL
  if (!url) throw new Error('DATABASE_URL is not set')
  const db = connect(url)
  try {
    if (process.argv.includes('--reset'))
      await db.sequelize.query('DROP SCHEMA public CASCADE; CREATE SCHEMA public')
    const migrated = await migrate(db.sequelize)
    if (!migrated.ok) {
      console.log(
        `The database is newer than this Gate Cross (it has ${migrated.newer.join(', ')}): update the code, or set DATABASE_URL to another database.`,
      )
      process.exitCode = 3
      return
    }
    if (process.argv.includes('--demo') && (await db.jobs.count()) === 0) {
      const folder = join(__dirname, '..', 'demo', 'jobs')
      for (const file of readdirSync(folder).sort()) {
        const job = parseJob(readFileSync(join(folder, file), 'utf8'))
        if (!job.ok) throw new Error(`${file}: ${job.problems.map(sentence).join('; ')}`)
        await createJob(db, job.value, false)
        // Its verdict is worked out now, so that the first look at the list does not wait for it.
        await summaryOf(db, job.value.id)
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

void main()
