export * from './types'
export { alike } from './shared/sum-of-amounts'
export { contextOf } from './context-of'
export {
  CHANGE_KINDS,
  ChangeSchema,
  findKind,
  newStop,
  withId,
  withInputs,
  type Change,
  type InputsOf,
  type KindName,
  type NewChange,
} from './registry'
export { applyOrRefuse, withLargest } from './apply-or-refuse'
export { foldPlan, type FoldedPlan, type FoldedStop } from './fold-plan'
export { checkInputs } from './check-inputs'
export { findChanges } from './find-changes'
export { readRequest, type Request } from './read-request'
export { dartsOf } from './shared/darts/find-darts'
export type { AddAtEdgeInputs } from './add-at-edge'
export type { BlendInputs } from './blend'
export { pinMarks, type PivotMove, type PivotSlideInputs } from './pivot-slide'
export { fromRecipe, SlashRecipeSchema, toRecipe, type SlashRecipe, type SlashSwingInputs } from './slash-swing'
export { rulesOf, tableOf, RULE_TABLES, type GradeInputs, type Rule, type RuleTable } from './grade'
export { cardinalsOf } from './grade/cardinals'
export { CARDINAL_WORDS } from './grade/paper-steps'
export { firstLevel, marksOf } from './shared/levels/begin'
export { markLevel, markName } from './shared/levels/find-level'
export type { Level, Mark } from './shared/levels/schema'
export type { LengthenInputs } from './lengthen'
export { doubleDartInputs } from './double-dart'
export { cupsFor, type TakeCupInputs } from './take-cup'
export { proposeBust, type BustAmountInputs } from './bust-amount'
export { foldCap, type FinishDartInputs, type FoldedDart } from './finish-dart'
