/** Why an outline is taken for no piece: it is set aside, and can be taken back. */
export const ASIDE_KINDS = ['frame', 'words', 'test-square', 'scale-bar', 'badge', 'inside'] as const
export type Aside = (typeof ASIDE_KINDS)[number]

/** What each is called where the file gives no name, and what is said of it. */
export const ASIDES: Record<Aside, { name: string; what: string }> = {
  frame: { name: 'Frame of the page', what: 'it holds the other pieces: the frame of the page, or its ground' },
  words: { name: 'Box of words', what: 'it is a box of words: a title, a key, a table' },
  'test-square': { name: 'Test square', what: 'it is the test square' },
  'scale-bar': { name: 'Scale bar', what: 'it is a bar that shows the scale' },
  badge: { name: 'Small shape', what: 'it is a small shape without a word or a mark on it, and the pieces have some' },
  inside: { name: 'Line within a piece', what: 'it lies within another piece: the place of a pocket, the line of a facing' },
}
