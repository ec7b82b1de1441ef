export { allowedOf, codeOf, isAllowed, itemsFor, type Allowed } from './codec'
export { isShown, keyInSheet, type Sheet, type SheetLine } from './sheet'
export { ledPattern, type LineKind, type Step } from './steps'
export { clearingOf, type Clearing } from './clear'
export { expressedIn, INTENT_GROUPS, INTENTS_BY_GROUP, type Expressed, type IntentGroup } from './intents'
export {
  breakEvenAt,
  HOURS,
  NUMBERS,
  type NumberAsked,
  QUESTIONS,
  questionsFor,
  recommend,
  type Answers,
  type Question,
  type Recommended,
} from './interview'
export { COLUMNS, EMPTY_ROW, type Column, type ProfileRow } from './profileRow'
export { frameOf, profileRowsOf, withRows } from './profileRows'
export { readRows, rowsFromText, type RowError } from './rows'
