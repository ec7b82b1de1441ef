import type { PlaceEntry } from '../session'
import { bench } from '../bench'
import { crossing } from '../crossing'
import { gear } from '../gear'
import { handover } from '../handover'
import { kit } from '../kit'
import { setup } from '../setup'
import { startup } from '../startup'

/** The places of a job, in the order of the trade. A new one is its folder and a line here. */
export const PLACES: readonly PlaceEntry[] = [gear, crossing, bench, setup, kit, startup, handover]

/** The place with a name in the address; the Bench where none has it. */
export const placeNamed = (id: string): PlaceEntry => PLACES.find((p) => p.id === id) ?? bench
