/** What went wrong, in words for the person at the table. Codes are stable; sentences may be reworded. */
export interface Problem {
  code: string
  /** Which piece, edge, file line or field. */
  where: string
  /** What is wrong: one plain sentence. */
  message: string
  /** What to do about it: one plain sentence. */
  remedy: string
  /** For a refused amount: the largest amount of the same sign that works, in millimetres. */
  largestMm?: number
}

/** Expected failure is a value; exceptions are for bugs. */
export type Result<T> = { ok: true; value: T } | { ok: false; problem: Problem }

export function ok<T>(value: T): Result<T> {
  return { ok: true, value }
}

export function refuse<T = never>(code: string, where: string, message: string, remedy: string, largestMm?: number): Result<T> {
  const problem: Problem = { code, where, message, remedy }
  if (largestMm !== undefined) problem.largestMm = largestMm
  return { ok: false, problem }
}

/** One line for a terminal or a toast. */
export function problemSentence(problem: Problem): string {
  return `${problem.where}: ${problem.message} ${problem.remedy}`
}
