export { ChangedBy, News, useChangedBy } from './News'
