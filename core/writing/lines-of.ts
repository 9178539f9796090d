import type { ReadLine } from './read-writing'

/** What a reader of pictures gives: blocks of paragraphs of lines, each where its letters are. */
export interface ReadPage {
  blocks: { paragraphs: { lines: { text: string; confidence: number; bbox: ReadLine['box'] }[] }[] }[] | null
}

/** The lines of a page that was read, in its order. */
export const linesOf = ({ blocks }: ReadPage): ReadLine[] =>
  (blocks ?? []).flatMap((b) => b.paragraphs.flatMap((p) => p.lines.map(({ text, confidence, bbox }) => ({ text, confidence, box: bbox }))))
