import type { UnitSystem } from '../units'
import { readWish, WAYS, waysIn, type Stated, type Wish } from '../wishes'
import { keyOf, MOST_OFFERS, offersOf, sameOffers, type WishAnswer } from './wish-answers'

// Sentences that say more than one thing: each part of them is answered by itself, and put together.

/** What a sentence may still be taken apart by: each once, so that no heap of the same words is taken apart without end. */
export interface May {
  /** It may tell how the garment is. */
  state: boolean
  /** It may say what shall not be done. */
  deny: boolean
  /** It may say one side of the body. */
  side: boolean
}

/** Answers a part of a sentence, or the sentence put otherwise, on the same garment. */
export type Answer = (text: string, may?: Partial<May>) => WishAnswer

/** Where one sentence may ask for two things: a sign that ends a part, “and” or “but”; a point within a figure is none. */
const PARTED_AT = /[,;:!?]|\.(?!\d)|(?<!\bbetween (?:the )?[\p{L}]+ )\band\b|\bbut\b|&/u
const partsOf = (text: string) => text.split(PARTED_AT).filter((p) => p.trim() !== '')

/** How something is now is mended the other way; how it is to become is done: which of them was meant is asked. @param first what is to be known of both */
export function eitherWay({ asWish, opposite }: Stated, answer: Answer, first = ''): WishAnswer {
  const [mended, done] = [opposite, asWish].map((t) => answer(t, { state: false })) as [WishAnswer, WishAnswer]
  const offers = sameOffers([mended, done].flatMap((a) => offersOf(a).slice(0, MOST_OFFERS / 2)))
  if (offers.length === 0) return mended
  return { how: 'asks', why: `${first}Is it so now, and to be mended, or is it to become so?`, offers, measure: null }
}

/** Words after which it is said what shall not be done. */
const NOT = /\b(?:but not|do not|don[’']?t|not|never|without|except(?: for)?|instead of)\b/i

/** “Shorten by 2 but not the sleeves”: what is said before is offered, but for what it would be with the rest; null where nothing is left. */
export function butNot(text: string, system: UnitSystem, answer: Answer): WishAnswer | null {
  const at = NOT.exec(text)
  if (!at) return null
  // What is denied ends where the next part of the sentence begins.
  const [, denial, rest] = /^([^,;:]*)([^]*)$/.exec(text.slice(at.index + at[0].length))!
  const asked = `${text.slice(0, at.index)} ${rest!.replace(/^[,;:]/, ' ')}`
  const isEmpty = [asked, denial!].every((part) => waysIn(readWish(part, system)?.said ?? new Set()).length === 0)
  if (asked.trim() === '' && isEmpty && /^do/i.test(at[0]))
    return { how: 'nothing', why: 'It says only what should stay as it is. Say what should change.' }
  const denied = new Set(offersOf(answer(`${asked} ${denial}`, { deny: false })).map(keyOf))
  const offers = offersOf(answer(asked, { deny: false })).filter((o) => !denied.has(keyOf(o)))
  return offers.length > 0 ? { how: 'asks', why: 'It says what should not be: is this meant?', offers, measure: null } : null
}

/** “Lengthen the bodice 1 and the skirt 2”: one verb for several things, where each of them is clear by itself; null elsewhere. */
export function eachOf(wish: Wish, text: string, system: UnitSystem, answer: Answer): WishAnswer | null {
  const verb = wish.tokens.find((t) => t.is === 'concept' && WAYS.some((w) => w.includes(t.concept)))
  const parts = partsOf(text)
  if (verb?.is !== 'concept' || parts.length < 2 || wish.amounts.length !== parts.length) return null
  const hasVerb = (part: string) => waysIn(readWish(part, system)?.said ?? new Set()).length > 0
  const whole = parts.map((part) => (hasVerb(part) ? part : `${verb.text} ${part}`))
  const isClear = whole.every((part) => answer(part).how === 'does')
  return isClear ? oneAtATime(whole, answer) : null
}

/**
 * “Lengthen the bodice 1 and narrow the skirt 2”: two things asked for in one sentence, each with its own verb and figure; null for
 * any other. “Sleeves too long by 1 and too tight by 1/2” says the thing once.
 */
export function severalOf(wish: Wish, text: string, system: UnitSystem, answer: Answer): WishAnswer | null {
  const parts = wish.isSeveral ? partsOf(text) : []
  if (parts.length < 2) return null
  const thingsOf = (part: string) =>
    (readWish(part, system)?.tokens ?? []).flatMap((t) =>
      t.is === 'concept' && !WAYS.some((way) => way.includes(t.concept)) ? [t.text] : [],
    )
  const first = thingsOf(parts[0]!).join(' ')
  const whole = parts.map((part) => (thingsOf(part).length > 0 ? part : `${first} ${part}`))
  return oneAtATime(whole, answer)
}

/** Two things asked for in one sentence: each part of it is read by itself; null where none of them means anything. */
function oneAtATime(parts: readonly string[], answer: Answer): WishAnswer | null {
  const offers = sameOffers(parts.flatMap((part) => offersOf(answer(part))))
  if (offers.length === 0) return null
  return { how: 'asks', why: 'One change at a time: which one first?', offers: offers.slice(0, MOST_OFFERS), measure: null }
}
