import { PHRASES } from './lexicon'

/** So many words on each side of a figure are looked at. */
const MOST_WORDS = 4

const wordsOf = (text: string): string[] => text.match(/[\p{L}’'-]+/gu) ?? []

/**
 * A wish with figures moved behind the phrases that they part: “the dart points 3/4 above my bust” is “points above” with a figure in it.
 *
 * @param figures where the figures stand, in their order
 * @example closePhrases('it sits 3/4 too high', [{ from: 8, to: 11 }]) // 'it sits too high 3/4'
 */
export function closePhrases(text: string, figures: readonly { from: number; to: number }[]): string {
  // From the end, so that places before it stay where they are.
  return [...figures].reverse().reduce((now, { from, to }) => {
    const before = /(?:^|[\s])((?:[\p{L}’'-]+ +)*)$/u.exec(now.slice(0, from))?.[1] ?? ''
    const after = /^ +((?:[\p{L}’'-]+(?: +|$))*)/u.exec(now.slice(to))?.[1] ?? ''
    const [left, right] = [wordsOf(before).slice(-MOST_WORDS), wordsOf(after).slice(0, MOST_WORDS)]
    for (let n = right.length; n > 0; n--)
      for (let k = left.length; k > 0; k--) {
        if (!PHRASES.has([...left.slice(-k), ...right.slice(0, n)].join(' '))) continue
        const moved = right.slice(0, n).join(' ')
        const rest = now.slice(to).replace(/^ +/, '').slice(moved.length)
        return `${now.slice(0, from)}${moved} ${now.slice(from, to).trim()}${rest}`
      }
    return now
  }, text)
}
