import type { FoldedStop, NewChange } from '../changes'
import type { PlanFromBody } from './plan-sizes'

/** A stop that is proposed, what it is called after those before it, and what one should know before it is taken. */
export interface Proposed {
  change: NewChange
  words: FoldedStop['words']
  /** Sentences with lengths as tokens. */
  cautions: string[]
}

/** Cautions that are said before a plan is taken: another silhouette, a dart that was not there. */
const BEFORE_CUTTING = ['side-turns', 'new-dart']

/** Proposed stops with what each is called where it will stand: a blend by the sizes that a grade before it makes. */
export const nameProposed = ({ stops, folded }: PlanFromBody): Proposed[] =>
  stops.map((change, i) => {
    const { words, applied } = folded.stops[i]!
    return { change, words, cautions: (applied?.cautions ?? []).filter((c) => BEFORE_CUTTING.includes(c.code)).map((c) => c.message) }
  })
