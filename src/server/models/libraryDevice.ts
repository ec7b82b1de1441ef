import {
  DataTypes,
  Model,
  type InferAttributes,
  type InferCreationAttributes,
  type Sequelize,
} from 'sequelize'
import type { Device } from '@/core/equipment'

/** A device of the shop's own, beside those that ship with the app. Jobs carry copies and do not point here. */
export class LibraryDeviceRow extends Model<
  InferAttributes<LibraryDeviceRow>,
  InferCreationAttributes<LibraryDeviceRow>
> {
  declare shop: string
  declare id: string
  declare doc: Device
  declare updatedAt: Date
}

export const defineLibraryDevice = (db: Sequelize) =>
  LibraryDeviceRow.init(
    {
      shop: { type: DataTypes.TEXT, primaryKey: true },
      id: { type: DataTypes.TEXT, primaryKey: true },
      doc: { type: DataTypes.JSONB, allowNull: false },
      updatedAt: { type: DataTypes.DATE, field: 'updated_at', allowNull: false },
    },
    { sequelize: db, tableName: 'library_devices', timestamps: false },
  )
