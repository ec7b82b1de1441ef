import { about, type AboutDoc, type AboutOperation } from './about'
import { commissioning, type CommissioningDoc, type CommissioningOperation } from './commissioning'
import { gear, type GearDoc, type GearOperation } from './gear'
import { handover, type HandoverDoc, type HandoverOperation } from './handover'
import { house, type HouseDoc, type HouseOperation } from './house'
import { prices, type PricesDoc, type PricesOperation } from './prices'
import { readings, type ReadingsDoc, type ReadingsOperation } from './readings'
import { startup, type StartupDoc, type StartupOperation } from './startup'
import { setup, type SetupDoc, type SetupOperation } from './setup'
import { wiring, type WiringDoc, type WiringOperation } from './wiring'

/** The sections of the job document, in the order in which a file has them. */
export const SECTIONS = {
  about,
  gear,
  wiring,
  readings,
  setup,
  commissioning,
  house,
  prices,
  startup,
  handover,
}

/** The version of the job file that this code writes, and the newest that it reads. */
export const JOB_VERSION = 6

/** A job: what is installed, wired and set, and what was read. One document, carrying the devices it uses. */
export interface Job
  extends
    AboutDoc,
    GearDoc,
    WiringDoc,
    ReadingsDoc,
    SetupDoc,
    CommissioningDoc,
    HouseDoc,
    PricesDoc,
    StartupDoc,
    HandoverDoc {
  format: 'gatecross.job'
  version: number
  id: string
}

/** An edit of one section. */
export type SectionOperation =
  | AboutOperation
  | GearOperation
  | WiringOperation
  | ReadingsOperation
  | SetupOperation
  | CommissioningOperation
  | HouseOperation
  | PricesOperation
  | StartupOperation
  | HandoverOperation
