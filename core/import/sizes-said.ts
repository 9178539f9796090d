const LETTERS = ['S', 'M', 'L']
/** Sizes that go on by equal steps are told from other figures from so many on. */
const LEAST_EVEN = 3
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

const isLetters = (name: string) => /[SML]$/i.test(name)

/**
 * So many names in the order of their sizes: all that are letters, or all figures, or those of them that go on by equal steps. Null
 * where there are not so many, or none can be put in an order.
 */
function inOrder(names: Iterable<string>, count: number): string[] | null {
  const own = [...new Set([...names].map((n) => n.toUpperCase()))].filter((n) => rankOf(n) !== null)
  for (const kind of [own.filter(isLetters), own.filter((n) => !isLetters(n))]) {
    const sorted = kind.sort((a, b) => rankOf(a)! - rankOf(b)!)
    if (sorted.length === count) return sorted
    const runs = sorted.flatMap((_, i) => evenRun(sorted, i, count))
    if (runs.length === 1) return runs[0]!
  }
  return null
}

/** So many names from one on by equal steps; none where they do not go on so far, or are so few that any would. */
function evenRun(sorted: readonly string[], from: number, count: number): string[][] {
  if (count < LEAST_EVEN) return []
  const steps = sorted.slice(from + 1).map((next) => rankOf(next)! - rankOf(sorted[from]!)!)
  return steps.flatMap((step) => {
    const run = Array.from({ length: count }, (_, i) => sorted.find((n) => rankOf(n) === rankOf(sorted[from]!)! + i * step))
    return run.every((n) => n !== undefined) ? [run] : []
  })
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
  // What stands alone: “2x” is rather how often a piece is cut, and a single figure a number of a page or a notch.
  const bare = alone.filter((t) => !t.isCalled).flatMap((t) => t.names)
  const sizes = bare.filter((name) => !isCount(name))
  const whole = inOrder(sizes, count)
  if (whole?.some((name) => !isFigure(name))) return whole
  return (
    inOrder(
      sizes.filter((name) => !isFigure(name)),
      count,
    ) ?? oneByOne(bare.filter(isCount), count)
  )
}

const isFigure = (name: string): boolean => /^\d$/.test(name)
const isCount = (name: string): boolean => /^\d+x$/i.test(name)

/** Sizes such as 1X, 2X, 3X: so many that none is left out, and too many to be counts. */
function oneByOne(names: readonly string[], count: number): string[] | null {
  const sizes = count < LEAST_EVEN ? null : inOrder(names, count)
  return sizes?.every((name, i) => rankOf(name) === rankOf(sizes[0]!)! + i) ? sizes : null
}
