import { z } from 'zod'
import { issueWords } from '../issue-words'
import { Id } from '../pattern'
import { addAtEdge } from './add-at-edge'
import { blend } from './blend'
import { bustAmount } from './bust-amount'
import { doubleDart } from './double-dart'
import { equalLegs } from './equal-legs'
import { finishDart } from './finish-dart'
import { grade } from './grade'
import { hemFullness } from './hem-fullness'
import { lengthen } from './lengthen'
import { levelWedge } from './level-wedge'
import { mergeDartsKind } from './merge-darts'
import { moveDartKind, splitDart } from './move-dart'
import { moveNotch } from './move-notch'
import { pieceSize } from './piece-size'
import { pivotSlide } from './pivot-slide'
import { placeSeam } from './place-seam'
import { raiseDartKind } from './raise-dart'
import { shoulderWidth } from './shoulder-width'
import { slashSwing } from './slash-swing'
import { straightenDart } from './straighten-dart'
import { takeCup } from './take-cup'
import { takeInFoldKind } from './take-in-fold'
import { trueCorner } from './true-corner'
import type { ChangeKind } from './types'
import { unevenHem } from './uneven-hem'

/** Every kind of change. Adding one is a folder beside this file and a line here. */
// The kinds differ in their inputs; the schema of each guards its own, so they are held together as unknown.
export const CHANGE_KINDS = [
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
  pivotSlide,
  shoulderWidth,
  hemFullness,
  levelWedge,
  slashSwing,
  moveDartKind,
  straightenDart,
  takeInFoldKind,
  mergeDartsKind,
  splitDart,
  raiseDartKind,
  finishDart,
  doubleDart,
  bustAmount,
] as unknown as readonly ChangeKind<unknown>[]

export function findKind(kind: string): ChangeKind<unknown> | undefined {
  return CHANGE_KINDS.find((k) => k.kind === kind)
}

/** One stop of a plan: data only. */
export const ChangeSchema = z
  .strictObject({
    id: Id,
    kind: z.string(),
    inputs: z.unknown(),
    /** Switched off: kept in the plan, not applied. */
    on: z.boolean(),
    /** Why, in the sewist's words. */
    note: z.string().max(2000),
  })
  .superRefine((change, context) => {
    const kind = findKind(change.kind)
    if (!kind) return void context.addIssue({ code: 'custom', message: `“${change.kind.slice(0, 40)}” is not a change this version knows` })
    const read = kind.schema.safeParse(change.inputs)
    if (!read.success)
      for (const issue of read.error.issues)
        context.addIssue({ code: 'custom', message: issueWords(issue), path: ['inputs', ...issue.path] })
  })

export type Change = z.infer<typeof ChangeSchema>
