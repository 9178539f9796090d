/** Words of its own that a file may declare, and how long one may be. */
const MOST_NAMES = 200
const LONGEST = 4000

const DECLARED = /<!ENTITY\s+([\w:.-]+)\s+(?:"([^"]*)"|'([^']*)')\s*>/gi
/** The part of a document type in brackets. */
const SUBSET = /<!DOCTYPE\s[^[>]*\[([\s\S]*?)\]\s*>/i
const REFERENCE = /&([\w:.-]+);/g
/** Names that XML knows by itself, and figures of letters. */
const KNOWN = /&(?:amp|lt|gt|quot|apos|#\d+|#x[\da-f]+);/gi

/**
 * A file with the words that it declares for itself written out where they stand, as drawing programs shorten names and styles
 * (`<!ENTITY st0 "fill:none;stroke:#000">`, `style="&st0;"`); its document type is left away.
 *
 * @param most letters that the whole may have
 * @returns null where it declares anything else: words from elsewhere, words of other words, marks within words, too many or too long ones
 */
export function withEntities(text: string, most: number): string | null {
  if (!/<!(?:ENTITY|ELEMENT|ATTLIST)/i.test(text)) return text
  const subset = SUBSET.exec(text)
  if (!subset) return null
  const values = new Map<string, string>()
  for (const [, name, double, single] of subset[1]!.matchAll(DECLARED)) {
    const value = double ?? single!
    if (values.size === MOST_NAMES || value.length > LONGEST || /[<%]/.test(value) || value.replace(KNOWN, '').includes('&')) return null
    if (!values.has(name!)) values.set(name!, value)
  }
  const rest = `${text.slice(0, subset.index)}${text.slice(subset.index + subset[0].length)}`
  // Whatever else is declared was not understood.
  if (/<!ENTITY/i.test(subset[1]!.replace(DECLARED, '')) || /<!(?:ENTITY|ELEMENT|ATTLIST)/i.test(rest)) return null
  let long = rest.length
  for (const [found, name] of rest.matchAll(REFERENCE)) long += (values.get(name!)?.length ?? found.length) - found.length
  if (long > most) return null
  return rest.replace(REFERENCE, (found, name: string) => values.get(name) ?? found)
}
