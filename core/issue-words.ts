import type { z } from 'zod'

const THINGS: Record<string, string> = {
  number: 'a figure',
  int: 'a whole figure',
  string: 'a text',
  array: 'a list',
  tuple: 'a list',
  object: 'a group of fields',
  record: 'a group of fields',
  boolean: 'yes or no',
}

/** A list in words, cut short where it is long. */
const listed = (values: readonly unknown[]) =>
  values.slice(0, 6).map(String).join(', ') + (values.length > 6 ? `, and ${values.length - 6} more` : '')

/** What a limit counts: signs of a text, things of a list, or the figure itself. */
function limited(origin: string, limit: number | bigint, over: boolean): string {
  const n = String(limit)
  if (origin === 'string')
    return over ? `it has more than ${n} signs` : limit === 1 || limit === 1n ? 'it is empty' : `it has fewer than ${n} signs`
  if (origin === 'array' || origin === 'set' || origin === 'map')
    return over ? `there are more than ${n} of them` : `there are fewer than ${n} of them`
  return over ? `the figure is over ${n}` : `the figure is under ${n}`
}

/**
 * What is wrong with a field of something from outside, as a clause without a full stop, for people who do not program.
 *
 * @param issue as the schema gives it
 * @example `${where}: ${issueWords(issue)}.` // “garment 2, sizes, 1: it is missing.”
 */
export function issueWords(issue: z.core.$ZodIssue): string {
  switch (issue.code) {
    case 'invalid_type':
      return /received undefined$/.test(issue.message) ? 'it is missing' : `it should be ${THINGS[issue.expected] ?? 'something else'}`
    case 'too_big':
      return limited(issue.origin, issue.maximum, true)
    case 'too_small':
      return limited(issue.origin, issue.minimum, false)
    case 'unrecognized_keys':
      return `“${listed(issue.keys)}” is not known here`
    case 'invalid_value':
      return `it should be one of these: ${listed(issue.values)}`
    case 'invalid_key':
      return `“${String(issue.path.at(-1))}” cannot be used as an id`
    case 'custom':
      return issue.message
    default:
      return 'it is written in a way that is not known here'
  }
}
