export * from './types'
export { alike } from './shared/sum-of-amounts'
export { MOST_ALONG_MM, MOST_PINNED_MM, PinnedAmount, PinnedSchema, SideSchema, type BodySide, type Pinned } from './pinned'
export { contextOf } from './context-of'
export {
  CHANGE_KINDS,
  ChangeSchema,
  findKind,
  isOneSided,
  newStop,
  recipeAsStop,
  RecipeSchema,
  withId,
  type SeenIn,
  type StopSource,
  withInputs,
  type Change,
  type InputsOf,
  type KindName,
  type NewChange,
} from './registry'
export { applyOrRefuse, withLargest } from './apply-or-refuse'
export { LEFT_OVER } from './left-over'
export { contextAfter, foldPlan, type FoldedPlan, type FoldedStop } from './fold-plan'
export { checkInputs } from './check-inputs'
export { changedPieces } from './changed-pieces'
export { findChanges, likeliestChanges } from './find-changes'
export { dartsOf } from './shared/darts/find-darts'
export { firstLevel, marksOf } from './shared/levels/begin'
export { markLevel, markName } from './shared/levels/find-level'
export type { Level, Mark } from './shared/levels/schema'
export { foldCap, type FoldedDart } from './shared/darts/fold-cap'
export { handlesOf } from './handles-of'
export { stepsOf } from './steps-of'
export { begunOn } from './begun-on'
export { nestBefore, piecesFor } from './nest'
export { wordsWithAmount } from './words-with-amount'
