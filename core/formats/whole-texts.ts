import { spend } from '../budget'
import type { DrawnShape, DrawnText } from './drawing'
import { evenWidth, letterWidth } from './letter-widths'

/** Directions that differ by less are one, degrees. */
const SAME_WAY_DEG = 0.5
/** Heights of one line of words are alike to this part. */
const SAME_HEIGHT = 0.03
/** How far letters of one line may lie off its base line, in their height. */
const OFF_LINE = 0.12
/** The least and most that is taken for a space, as parts of one. */
const LEAST_SPACE = 0.45
const MOST_SPACE = 2.9
/** How far letters may run into each other, as a part of a space. */
const OVERLAP = 1.1
/** A gap further than this from none, or from a space, speaks for no width of the letters. */
const FITS = 0.45
/** A type that letters may be of: how wide a text is in it, as a part of its size; and how many gaps must speak for it beside the usual. */
interface Type {
  widthOf: (text: string) => number
  doubt: number
}
/** How many gaps must speak for type whose letters are all of one width, and for such as is twice as wide as usual. */
const EVEN_DOUBT = 2
const WIDE_DOUBT = 5
/** Widths that are tried, as parts of the usual one. */
const WIDTHS = Array.from({ length: 26 }, (_, i) => 0.8 + i * 0.025)
const TYPES: readonly Type[] = [
  { usual: letterWidth, doubt: 0 },
  { usual: evenWidth, doubt: EVEN_DOUBT },
].flatMap(({ usual, doubt }) =>
  WIDTHS.map((wide): Type => ({ widthOf: (text) => usual(text) * wide, doubt: doubt + WIDE_DOUBT * Math.abs(wide - 1) })),
)
/** Words are given letter by letter where so many of the texts are one letter. */
const IN_LETTERS = 0.6
const MOST_LETTERS = 400
/** The same letter that stands no further on, in its height, is written twice. */
const TWICE = 0.1
const WHOLE_TURN_DEG = 360
/** Directions are counted from here, where no line of words runs. */
const SPLIT_DEG = -135.3

/** A text of one word, where it stands along its base line. */
interface Part {
  text: DrawnText
  /** Its place in the file. */
  index: number
  along: number
  across: number
}

/**
 * Words of a file that gives each word, or each letter, as a text of its own, put together to lines of words as a reader sees them: those of
 * one height, one direction, one base line and the same groups of lines that follow each other at a space's or at no distance. How wide the file's
 * letters are is found from its own gaps. Texts of several words stay what they are, and so do figures side by side with no word before
 * them (names of sizes stand so at corners of a nest). What is written twice at one place, as for bold type, is there once. Units are the
 * file's own.
 */
export function wholeTexts(texts: readonly DrawnText[], shapes: readonly DrawnShape[]): DrawnText[] {
  const groups = new Set(shapes.flatMap((s) => s.groups))
  const parts = texts.flatMap((text, index) => (/\s/.test(text.text) || !isSound(text) ? [] : [{ text, index }]))
  const inLetters = parts.filter((p) => p.text.text.length === 1).length > IN_LETTERS * parts.length
  const written = linesOf(parts, groups)
  const lines = written.map((line) => line.filter((p, i) => i === 0 || !isTwice(line[i - 1]!, p)))
  const twice = written.flatMap((line) => line.filter((p, i) => i > 0 && isTwice(line[i - 1]!, p)))
  const type = typeOf(lines, inLetters)
  const runs = lines.flatMap((line) => joinedIn(line, type, inLetters))
  const joined = new Map(runs.map((run) => [run[0]!.index, asText(run, type, inLetters)]))
  const gone = new Set([...twice, ...runs.flatMap((run) => run.slice(1))].map((p) => p.index))
  return texts.flatMap((text, index) => (gone.has(index) ? [] : [joined.get(index) ?? text]))
}

const isSound = (t: DrawnText): boolean =>
  t.heightMm > 0 && Number.isFinite(t.heightMm + t.at.x + t.at.y + t.end.x + t.end.y) && Math.hypot(t.end.x - t.at.x, t.end.y - t.at.y) > 0

/** The direction that a text runs in, degrees; those that are usual on paper lie within the range, and not on its ends. */
function wayOf(t: DrawnText): number {
  const deg = (Math.atan2(t.end.y - t.at.y, t.end.x - t.at.x) * 180) / Math.PI
  return deg < SPLIT_DEG ? deg + WHOLE_TURN_DEG : deg
}

/** Things whose figures lie together: no further than `within` from the least of them. */
function alike<T>(things: readonly T[], figure: (thing: T) => number, within: number): T[][] {
  const groups: { least: number; of: T[] }[] = []
  for (const { thing, at } of things.map((one) => ({ thing: one, at: figure(one) })).sort((a, b) => a.at - b.at)) {
    spend()
    const last = groups[groups.length - 1]
    if (last && at - last.least <= within) last.of.push(thing)
    else groups.push({ least: at, of: [thing] })
  }
  return groups.map((g) => g.of)
}

interface Indexed {
  text: DrawnText
  index: number
}

/** Texts by base line, each in the order in which it is read. */
function linesOf(texts: readonly Indexed[], groups: ReadonlySet<string>): Part[][] {
  const byGroups = new Map<string, Indexed[]>()
  for (const t of texts) {
    const key = JSON.stringify(t.text.groups.filter((g) => groups.has(g)))
    const same = byGroups.get(key)
    if (same) same.push(t)
    else byGroups.set(key, [t])
  }
  return [...byGroups.values()]
    .flatMap((same) => alike(same, (t) => wayOf(t.text), SAME_WAY_DEG))
    .flatMap((same) => alike(same, (t) => Math.log(t.text.heightMm), SAME_HEIGHT))
    .flatMap((same) => {
      const turn = (wayOf(same[0]!.text) * Math.PI) / 180
      const way = { x: Math.cos(turn), y: Math.sin(turn) }
      const parts = same.map(({ text, index }): Part => ({
        text,
        index,
        along: text.at.x * way.x + text.at.y * way.y,
        across: text.at.y * way.x - text.at.x * way.y,
      }))
      return alike(parts, (p) => p.across, OFF_LINE * same[0]!.text.heightMm)
    })
    .map((line) => line.sort((a, b) => a.along - b.along))
}

/** Is a text written once more at the same place, as for bold type? */
const isTwice = (a: Part, b: Part): boolean => a.text.text === b.text.text && b.along - a.along < TWICE * a.text.heightMm

/** How far the next part stands behind the end of one, in spaces of the file's type. */
const gapOf = (a: Part, b: Part, type: Type): number =>
  (b.along - a.along - type.widthOf(a.text.text) * a.text.heightMm) / (type.widthOf(' ') * a.text.heightMm)

/** How well a gap speaks for a type: 1 where it is none, or a space, and less beside. */
function fitOf(gap: number, inLetters: boolean): number {
  const off = Math.min(Math.abs(gap - 1), inLetters ? Math.abs(gap) : Infinity)
  return Math.max(0, 1 - off / FITS)
}

/** The type that a file is written in: that by which most gaps are none, or a space; the usual one where little speaks for another. */
function typeOf(lines: readonly Part[][], inLetters: boolean): Type {
  const pairs = lines.flatMap((l) => l.slice(1).map((b, i): [Part, Part] => [l[i]!, b]))
  const fits = TYPES.map((type) => {
    spend(pairs.length)
    return { type, fit: pairs.reduce((sum, [a, b]) => sum + fitOf(gapOf(a, b, type), inLetters), -type.doubt) }
  })
  return fits.reduce((a, b) => (b.fit > a.fit ? b : a)).type
}

const isFigure = (text: string): boolean => /^\d+$/.test(text)

/** Does a space, and not nothing, stand between two parts? */
const isParted = (a: Part, b: Part, type: Type, inLetters: boolean): boolean => !inLetters || gapOf(a, b, type) >= LEAST_SPACE

/** Runs of parts that are one line of words. */
function joinedIn(line: readonly Part[], type: Type, inLetters: boolean): Part[][] {
  const runs: Part[][] = []
  for (const part of line) {
    const run = runs[runs.length - 1]
    const last = run?.[run.length - 1]
    const gap = last ? gapOf(last, part, type) : Infinity
    const areSizes = last && isFigure(run![0]!.text.text) && isFigure(part.text.text) && isParted(last, part, type, inLetters)
    if (run && gap > -OVERLAP && gap < MOST_SPACE && !areSizes) run.push(part)
    else runs.push([part])
  }
  return runs.filter((r) => r.length > 1)
}

/** A run as one text. */
function asText(run: readonly Part[], type: Type, inLetters: boolean): DrawnText {
  const [first, last] = [run[0]!, run[run.length - 1]!]
  const text = run.map((p, i) => (i > 0 && isParted(run[i - 1]!, p, type, inLetters) ? ' ' : '') + p.text.text).join('')
  const [{ at }, { end }] = [first.text, last.text]
  return { ...first.text, text: text.slice(0, MOST_LETTERS), end, middle: { x: (at.x + end.x) / 2, y: (at.y + end.y) / 2 } }
}
