const lines = (...pairs: (string | number)[]) => `${pairs.join('\n')}\n`
const text = (words: string, x: number, y: number) => [0, 'TEXT', 8, '1', 10, x, 20, y, 40, 6, 1, words]

/** A panel of the exchange standard, 200 by 400 mm, in one size, with the number of a rule at each corner. */
export function rulePanel(by = 1): string {
  const corners: [number, number, number][] = [
    [0, 0, 1],
    [200, 0, 2],
    [200, 400, 3],
    [0, 400, 4],
  ]
  const at = ([x, y]: readonly number[]) => [10, x! * by, 20, y! * by]
  return lines(
    ...[0, 'SECTION', 2, 'HEADER', 9, '$INSUNITS', 70, by === 1 ? 4 : 1, 0, 'ENDSEC', 0, 'SECTION', 2, 'BLOCKS'],
    ...[0, 'BLOCK', 8, '1', 2, 'PANEL-40', 70, 0, 10, 0, 20, 0],
    ...text('Piece Name: SIDE PANEL', 60 * by, 200 * by),
    ...text('Size: 40', 60 * by, 180 * by),
    ...corners.flatMap(([x, y, rule]) => text(`# ${rule}`, x * by, y * by)),
    ...[0, 'POLYLINE', 8, '1', 66, 1, 70, 1],
    ...corners.flatMap((c) => [0, 'VERTEX', 8, '1', ...at(c)]),
    ...[0, 'SEQEND', 0, 'LINE', 8, '7', ...at([100, 60]), 11, 100 * by, 21, 340 * by],
    ...[0, 'LINE', 8, '4', ...at([200, 100]), 11, 194 * by, 21, 100 * by],
    ...[0, 'ENDBLK', 0, 'ENDSEC', 0, 'SECTION', 2, 'ENTITIES', 0, 'INSERT', 8, '1', 2, 'PANEL-40', 10, 0, 20, 0, 0, 'ENDSEC', 0, 'EOF'],
  )
}
/** A rule table of three sizes. */
export const ruleTable = (rules: string, units = 'METRIC', list = '38 40 42', sample = '40') =>
  `ASTM/D13Proposal 1\r\nAUTHOR: X\r\nUNITS: ${units}\r\nGRADE RULE TABLE: P\r\nNUMBER OF SIZES: 3\r\nSIZE LIST: ${list}\r\nSAMPLE SIZE: ${sample}\r\n${rules}\r\nEND`
/** Left edge still, right edge out by 10, bottom down by 6 for each size. */
export const RULES = [
  ['1', '0,6  0,0  0,-6'],
  ['2', '-10,6  0,0  10,-6'],
  ['3', '-10,0  0,0  10,0'],
  ['4', '0,0  0,0  0,0'],
]
  .map(([n, figures]) => `RULE: DELTA ${n}\r\n   ${figures}`)
  .join('\r\n')
