export { AddOther } from './AddOther'
export { PutBack } from './PutBack'
