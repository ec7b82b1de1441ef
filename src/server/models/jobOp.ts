import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Operation } from '@/jobfile'

/** An operation as it was accepted. `op_id` is unique, so sending an operation twice does no harm. */
export class JobOpRow extends Model<InferAttributes<JobOpRow>, InferCreationAttributes<JobOpRow>> {
  declare shop: string
  declare opId: string
  declare jobId: string
  /** The job's version after this operation. */
  declare version: number
  declare baseVersion: number
  declare client: string
  declare who: string
  declare madeAt: string
  /** Time by the device's own clock, where that was wrong; `madeAt` is then by the server's. */
  declare deviceAt: CreationOptional<string | null>
  /** The version of the document that the operation was applied to, and the job's version that its maker had seen. */
  declare docVersion: number
  declare seen: number | null
  declare op: Operation
}

export const defineJobOp = (db: Sequelize) =>
  JobOpRow.init(
    {
      shop: { type: DataTypes.TEXT, primaryKey: true },
      opId: { type: DataTypes.TEXT, primaryKey: true, field: 'op_id' },
      jobId: { type: DataTypes.TEXT, allowNull: false, field: 'job_id' },
      version: { type: DataTypes.INTEGER, allowNull: false },
      baseVersion: { type: DataTypes.INTEGER, allowNull: false, field: 'base_version' },
      client: { type: DataTypes.TEXT, allowNull: false },
      who: { type: DataTypes.TEXT, allowNull: false },
      madeAt: { type: DataTypes.TEXT, allowNull: false, field: 'made_at' },
      deviceAt: { type: DataTypes.TEXT, allowNull: true, field: 'device_at' },
      docVersion: { type: DataTypes.INTEGER, allowNull: false, field: 'doc_version' },
      seen: { type: DataTypes.INTEGER, allowNull: true },
      op: { type: DataTypes.JSONB, allowNull: false },
    },
    { sequelize: db, tableName: 'job_ops', timestamps: false },
  )
