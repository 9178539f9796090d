const LETTERS = ['S', 'M', 'L']
/** Words longer than this are no list of sizes. */
const MOST_SIGNS = 200

/** Where a size stands among others: by its figure, or by its letters; null for what is neither. */
function rankOf(name: string): number | null {
  if (/^\d{1,3}[a-z]?$/i.test(name) && !/[sml]$/i.test(name)) return Number.parseInt(name, 10)
  const letters = /^(\d?)(x{0,4})([sml])$/i.exec(name)
  if (!letters) return null
  const more = letters[1] ? Number(letters[1]) : letters[2]!.length
  const at = LETTERS.indexOf(letters[3]!.toUpperCase())
  return at === 1 ? 0 : at === 0 ? -1 - more : 1 + more
}

/** So many names in the order of their sizes; null where they are not so many, or cannot be put in an order. */
function inOrder(names: Iterable<string>, count: number): string[] | null {
  const own = [...new Set([...names].map((n) => n.toUpperCase()))]
  const ranks = new Map(own.map((n) => [n, rankOf(n)]))
  const isLetters = own.map((n) => /[SML]$/.test(n))
  if (own.length !== count || own.some((n) => ranks.get(n) === null) || new Set(isLetters).size > 1) return null
  return own.sort((a, b) => ranks.get(a)! - ranks.get(b)!)
}

/** Sizes from the first to the last by equal steps: “34–42” of five are 34, 36, 38, 40, 42. */
function between(first: string, last: string, count: number): string[] | null {
  const [low, high] = [Number(first), Number(last)]
  const step = (high - low) / (count - 1)
  return Number.isInteger(step) && step > 0 ? Array.from({ length: count }, (_, i) => String(low + i * step)) : null
}

/** The sizes that a text consists of, and whether it calls them so; none where it says anything else. */
function sizesIn(text: string): { isCalled: boolean; names: string[] } {
  const words = text.split(/[^\p{L}\d]+/u).filter((word) => word !== '')
  const isCalled = /^sizes?$/i.test(words[0] ?? '')
  const names = words.slice(isCalled ? 1 : 0).filter((word) => !/^(?:and|to)$/i.test(word))
  return { isCalled, names: text.length <= MOST_SIGNS && names.every((name) => rankOf(name) !== null) ? names : [] }
}

/**
 * What so many sizes are called in the words of a drawing, the smallest first: “Size 38” beside a line of each, a list of them, or
 * figures that stand alone; null where no words fit just so many.
 */
export function sizesSaid(texts: readonly { text: string }[], count: number): string[] | null {
  const all = texts.map((t) => sizesIn(t.text))
  const alone = all.filter(({ names }) => names.length === 1)
  const called = inOrder(
    alone.filter((t) => t.isCalled).flatMap((t) => t.names),
    count,
  )
  if (called) return called
  for (const { names } of all.filter((t) => t.names.length > 1)) {
    const own = inOrder(names, count) ?? (names.length === 2 ? between(names[0]!, names[1]!, count) : null)
    if (own) return own
  }
  // A single figure that nothing calls a size is a number of a page or a notch.
  return inOrder(
    alone.filter((t) => !t.isCalled && !/^\d$/.test(t.names[0]!)).flatMap((t) => t.names),
    count,
  )
}
