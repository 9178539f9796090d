import { lengthToken } from '../units'

/** What a stop is called with its amount, its length as a token: “Forward shoulder {mm 10}”. The direction is in its title. */
export const wordsWithAmount = ({ title, amountMm }: { title: string; amountMm: number | null }): string =>
  amountMm === null ? title : `${title} ${lengthToken(Math.abs(amountMm))}`
