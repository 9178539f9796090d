type Patch = { path: (string | number)[] }
const isPatch = (value: unknown): value is Patch => typeof value === 'object' && value !== null && Array.isArray((value as Patch).path)

/**
 * A row of the tray, or an act on it, as version 10 keeps it: without the sentences about what was guessed, wherever in it they
 * stand, and without the steps of an act that wrote one.
 */
export function withoutDoubts(value: unknown): unknown {
  if (Array.isArray(value)) return value.filter((v) => !isPatch(v) || !v.path.includes('doubts')).map(withoutDoubts)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(Object.entries(value).flatMap(([key, v]) => (key === 'doubts' ? [] : [[key, withoutDoubts(v)]])))
}
