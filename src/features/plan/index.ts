export { PlanPanel } from './PlanPanel'
export { PracticePicker } from './PracticePicker'
