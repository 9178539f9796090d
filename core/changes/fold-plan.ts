import { keepSizes, type Garment } from '../pattern'
import type { Problem } from '../result'
import { applyOrRefuse } from './apply-or-refuse'
import { lastOfSizes, nestBefore } from './nest'
import { findKind, type Change } from './registry'
import type { Applied, ChangeContext, ChangeKind } from './types'

/** What became of one stop of the plan. */
export interface FoldedStop {
  change: Change
  /** What it is called on the pieces that it finds, and its figure: sizes and darts can be a stop's own making. */
  words: ReturnType<ChangeKind<unknown>['describe']>
  status: 'applied' | 'off' | 'refused' | 'orphan'
  /** The garment after this stop; as before it unless the change was applied. */
  garment: Garment
  applied: Applied | null
  problem: Problem | null
}

export interface FoldedPlan {
  base: Garment
  stops: FoldedStop[]
  /** The garment as altered by the whole plan. */
  garment: Garment
}

/** Codes that mean: what the change was made for has gone. The change is kept and marked, later ones still run. */
const ORPHAN_CODES = new Set(['reference-gone'])

/**
 * Applies a list of changes to a garment, one after the other. A refused or orphaned change leaves the garment as it
 * was; those after it still run. Once the size of a body is blended, and no stop to come looks at other sizes, the other sizes are
 * left: what is altered then is the traced piece alone. Stops whose change and garment are the same objects as in an earlier fold are
 * reused.
 *
 * @param earlier the fold of the same garment before an edit, for reuse
 */
export function foldPlan(base: Garment, changes: readonly Change[], context: ChangeContext, earlier?: FoldedPlan): FoldedPlan {
  let garment = base
  let same = earlier?.base === base
  let isBlended = false
  const last = lastOfSizes(changes)
  const lastEarlier = earlier ? lastOfSizes(earlier.stops.map((s) => s.change)) : last
  const stops = changes.map((change, i): FoldedStop => {
    const known = earlier?.stops[i]
    const isAlone = isBlended && i > last
    same = same && known?.change === change && isAlone === (isBlended && i > lastEarlier)
    if (!same) context.progress?.('stop', i, changes.length)
    if (isAlone && garment.sizes.length > 1) garment = keepSizes(garment, [garment.baseSizeId])
    const stop = same ? known! : applyStop(garment, change, context)
    garment = stop.garment
    isBlended ||= stop.status === 'applied' && findKind(change.kind)!.drawsOneSize === true
    return stop
  })
  return { base, stops, garment }
}

/** What is looked at besides the pieces, on those that a plan leaves. */
export const contextAfter = ({ base, stops, garment }: FoldedPlan, context: ChangeContext): ChangeContext => ({
  ...context,
  nest: nestBefore([base, ...stops.map((s) => s.garment)], garment),
})

/** What a stop is called; by its kind alone where the program cannot say more. */
function wordsOf(kind: ReturnType<typeof findKind>, garment: Garment, change: Change): FoldedStop['words'] {
  try {
    if (kind) return kind.describe(garment, change.inputs)
  } catch {
    // Applying it fails too, and says so.
  }
  return { title: kind?.title ?? change.kind, amountMm: null }
}

function applyStop(garment: Garment, change: Change, context: ChangeContext): FoldedStop {
  const kind = findKind(change.kind)
  const words = wordsOf(kind, garment, change)
  if (!change.on) return { change, words, status: 'off', garment, applied: null, problem: null }
  if (!kind)
    return {
      change,
      words,
      status: 'orphan',
      garment,
      applied: null,
      problem: {
        code: 'unknown-change',
        where: change.kind,
        message: 'this version does not know this change.',
        remedy: 'Open the garment in the version it was made with.',
      },
    }
  const applied = applyOrRefuse(kind, garment, change.inputs, context)
  if (applied.ok) return { change, words, status: 'applied', garment: applied.value.garment, applied: applied.value, problem: null }
  const status = ORPHAN_CODES.has(applied.problem.code) ? 'orphan' : 'refused'
  return { change, words, status, garment, applied: null, problem: applied.problem }
}
