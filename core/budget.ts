import { refuse, type Result } from './result'

/**
 * Steps that one question may take: a step is one sum over a curve, one halving, one pair of lines compared, with what is
 * done around it some microseconds. All of it is used up in a second or two.
 */
export const WORK_STEPS = 600_000

/** Thrown deep inside a computation that cannot end well, and caught by `bounded` at its border: never a bug of the caller. */
export class Unworkable extends Error {
  constructor(readonly code: 'too-much-work' | 'not-finite') {
    super(code)
    this.name = 'Unworkable'
  }
}

let left = Infinity

/**
 * Counts work done. Every loop and recursion whose end depends on figures calls it.
 * @throws Unworkable when the budget of the innermost `bounded` is used up
 */
export function spend(steps = 1): void {
  left -= steps
  if (left < 0) throw new Unworkable('too-much-work')
}

/**
 * Lets a figure pass that is finite.
 * @throws Unworkable for infinity and for what is no number: neither may go on into a loop or onto the paper
 */
export function finite(figure: number): number {
  if (!Number.isFinite(figure)) throw new Unworkable('not-finite')
  return figure
}

const WORDS: Record<Unworkable['code'], [message: string, remedy: string]> = {
  'too-much-work': ['it would take too long to work this out.', 'Try a smaller figure, or leave this out.'],
  'not-finite': ['with these figures a line runs to infinity.', 'Try a smaller figure, or leave this out.'],
}

/**
 * Runs a computation within a budget: it ends with its own result, or as a refusal that names what was worked on. Budgets
 * lie in each other; the inner one never has more than is left of the outer.
 *
 * @param where what is named when it is refused: a piece, a stop, a file
 * @example bounded('Front', () => ok(measureLength(path)))
 */
export function bounded<T>(where: string, work: () => Result<T>, steps: number = WORK_STEPS): Result<T> {
  const outer = left
  const given = Math.min(outer, steps)
  left = given
  try {
    return work()
  } catch (error) {
    if (!(error instanceof Unworkable)) throw error
    return refuse(error.code, where, ...WORDS[error.code])
  } finally {
    left = outer - (given - Math.max(0, left))
  }
}
