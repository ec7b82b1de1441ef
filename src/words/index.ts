export {
  factorsSentence,
  findingSentence,
  findingStatement,
  findingWords,
  needsWords,
  proofSentence,
  undecidedSentence,
  undecidedSentences,
  witnessSentence,
} from './finding'
export { ruleWords } from './ruleWords'
export { chainSentence, gateWords, onByWords, severalWords, type GateWords } from './gate'
export {
  CALL_SHORT,
  CALL_WORDS,
  DEVICE_WORDS,
  lower,
  loadFunctionShort,
  loadFunctionWords,
  refWords,
  stopped,
  targetWords,
  upper,
} from './names'
export { bankWords, DRAFT_KIND_WORDS, draftChangeWords, draftFieldWords, draftOptionWords } from './draft'
export { count, degrees, figure, whole } from './numbers'
export {
  causeWords,
  comparedWith,
  KIND_WORDS,
  readingWords,
  spotWords,
  TOOL_WORDS,
  VERDICT_WORDS,
} from './reading'
export { modeWords, situationWords } from './situation'
export { unmetWords, differenceWords, planSentence, planSettingWords, whyWords } from './plan'
export { effectWords, EFFECT_WORDS, failureWords, assumedSentence } from './failure'
export { hiddenWords } from './hidden'
export { landingCsv } from './landing'
export { changeWords } from './fix'
export { GROUP_WORDS, INTENT_WORDS, inertWords, ownerSentence, settingText, valueAtText } from './intents'
export {
  conflictsSentence,
  findingPlaces,
  NUMBER_WORDS,
  PRICE_WORDS,
  HOUR_WORDS,
  lineWords,
  QUESTION_WORDS,
  STRATEGY_WORDS,
  whyRecommended,
} from './setup'
export { operationWords, placeWords } from './operations'
export { cabinetWords } from './lockOut'
export { plateFieldLabel, plateLine, plateValue } from './plate'
export {
  BILL_FUEL_WORDS,
  btuh,
  CLIMATE_WORDS,
  comparedSentence,
  crossingAnswer,
  defrostSentence,
  FUEL_UNIT,
  GATE_SHORT,
  HOUSE_WORDS,
  money,
  recommendedSentence,
  SOURCE_WORDS,
  missingInputsSentence,
  WAY_WORDS,
  type AnswerLine,
} from './crossing'
export {
  circuitNoteWords,
  circuitSentence,
  identitySentences,
  kitAdviceSentences,
  serviceSentence,
  unknownWattsSentence,
} from './kit'
export { temporaryWords, TEMPORARY_WORDS } from './temporary'
export { dateWords } from './dates'
export { clock, duration, waitReason, waitsSentences } from './time'
export {
  demandWords,
  elapsed,
  eventSentence,
  eventWords,
  variationWords,
  countWords,
  OWN_PROBLEM_WORDS,
  OWN_VALUE_WORDS,
  OWN_WHAT_WORDS,
  SCENE_WORDS,
  waitingSentence,
  type EventWords,
} from './events'
export { differenceSentence, pinSentence, winterSentences } from './winter'
export { calendarOf, remindersOf, type Reminder } from './calendar'
export { ended } from './ended'
export { runSentence } from './runSentence'
export { CARD_STATE_WORDS, cardTitle, HAZARD_WORDS, STEP_HAZARD, stepWords, todayWords } from './testPlan'
export { sceneNoteSentence, sceneSummary } from './sceneSummary'
