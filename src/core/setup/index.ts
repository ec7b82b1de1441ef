export { allowedOf, canKey, codeOf, isAllowed, itemsFor, type Allowed } from './codec'
export { isShown, keyInSheet, type Sheet, type SheetLine } from './sheet'
export { ledPattern, type LineKind, type Step } from './steps'
