/**
 * Whether a text has every word that is looked for, in any order, also as a part of a longer one; nothing looked for is in every text.
 * @example wordsIn('cook dress')('Quay dress for the Cook') // true
 */
export function wordsIn(sought: string): (text: string) => boolean {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean)
  return (text) => {
    const own = text.toLowerCase()
    return words.every((w) => own.includes(w))
  }
}
