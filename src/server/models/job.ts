import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Job, Summary } from '@/jobfile'

export class JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  declare id: string
  declare version: number
  declare doc: Job
  declare summary: Summary | null
  declare updatedAt: Date
}

export const defineJob = (db: Sequelize) =>
  JobRow.init(
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      version: { type: DataTypes.INTEGER, allowNull: false },
      doc: { type: DataTypes.JSONB, allowNull: false },
      summary: { type: DataTypes.JSONB, allowNull: true },
      updatedAt: { type: DataTypes.DATE, field: 'updated_at', allowNull: false },
    },
    { sequelize: db, tableName: 'jobs', timestamps: false },
  )
