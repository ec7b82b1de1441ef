export { ClockButton } from './ClockButton'
export { TimeSlot } from './TimeSlot'
