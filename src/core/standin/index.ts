export { standIn, type StandIn } from './standIn'
