export { figuresOf, readWish, type Wish, type WishAmount, type WishFigure } from './read-wish'
export { LONGEST_WISH } from './tokens'
export type { Concept } from './lexicon'
export { NEUTRAL, TRADE, tradeOf } from './trade'
