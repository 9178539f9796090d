/** Figures that differ by less than this mean the same stop, mm: far less than a pencil line. */
const SAME_MM = 0.5

/** Inputs that are the same but for figures that nobody could mark. */
export function alike(a: unknown, b: unknown): boolean {
  if (typeof a === 'number' && typeof b === 'number') return Math.abs(a - b) <= SAME_MM
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return a === b
  const keys = Object.keys(a)
  return keys.length === Object.keys(b).length && keys.every((k) => alike(a[k as never], b[k as never]))
}

/**
 * Two stops of a kind that do the same at one place as one: amounts (“…Mm” at the top of the inputs) added up.
 * @returns null when anything else differs
 */
export function sumOfAmounts<I extends object>(there: I, more: I): I | null {
  const keys = Object.keys(there) as (keyof I & string)[]
  const isAmount = (key: keyof I & string) => key.endsWith('Mm') && typeof there[key] === 'number' && typeof more[key] === 'number'
  if (keys.length !== Object.keys(more).length || !keys.every((k) => isAmount(k) || alike(there[k], more[k]))) return null
  return Object.fromEntries(keys.map((k) => [k, isAmount(k) ? Number(there[k]) + Number(more[k]) : there[k]])) as I
}
