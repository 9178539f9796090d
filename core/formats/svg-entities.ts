/** Words of its own that a file may declare, and how long one may be. */
const MOST_NAMES = 200
const LONGEST = 4000

const DECLARED = /<!ENTITY\s+([\w:.-]+)\s+(?:"([^"]*)"|'([^']*)')\s*>/gi
/** Where a document type begins, up to its bracket, and where that ends: looked for once each, so that a heap of beginnings costs no more than one. */
const SUBSET_FROM = /^[^[>]*\[/
const SUBSET_TO = /\]\s*>/
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
  const typeAt = text.search(/<!DOCTYPE\s/i)
  const from = typeAt < 0 ? null : SUBSET_FROM.exec(text.slice(typeAt))
  const to = from && SUBSET_TO.exec(text.slice(typeAt + from[0].length))
  if (!from || !to) return null
  const beginsAt = typeAt + from[0].length
  const subset = text.slice(beginsAt, beginsAt + to.index)
  const values = new Map<string, string>()
  for (const [, name, double, single] of subset.matchAll(DECLARED)) {
    const value = double ?? single!
    if (values.size === MOST_NAMES || value.length > LONGEST || /[<%]/.test(value) || value.replace(KNOWN, '').includes('&')) return null
    if (!values.has(name!)) values.set(name!, value)
  }
  const rest = `${text.slice(0, typeAt)}${text.slice(beginsAt + to.index + to[0].length)}`
  // Whatever else is declared was not understood.
  if (/<!ENTITY/i.test(subset.replace(DECLARED, '')) || /<!(?:ENTITY|ELEMENT|ATTLIST)/i.test(rest)) return null
  let long = rest.length
  for (const [found, name] of rest.matchAll(REFERENCE)) long += (values.get(name!)?.length ?? found.length) - found.length
  if (long > most) return null
  return rest.replace(REFERENCE, (found, name: string) => values.get(name) ?? found)
}
