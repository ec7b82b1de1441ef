import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Reading } from '@/core/startup'

/** A reading as a row, so that readings can be asked for across jobs. The database itself refuses to change one. */
export class ReadingRow extends Model<InferAttributes<ReadingRow>, InferCreationAttributes<ReadingRow>> {
  declare shop: string
  declare id: string
  declare jobId: string
  declare kind: string
  /** null where the meter showed OL. */
  declare value: number | null
  declare who: string
  declare takenAt: Date
  declare supersedes: string | null
  declare doc: Reading
}

export const defineReading = (db: Sequelize) =>
  ReadingRow.init(
    {
      shop: { type: DataTypes.TEXT, primaryKey: true },
      id: { type: DataTypes.TEXT, primaryKey: true },
      jobId: { type: DataTypes.TEXT, primaryKey: true, field: 'job_id' },
      kind: { type: DataTypes.TEXT, allowNull: false },
      value: { type: DataTypes.DOUBLE, allowNull: true },
      who: { type: DataTypes.TEXT, allowNull: false },
      takenAt: { type: DataTypes.DATE, allowNull: false, field: 'taken_at' },
      supersedes: { type: DataTypes.TEXT, allowNull: true },
      doc: { type: DataTypes.JSONB, allowNull: false },
    },
    { sequelize: db, tableName: 'readings', timestamps: false },
  )

/** A reading as the fields of its row, by their names in the database. */
export const readingRow = (r: Reading) => ({
  id: r.id,
  kind: r.kind,
  value: r.value === 'OL' ? null : r.value,
  who: r.who,
  taken_at: r.when,
  supersedes: r.supersedes,
  doc: r,
})
