import {
  DataTypes,
  Model,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Job, Summary } from '@/jobfile'

export class JobRow extends Model<InferAttributes<JobRow>, InferCreationAttributes<JobRow>> {
  declare shop: string
  declare id: string
  declare version: number
  /** As it stood at revision `docRev`; the log has what came after. */
  declare doc: Job
  declare docRev: number
  declare title: string
  declare address: string
  declare owner: string
  declare note: string
  declare summary: Summary | null
  /** Columns copied from the summary, so that queries can filter by them. */
  declare summaryVersion: CreationOptional<number | null>
  declare engine: CreationOptional<string | null>
  declare states: CreationOptional<string[]>
  declare urgent: CreationOptional<boolean>
  declare archivedAt: CreationOptional<Date | null>
  declare deletedAt: CreationOptional<Date | null>
  declare deletedBy: CreationOptional<string | null>
  declare updatedAt: Date
}

export const defineJob = (db: Sequelize) =>
  JobRow.init(
    {
      shop: { type: DataTypes.TEXT, primaryKey: true },
      id: { type: DataTypes.TEXT, primaryKey: true },
      version: { type: DataTypes.INTEGER, allowNull: false },
      doc: { type: DataTypes.JSONB, allowNull: false },
      docRev: { type: DataTypes.INTEGER, allowNull: false, field: 'doc_rev' },
      title: { type: DataTypes.TEXT, allowNull: false },
      address: { type: DataTypes.TEXT, allowNull: false },
      owner: { type: DataTypes.TEXT, allowNull: false },
      note: { type: DataTypes.TEXT, allowNull: false },
      summary: { type: DataTypes.JSONB, allowNull: true },
      summaryVersion: { type: DataTypes.INTEGER, field: 'summary_version' },
      engine: { type: DataTypes.TEXT },
      states: { type: DataTypes.ARRAY(DataTypes.TEXT), allowNull: false, defaultValue: [] },
      urgent: { type: DataTypes.BOOLEAN, allowNull: false, defaultValue: true },
      archivedAt: { type: DataTypes.DATE, field: 'archived_at' },
      deletedAt: { type: DataTypes.DATE, field: 'deleted_at' },
      deletedBy: { type: DataTypes.TEXT, field: 'deleted_by' },
      updatedAt: { type: DataTypes.DATE, field: 'updated_at', allowNull: false },
    },
    { sequelize: db, tableName: 'jobs', timestamps: false },
  )

/** Fields of a document that the list is filtered, searched and sorted by. */
export const fieldsOf = ({ title, site, note }: Job) => ({
  title,
  address: site.address,
  owner: site.owner,
  note,
})
