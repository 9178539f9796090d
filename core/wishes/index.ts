export { readWish, type Wish, type WishAmount } from './read-wish'
export { LONGEST_WISH } from './tokens'
export type { Concept } from './lexicon'
