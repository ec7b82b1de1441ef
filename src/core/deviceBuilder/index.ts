export { buildDevice } from './buildDevice'
export { freshDraft, OFFERED, OUTPUTS, DRAFT_KINDS, type DeviceDraft, type DraftKind } from './draft'
