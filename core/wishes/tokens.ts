import { parseLength, type UnitSystem } from '../units'
import { closePhrases } from './close-phrases'
import { PARTED, PHRASES, SMALL_WORDS, type Concept } from './lexicon'
import { slipOf } from './slips'
import { LONGEST_PHRASE, PAIRS } from './traits'
import { plainWish } from './plain-wish'
import { complained, joinParted, neededAlone, signedAlone, turnedAlone } from './turned'

/** One part of a wish, in its order. */
export type Token =
  | { is: 'concept'; concept: Concept; text: string; /** As it was typed, where it was taken for a slip. */ typed?: string }
  | { is: 'amount'; mm: number; /** As it was typed: 1 or -1, or 0 without a sign. */ sign: 1 | 0 | -1; text: string }
  | { is: 'size'; name: string }
  | { is: 'sizes'; count: number; way: 'up' | 'down' }
  | { is: 'cup'; name: string }
  | { is: 'break' }
  /** Without meaning by itself; `turns` where it may belong to a verb before it: “take the side in”. */
  | { is: 'small'; text: string; turns: boolean }
  /** A word that is known only since something on the garment is called so. */
  | { is: 'name'; text: string }
  | { is: 'unknown'; text: string }

/** Short for two words of the trade. */
const SHORT: [RegExp, string][] = [
  [/\b(?:fba|full bust adjustment)\b/g, 'fuller bust'],
  [/\b(?:sba|small bust adjustment)\b/g, 'smaller bust'],
]

/** Words for figures, as they are said: the longer ones first. */
const SAID: [RegExp, string][] = [
  [/\b(?:an|one|1) inch and an? (half|quarter|eighth)\b/g, '1 $1 in'],
  [/\b(?:a|one|an) (half|quarter|eighth|sixteenth)\b/g, '$1'],
  [/ of an inch\b/g, ' in'],
  [/\bthree quarters?\b/g, '3/4'],
  [/\b(three|five|seven) eighths?\b/g, '$1/8'],
  [/\bhalf (?:an )?inch\b/g, '1/2 in'],
  [/\bquarter (?:of an )?inch\b/g, '1/4 in'],
  [/\b(?:an? |one )?(?:another|extra|additional) inch\b/g, '1 in more'],
  [/\b(?:one|1) more inch\b/g, '1 in more'],
  [/\ban inch\b/g, '1 in'],
  [/\binch(es)?\b/g, 'in'],
  [/\bcentimet(?:er|re)s?\b/g, 'cm'],
  [/\bmillimet(?:er|re)s?\b/g, 'mm'],
]
const FIGURES: Record<string, string> = {
  one: '1',
  two: '2',
  three: '3',
  four: '4',
  five: '5',
  six: '6',
  seven: '7',
  eight: '8',
  nine: '9',
  ten: '10',
}
const PARTS: Record<string, string> = { half: '1/2', quarter: '1/4', eighth: '1/8', sixteenth: '1/16' }

/** Figures in words become figures: “an inch and a half”, “three eighths”, “two cm”. */
function withFigures(text: string): string {
  let plain = text
  plain = plain.replace(
    /\b(one|two|three|four|five|six|seven|eight|nine|ten|\d+) and an? (half|quarter)\b/g,
    (_, whole: string, part: string) => `${FIGURES[whole] ?? whole} ${PARTS[part]}`,
  )
  for (const [from, to] of [...SHORT, ...SAID]) plain = plain.replace(from, to)
  // Only before a unit or a part, so that “one dart” stays a word.
  plain = plain.replace(
    /\b(one|two|three|four|five|six|seven|eight|nine|ten)(?= ?(?:in|cm|mm|half|quarter|\/8|(?:more |larger |bigger |smaller )?sizes?)\b|\/8)/g,
    (w) => FIGURES[w]!,
  )
  plain = plain
    .replace(/\ba size (?=(?:up|down|larger|smaller|bigger)\b)/g, '1 size ')
    .replace(/\b(up|down) a size\b/g, '$1 1 size')
    .replace(
      /\b(\d{1,2}) (more|further|larger|bigger|smaller) (sizes?)\b/g,
      (_, n: string, how: string, sizes: string) => `${n} ${sizes} ${how === 'smaller' ? 'down' : 'up'}`,
    )
  return plain.replace(
    /\b(half|quarter|eighth|sixteenth)\b(?= ?(?:in|cm)\b|$|[ ,.]*(?:at|on|below|above|each|all|out|from)\b)|(?<=\d )(half|quarter|eighth)\b/g,
    (w) => PARTS[w]!,
  )
}

const UNIT = `(?:"|'|(?:in|cm|mm|m|ft|feet|foot)(?![\\p{L}]))`
const AMOUNT = new RegExp(
  `(?<![\\p{L}\\d/.])([+-]?) ?((?:\\d+(?: |-| and |\\+)\\d+ ?/ ?\\d+|\\d+ ?/ ?\\d+|\\d+[.,]\\d+|[.,]\\d+|\\d+)(?: ?${UNIT})?)(?![\\d/]| ?sizes?\\b)`,
  'gu',
)
const SIZE =
  /\b(\d{1,2}) sizes? (up|down|larger|smaller|bigger)\b|\b(up|down) (\d{1,2}) sizes?\b|\bsizes? ([\p{L}\d]{1,4})\b(?![.,/]\d)|\b(?:cup (?:size )?([a-z]{1,3})|([a-z]{1,2}) cup)\b/gu
const UP_DOWN = /\b(\d{1,2}) (up|down)\b/g

/** The second of two sizes, right behind the first. */
const SECOND_SIZE = /^(?: and | to | or | ?[-/&] ?)([\p{L}\d]{1,4})(?![\p{L}\d./])/u
/** Where a size is worn, and another size after it: “size 4 at the bust, 6 at the hip”. */
const AT = '(?:(?: at| in| for| on)(?: the| my)?)? (?:high bust|bust|chest|waist|hips?|seat|shoulders?)'
const NEXT_SIZE = new RegExp(`^(${AT},?(?: and| then| to)?(?: an?)? )([\\p{L}\\d]{1,4})(?=${AT})`, 'u')
/** “Grade from a 4 to a 6”: sizes, where it is said that it is about sizes. */
const FROM_TO =
  /\bfrom (?:an? )?(\d{1,2}|xs|s|m|l|xl)(?: at the [a-z]+)? to (?:an? )?(\d{1,2}|xs|s|m|l|xl)(?![\p{L}\d./]| ?(?:"|in\b|cm\b|mm\b))/gu
const isSizeName = (text: string): boolean => /\d|^(?:xs|s|m|l|xl)$/.test(text)

interface Found {
  from: number
  to: number
  token: Token
}

/** What is not words: sizes, cups, amounts. */
function figuresIn(text: string, system: UnitSystem): Found[] {
  const found: Found[] = []
  const add = (match: RegExpMatchArray, token: Token) => {
    const from = match.index!
    const to = from + match[0].length
    if (!found.some((f) => from < f.to && to > f.from)) found.push({ from, to, token })
  }
  for (const m of text.matchAll(SIZE)) {
    const [, more, moreWay, way, count, size, cupA, cupB] = m
    if (more !== undefined) add(m, { is: 'sizes', count: Number(more), way: /down|smaller/.test(moreWay!) ? 'down' : 'up' })
    else if (count !== undefined) add(m, { is: 'sizes', count: Number(count), way: way as 'up' | 'down' })
    else if (cupA !== undefined || cupB !== undefined) add(m, { is: 'cup', name: (cupA ?? cupB)!.toUpperCase() })
    else if (isSizeName(size!)) {
      add(m, { is: 'size', name: size!.toUpperCase() })
      // “Sizes 3 and 5”: the word stands once for both.
      const second = SECOND_SIZE.exec(text.slice(m.index + m[0].length))
      if (second && isSizeName(second[1]!))
        add(Object.assign([second[0]], { index: m.index + m[0].length }) as RegExpMatchArray, {
          is: 'size',
          name: second[1]!.toUpperCase(),
        })
      let at = m.index + m[0].length
      for (let next = NEXT_SIZE.exec(text.slice(at)); next && isSizeName(next[2]!); next = NEXT_SIZE.exec(text.slice(at))) {
        const from = at + next[1]!.length
        add(Object.assign([next[2]!], { index: from }) as RegExpMatchArray, { is: 'size', name: next[2]!.toUpperCase() })
        at = from + next[2]!.length
      }
    }
  }
  // “From 4 at the bust to 6 at the hip” is about sizes where nothing is done from one to the other.
  const isOfSizes = /\b(?:grade|grading|blend|blending)\b/.test(text)
  const isAlone = /^(?:i )?(?:go |goes |cut )?from\b/.test(text)
  for (const m of text.matchAll(FROM_TO)) {
    if (!isOfSizes && !(isAlone && m[0].includes(' at the '))) continue
    for (const index of [m[0].indexOf(m[1]!, 'from '.length), m[0].lastIndexOf(m[2]!)]) {
      const name = index === m[0].lastIndexOf(m[2]!) ? m[2]! : m[1]!
      add(Object.assign([name], { index: m.index + index }) as RegExpMatchArray, { is: 'size', name: name.toUpperCase() })
    }
  }
  if (/\bgrade\b/.test(text))
    for (const m of text.matchAll(UP_DOWN)) add(m, { is: 'sizes', count: Number(m[1]), way: m[2] as 'up' | 'down' })
  for (const m of text.matchAll(AMOUNT)) {
    const read = parseLength(m[2]!, system)
    if (read.ok) add(m, { is: 'amount', mm: read.value, sign: m[1] === '-' ? -1 : m[1] === '+' ? 1 : 0, text: m[0].trim() })
  }
  return found.sort((a, b) => a.from - b.from)
}

/** Words that say where: after them “in” is no part of a verb that was parted from it. */
const FOLLOWED_BY_PLACE = /^(?:the|a|an|my|her|his|its|size|front|back|this|total|all|length|width|cup)$/

const PARTICLES = new Set(['in', 'out', 'off', 'away'])

/** One word that begins no known phrase. */
function wordToken(word: string, next: string | undefined, known: ReadonlySet<string>): Token {
  if (PARTICLES.has(word)) return { is: 'small', text: word, turns: next === undefined || !FOLLOWED_BY_PLACE.test(next) }
  if (SMALL_WORDS.has(word) || Object.hasOwn(PARTED, word)) return { is: 'small', text: word, turns: false }
  if (known.has(word)) return { is: 'name', text: word }
  const slip = slipOf(word)
  return slip ? { is: 'concept', concept: PHRASES.get(slip)!, text: slip, typed: word } : { is: 'unknown', text: word }
}

const ARTICLES = new Set(['the', 'a', 'an', 'my', 'her', 'his'])
const isArticle = (word: string) => ARTICLES.has(word)
/** Words without the articles between them. */
const bare = ([first, ...rest]: readonly string[]): string => [first, ...rest.filter((w) => !isArticle(w))].join(' ')
/** Known phrases by the same without articles. */
const BARE: ReadonlyMap<string, string> = new Map([...PAIRS.keys(), ...PHRASES.keys()].map((p) => [bare(p.split(' ')), p]))

/** Some words as the phrase that is known, where they are one: “bunches at back waist” is “bunches at the back waist”. */
function knownPhrase(words: readonly string[]): string {
  const said = words.join(' ')
  if (words.length === 1 || PHRASES.has(said) || PAIRS.has(said) || isArticle(words[0]!) || isArticle(words.at(-1)!)) return said
  return BARE.get(bare(words)) ?? said
}

const BESIDE_RIGHT = /^(?:at|above|below|over|under|where|there)$/

/** The tokens of a stretch of words without figures. */
function tokensOf(stretch: string, known: ReadonlySet<string>): Token[] {
  const words = stretch.match(/[\p{L}’'-]+|[,;.:!?]+/gu) ?? []
  const tokens: Token[] = []
  for (let i = 0; i < words.length;) {
    if (/^[,;.:!?]+$/.test(words[i]!)) {
      tokens.push({ is: 'break' })
      i += 1
      continue
    }
    let taken = 0
    for (let n = Math.min(LONGEST_PHRASE, words.length - i); n > 0 && taken === 0; n--) {
      const phrase = knownPhrase(words.slice(i, i + n))
      const concept = PHRASES.get(phrase)
      // “Left” is a word of a piece’s own name where that is opened out.
      if (concept === 'one-side' && phrase.split(' ').every((w) => known.has(w))) continue
      // “Right at the waist” says how near, and no side.
      if (phrase === 'right' && BESIDE_RIGHT.test(words[i + 1] ?? '')) {
        taken = n
        break
      }
      // “To the front length”: the word that ends it begins another phrase.
      if (n > 1 && words[i] === 'to' && PHRASES.has(`${words[i + n - 1]} ${words[i + n] ?? ''}`)) continue
      const concepts = concept ? [concept] : (PAIRS.get(phrase) ?? [])
      if (concepts.length === 0) continue
      tokens.push(...concepts.map((c): Token => ({ is: 'concept', concept: c, text: phrase })))
      taken = n
    }
    if (taken === 0) {
      tokens.push(wordToken(words[i]!, words[i + 1], known))
      taken = 1
    }
    i += taken
  }
  return tokens
}

/** Wishes are short: of a longer text nothing is read. */
export const LONGEST_WISH = 240

/**
 * The parts of a wish: what its words mean, its amounts, sizes and cups. Slips of the hand are taken for the only word that
 * they can be a slip of.
 *
 * @param known words of this garment's own names, which are no unknown words
 */
export function readTokens(text: string, system: UnitSystem, known: ReadonlySet<string>): Token[] {
  const said = withFigures(plainWish(text))
  const amounts = figuresIn(said, system).filter((f) => f.token.is === 'amount')
  const plain = closePhrases(said, amounts)
  const tokens: Token[] = []
  let at = 0
  for (const { from, to, token } of [...figuresIn(plain, system), { from: plain.length, to: plain.length, token: null }]) {
    tokens.push(...tokensOf(plain.slice(at, from), known))
    // “In size 5” says which: there the word belongs to no verb.
    const before = tokens[tokens.length - 1]
    if ((token?.is === 'size' || token?.is === 'cup') && before?.is === 'small') before.turns = false
    if (token) tokens.push(token)
    at = to
  }
  return neededAlone(signedAlone(turnedAlone(complained(joinParted(tokens)))))
}
