import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Job } from '@/jobfile'

/**
 * A job as it stood at one of its versions: as it was taken in, and before the first edit under a new version of the
 * document. The log is replayed from here, so that it never runs through two versions of what an operation does.
 */
export class JobSnapshotRow extends Model<
  InferAttributes<JobSnapshotRow>,
  InferCreationAttributes<JobSnapshotRow>
> {
  declare shop: string
  declare jobId: string
  declare version: number
  declare docVersion: number
  declare doc: Job
  declare takenAt: Date
}

export const defineJobSnapshot = (db: Sequelize) =>
  JobSnapshotRow.init(
    {
      shop: { type: DataTypes.TEXT, primaryKey: true },
      jobId: { type: DataTypes.TEXT, primaryKey: true, field: 'job_id' },
      version: { type: DataTypes.INTEGER, primaryKey: true },
      docVersion: { type: DataTypes.INTEGER, primaryKey: true, field: 'doc_version' },
      doc: { type: DataTypes.JSONB, allowNull: false },
      takenAt: { type: DataTypes.DATE, allowNull: false, field: 'taken_at' },
    },
    { sequelize: db, tableName: 'job_snapshots', timestamps: false },
  )
