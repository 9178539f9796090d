import { z } from 'zod'
import { issueWords } from '../issue-words'
import { Id, nameOfUpTo, type Garment } from '../pattern'
import { ok, refuse, type Result } from '../result'
import { acrossArmhole } from './across-armhole'
import { acrossWidth } from './across-width'
import { addAtEdge } from './add-at-edge'
import { armholeToCap } from './armhole-to-cap'
import { bicepWidth } from './bicep-width'
import { blend } from './blend'
import { bustAmount } from './bust-amount'
import { capToArmhole } from './cap-to-armhole'
import { crotchShape } from './crotch-shape'
import { dartIntake } from './dart-intake'
import { doubleDart } from './double-dart'
import { equalLegs } from './equal-legs'
import { finishDart } from './finish-dart'
import { frontLength } from './front-length'
import { forwardShoulder } from './shoulder-forward'
import { grade } from './grade'
import { hemFullness } from './hem-fullness'
import { lengthen } from './lengthen'
import { levelWedge } from './level-wedge'
import { lowerArmhole } from './lower-armhole'
import { mergeDartsKind } from './merge-darts'
import { moveDartKind } from './move-dart'
import { moveNotch } from './move-notch'
import { pieceSize } from './piece-size'
import { pivotSlide } from './pivot-slide'
import { placeSeam } from './place-seam'
import { raiseDartKind } from './raise-dart'
import { redrawNeckline } from './redraw-neckline'
import { seamStretch } from './seam-stretch'
import { sideBalance } from './side-balance'
import { shoulderSlope } from './shoulder-slope'
import { shoulderWidth } from './shoulder-width'
import { slashSwing } from './slash-swing'
import { splitDart } from './split-dart'
import { straightenDart } from './straighten-dart'
import { takeCup } from './take-cup'
import { takeInFoldKind } from './take-in-fold'
import { trueCorner } from './true-corner'
import type { ChangeKind, Recipe } from './types'
import { unevenHem } from './uneven-hem'
import { wrapOver } from './wrap-over'

/** Every kind of change. Adding one is a folder beside this file and a line here. */
const KINDS = [
  lengthen,
  unevenHem,
  placeSeam,
  trueCorner,
  moveNotch,
  equalLegs,
  grade,
  blend,
  pieceSize,
  takeCup,
  addAtEdge,
  sideBalance,
  seamStretch,
  pivotSlide,
  shoulderWidth,
  forwardShoulder,
  shoulderSlope,
  redrawNeckline,
  bicepWidth,
  lowerArmhole,
  wrapOver,
  crotchShape,
  hemFullness,
  levelWedge,
  slashSwing,
  moveDartKind,
  straightenDart,
  takeInFoldKind,
  mergeDartsKind,
  splitDart,
  raiseDartKind,
  dartIntake,
  finishDart,
  doubleDart,
  bustAmount,
  frontLength,
  acrossArmhole,
  acrossWidth,
  capToArmhole,
  armholeToCap,
] as const

/** The kinds where none of them is meant: their inputs are known to their schemas alone. */
export const CHANGE_KINDS: readonly ChangeKind<unknown>[] = KINDS

type Kind = (typeof KINDS)[number]
/** The name of a kind. */
export type KindName = Kind['kind']
/** The inputs of a kind, by its name. */
export type InputsOf<K extends KindName> = z.infer<Extract<Kind, { kind: K }>['schema']>

const BY_NAME = new Map<string, ChangeKind<unknown>>(KINDS.map((k) => [k.kind, k]))

/** The kind of this name: with its own inputs where the name is written out, and perhaps none where it came from elsewhere. */
export function findKind<K extends KindName>(kind: K): ChangeKind<InputsOf<K>, K>
export function findKind(kind: string): ChangeKind<unknown> | undefined
export function findKind(kind: string): ChangeKind<unknown> | undefined {
  return BY_NAME.get(kind)
}

/** Is a stop done on one side of the body alone? Its pieces are opened out. */
export function isOneSided({ kind, inputs }: { kind: string; inputs: unknown }): boolean {
  const its = findKind(kind)
  return its?.isOneSided?.(inputs) ?? (its?.sideOf?.(inputs) ?? 'both') !== 'both'
}

/** What proposed a stop: the body’s figures, Match, or what was seen in a fitting. One of one’s own has none. */
const StopSourceSchema = z.enum(['body', 'match', 'fitting'])
export type StopSource = z.infer<typeof StopSourceSchema>

/** The fitting that asked for a stop, and the sign or pin of it. */
const SeenInSchema = z.strictObject({ fittingId: Id, of: Id })
export type SeenIn = z.infer<typeof SeenInSchema>

/** One stop of a plan, of any kind: its inputs are those of its kind. */
export type Change = {
  [K in KindName]: { id: string; kind: K; inputs: InputsOf<K>; on: boolean; note: string; from?: StopSource; seen?: SeenIn }
}[KindName]

type WithoutId<C> = C extends Change ? Omit<C, 'id'> : never
/** A stop on its way into a plan. */
export type NewChange = WithoutId<Change>

const StopSchema = z.strictObject({
  id: Id,
  kind: z.string(),
  inputs: z.unknown(),
  /** Switched off: kept in the plan, not applied. */
  on: z.boolean(),
  /** Why, in the sewist's words. */
  note: z.string().max(2000),
  from: StopSourceSchema.optional(),
  seen: SeenInSchema.optional(),
})

/** One stop of a plan: data only. */
export const ChangeSchema = StopSchema.transform((change, context): Change => {
  const kind = findKind(change.kind)
  if (!kind) context.addIssue({ code: 'custom', message: `“${change.kind.slice(0, 40)}” is not a change this version knows` })
  const read = kind?.schema.safeParse(change.inputs)
  for (const issue of read?.error?.issues ?? [])
    context.addIssue({ code: 'custom', message: issueWords(issue), path: ['inputs', ...issue.path] })
  // Its kind has just read the inputs: nothing else may join the two.
  return { ...change, inputs: read?.data } as Change
})

/** A stop with inputs that its own kind has made, or that were checked (`checkInputs`). @throws where they are none */
export const withInputs = (change: Change, inputs: unknown): Change => ChangeSchema.parse({ ...change, inputs })

/** A new stop of a kind that is known by name alone, with inputs that the kind has made. @throws where they are none */
export function newStop(kind: string, inputs: unknown, note = '', from?: StopSource): NewChange {
  const { id: _, ...stop } = ChangeSchema.parse({ id: 'new', kind, inputs, on: true, note, ...(from ? { from } : {}) })
  return stop
}

/** A new stop in a plan, by an id of its own. */
export const withId = (stop: NewChange, id: string): Change => ({ ...stop, id })

const RECIPES = CHANGE_KINDS.flatMap((k) => (k.recipe ? [k.recipe.schema] : []))
/** A stop that was kept under a name, of whatever kind can be kept. */
export const RecipeSchema = z
  .looseObject({ id: Id, name: nameOfUpTo(80) })
  .refine((recipe) => RECIPES.some((schema) => schema.safeParse(recipe).success), {
    message: 'no change of this version is kept like this',
  })

/** A recipe as a new stop of its kind on a garment. Refuses where it has no place there. */
export function recipeAsStop(garment: Garment, recipe: Recipe): Result<NewChange> {
  const kind = CHANGE_KINDS.find((k) => k.recipe?.schema.safeParse(recipe).success)
  if (!kind?.recipe)
    return refuse('unknown-change', recipe.name, 'this version does not know how it was made.', 'Draw it anew, and keep that.')
  const inputs = kind.recipe.use(garment, recipe)
  if (!inputs.ok) return inputs
  if (!kind.schema.safeParse(inputs.value).success)
    return refuse('no-place', recipe.name, 'it is too large for this garment.', 'Draw it anew, and keep that.')
  return ok(newStop(kind.kind, inputs.value, recipe.name))
}
