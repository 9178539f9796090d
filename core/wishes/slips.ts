import { PHRASES } from './lexicon'

/** How many signs must be put in, left out, changed or exchanged with their neighbour to make one word of another; 3 for more. */
function slips(a: string, b: string): number {
  if (Math.abs(a.length - b.length) > 2) return 3
  let before: number[] = []
  let last = Array.from({ length: b.length + 1 }, (_, j) => j)
  for (let i = 1; i <= a.length; i++) {
    const row: number[] = [i]
    for (let j = 1; j <= b.length; j++) {
      const same = a[i - 1] === b[j - 1]
      row[j] = Math.min(last[j]! + 1, row[j - 1]! + 1, last[j - 1]! + (same ? 0 : 1))
      if (i > 1 && j > 1 && a[i - 1] === b[j - 2] && a[i - 2] === b[j - 1]) row[j] = Math.min(row[j] ?? Infinity, before[j - 2]! + 1)
    }
    before = last
    last = row
  }
  return last[b.length]!
}

/** Words of one word each, for slips of the hand. */
const SINGLE = [...PHRASES.keys()].filter((p) => !p.includes(' ') && p.length >= 4)
/** Words that are written right, and look like slips of others: “pull” of “pulls”, “nape” of “gape”, “band” of “bind”. */
const RIGHT_AS_THEY_ARE: ReadonlySet<string> = new Set(
  (
    'alone angle angles band bands base bell belt belts bend bends bent black blind bound brace bras bump bumps case chance cross cuts deep ' +
    'dropped easy event ever fading find form found gate girth ground hack held hind hole holes hook hooks hoop jack joint kind kinds lack ' +
    'lacks laps large life list live living look looking looks love lump lumps main mess mind nape neat nick onto others pack past paste ' +
    'plane poke pokes puff puffs pull pulled pump rent risk rump sack sash scoot sets shade shake share shave sling slings slip slips slit ' +
    'slits song sore square stain stoop stoops strip strips suit suits swim swimming tack tacks tale tent tick tile track trail trails trap ' +
    'trip wait waiting weave wife wind wipe wire wound'
  ).split(' '),
)
/** A slip is looked for in words of at least so many signs; two slips in words of so many. */
const SLIP_FROM = 4
const TWO_SLIPS_FROM = 9

/** The only known word that a word can be a slip of, or null. */
export function slipOf(word: string): string | null {
  if (word.length < SLIP_FROM || RIGHT_AS_THEY_ARE.has(word)) return null
  const allowed = word.length >= TWO_SLIPS_FROM ? 2 : 1
  const near = SINGLE.filter((w) => w[0] === word[0] || w[1] === word[1]).map((w) => ({ w, off: slips(word, w) }))
  const least = Math.min(3, ...near.map((n) => n.off))
  const best = near.filter((n) => n.off === least && n.off <= allowed).map((n) => n.w)
  // A sign is more often left out than put in.
  const longest = Math.max(...best.map((w) => w.length))
  const likely = best.filter((w) => w.length === longest)
  return new Set(likely.map((w) => PHRASES.get(w))).size === 1 ? likely[0]! : null
}
