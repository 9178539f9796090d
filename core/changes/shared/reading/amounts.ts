import type { Concept, Wish, WishAmount } from '../../../wishes'

/** Words that ask for more width, and for less, at a seam. */
export const LET_OUT: readonly Concept[] = ['out', 'more', 'too-tight']
export const TAKE_IN: readonly Concept[] = ['in', 'less', 'too-loose']

/** Which way something goes, by the words that say so; 0 where none does, or where they contradict each other. */
export function towards(wish: Wish, plus: readonly Concept[], minus: readonly Concept[]): 1 | 0 | -1 {
  const [isPlus, isMinus] = [plus, minus].map((words) => words.some((w) => wish.said.has(w)))
  return isPlus === isMinus ? 0 : isPlus ? 1 : -1
}

/** Which of some words a wish says: what a reading has taken account of. */
export const used = (wish: Wish, ...words: readonly Concept[]): Concept[] => words.filter((w) => wish.said.has(w))

/** Does a wish say one of these words? */
export const says = (wish: Wish, ...words: readonly Concept[]): boolean => words.some((w) => wish.said.has(w))

/** Is nothing said but some of these? */
export const saysOnly = (wish: Wish, ...concepts: readonly Concept[]): boolean => [...wish.said].every((c) => concepts.includes(c))
/** Is the waist spoken of, or the band that is sewn to it? */
export const saysWaist = (wish: Wish): boolean => says(wish, 'waist') || wish.names.includes('waistband')

/** Is a figure meant at each edge? “Each leg” and “each sleeve” go round one of them. */
export const isAtEach = (wish: Wish): boolean =>
  says(wish, 'each') && !/\b(?:each|every|per) (?:trouser |pant |pants )?(?:leg|sleeve|arm|thigh|calf|knee|ankle|wrist)\b/i.test(wish.text)

/** The figure of a wish, with the way it goes: null where the way is not known, or where a typed sign turns a word round. */
export function signed(amount: WishAmount, way: 1 | 0 | -1): number | null {
  if (way === 0) return amount.sign === 0 ? null : amount.sign * amount.mm
  // “Shorten by -5” is asked about, whichever way it was meant.
  return amount.sign === -1 || amount.sign * way === -1 ? null : way * amount.mm
}

/**
 * The one amount of a wish: 0 where none was typed, and then it is asked for; null where there are several, or the way it goes
 * is not clear.
 */
export function oneAmount(wish: Wish, way: 1 | 0 | -1): number | null {
  if (wish.amounts.length === 0) return way === 0 ? null : 0
  return wish.amounts.length === 1 ? signed(wish.amounts[0]!, way) : null
}
