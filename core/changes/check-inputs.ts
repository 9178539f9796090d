import { issueWords } from '../issue-words'
import type { Garment } from '../pattern'
import type { Problem } from '../result'
import { lengthToken } from '../units'
import { findKind } from './registry'

/**
 * Whether a kind of change takes these inputs at all: what its form lets one type can lie outside of what it can work with.
 *
 * @returns what is wrong with the first input that cannot be used, by the name it has in the form; null when all can
 */
export function checkInputs(kindName: string, garment: Garment, inputs: unknown): Problem | null {
  const kind = findKind(kindName)
  const read = kind?.schema.safeParse(inputs)
  if (!kind || !read || read.success) return null
  const issue = read.error.issues[0]!
  const key = String(issue.path[0] ?? '')
  const label = kind.fields(garment, inputs).find((f) => f.key === key)?.label ?? key
  const words = (limit: number | bigint) => (key.endsWith('Mm') ? lengthToken(Number(limit)) : String(limit))
  const message =
    issue.code === 'too_small'
      ? `it has to be ${words(issue.minimum)} at least.`
      : issue.code === 'too_big'
        ? `it can be ${words(issue.maximum)} at most.`
        : `${issueWords(issue)}.`
  return { code: 'input-out-of-range', where: `“${label}”`, message, remedy: 'It stays as it was.' }
}
