import { m0001Jobs } from './m0001Jobs'
import { m0002Library } from './m0002Library'
import { m0003Snapshots } from './m0003Snapshots'
import { m0004Shop } from './m0004Shop'
import { m0005Clocks } from './m0005Clocks'

/** Every migration, oldest first. A landed one is never edited: a change is a new one at the end. */
export const MIGRATIONS = [m0001Jobs, m0002Library, m0003Snapshots, m0004Shop, m0005Clocks]
