/** Words that compare, each with its opposite. */
const OPPOSITES: Readonly<Record<string, string>> = {
  longer: 'shorter',
  shorter: 'longer',
  higher: 'lower',
  lower: 'higher',
  wider: 'narrower',
  narrower: 'wider',
  bigger: 'smaller',
  larger: 'smaller',
  smaller: 'bigger',
  deeper: 'shallower',
  shallower: 'deeper',
  looser: 'tighter',
  tighter: 'looser',
  fuller: 'slimmer',
}

const IS = '(?:is|are|hangs?|sits?|looks?|(?:comes?|came|turns|turned) out)'
const COMPARED = new RegExp(
  `^(.*?)(?:it(?:[’']s| is) |\\b${IS}\\b)((?:(?!\\b(?:to|too|than the pattern)\\b)[^,;:])*?)\\b(${Object.keys(OPPOSITES).join('|')})\\b(.*)$`,
  'isu',
)
/** Said so, it is to become so; and of a body it is what the garment has to follow. */
const MEANT = /\b(?:should|shall|must|needs?|wants?|to be|my|her|his|their|body|wearer)\b/i

/** A sentence that tells how a garment is now, as the two wishes that it may stand for. */
export interface Stated {
  /** It is to become so. */
  asWish: string
  /** It is to be mended. */
  opposite: string
}

/**
 * “The hem is 1 longer in front” may tell what is wrong, or what is wanted.
 *
 * @returns null for a sentence that leaves nothing open
 * @example statedAs('the hem is 1 longer in front')?.opposite // 'the hem 1 shorter in front'
 */
export function statedAs(text: string): Stated | null {
  const [, before, between, word, after] = COMPARED.exec(text) ?? []
  // What is meant is said in the same part of the sentence.
  if (before === undefined || MEANT.test(`${before.split(/[,;:.]/).at(-1)} ${between}`)) return null
  const whole = (how: string) => `${before} ${between} ${how}${after}`.replace(/ +/g, ' ').trim()
  return { asWish: whole(word!), opposite: whole(OPPOSITES[word!.toLowerCase()]!) }
}
