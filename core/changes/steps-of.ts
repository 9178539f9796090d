import type { PaperStep } from './pictures'
import { namesOf, openedBetween } from './shared/one-side'
import type { ChangeKind, StepInput } from './types'

/**
 * A stop with ruler and scissors. One that is done on one side of the body begins with the pieces that are traced out for left and right;
 * what follows is the same as for both sides.
 */
export function stepsOf(kind: ChangeKind<unknown>, input: StepInput<unknown>): PaperStep[] {
  const { alike, garment } = input.applied
  const side = kind.sideOf?.(input.inputs) ?? 'both'
  if (!alike || side === 'both') return kind.paperSteps(input)
  const opened = openedBetween(input.before, garment)
  const [folded, pairs] = [true, false].map((onFold) => opened.filter((p) => p.edges.some((e) => e.fold) === onFold))
  const text = [
    ...(folded!.length > 0 ? [`Trace ${namesOf(folded!)} out whole, over the fold, and mark the halves left and right.`] : []),
    ...(pairs!.length > 0 ? [`Trace ${namesOf(pairs!)} twice, the second turned over, and mark them left and right.`] : []),
    `All that follows is done on the ${side} side only.`,
  ].join(' ')
  const inputs = kind.onItsSide?.(input.before, input.inputs) ?? input.inputs
  return [{ text, drawing: null }, ...kind.paperSteps({ ...input, inputs, applied: alike })]
}
