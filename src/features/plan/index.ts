export { PlanPanel } from './PlanPanel'
export { SchoolPicker } from './SchoolPicker'
