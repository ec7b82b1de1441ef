export { ChangedBy, useChangedBy } from './ChangedBy'
export { News } from './News'
