/**
 * Rounds the parts of a split amount to ruler marks so that they still add up to the rounded whole
 * (largest remainder; the earlier part wins a tie).
 *
 * @param partsMm the exact parts, mm, any sign
 * @param stepMm the ruler's mark, mm, above zero
 * @returns the parts as whole marks in mm, in the same order
 * @example roundToRuler([0.6394 * 25.4, 0.5023 * 25.4], 25.4 / 8) // 5/8 in and 1/2 in: 1 1/8 in together
 */
export function roundToRuler(partsMm: readonly number[], stepMm: number): number[] {
  const exact = partsMm.map((p) => p / stepMm)
  const wholes = exact.map((e) => Math.floor(e))
  const target = Math.round(exact.reduce((a, b) => a + b, 0))
  let missing = target - wholes.reduce((a, b) => a + b, 0)
  const byRemainder = exact.map((e, i) => ({ i, rest: e - Math.floor(e) })).sort((a, b) => b.rest - a.rest || a.i - b.i)
  for (const { i } of byRemainder) {
    if (missing <= 0) break
    wholes[i] = wholes[i]! + 1
    missing -= 1
  }
  return wholes.map((w) => w * stepMm)
}
