import { familyOf, findPiece, halfOf, timesRound, type Garment, type Piece } from '../../pattern'
import { armholesWithSleeve, bicepPieces } from '../../seams'
import type { Cardinal, GradeInputs, Rule, RuleTable } from './schema'

const to = (across: number, along: number): Rule => ({ across, along })

/** How far a shoulder falls for each millimetre that it goes out: some 20 degrees, as bodices are drafted. */
const SHOULDER_SLOPE = 0.36

/**
 * Our own rules, as parts of the interval. A quarter of it goes to each of the four sides of a body; the neck takes
 * little, the shoulder tip a little more, the armhole goes a little down; lengths grow slowly. Measured from the centre,
 * which stays: what is given at the centre is seen as the growth of the neck (half of it, since it tapers there).
 */
function ownRules(centre: GradeInputs['centre']): Record<RuleTable, Partial<Record<Cardinal, Rule>>> {
  const neck = centre === 'third' ? 0.25 / 3 / 2 : 0.03
  const shoulder = neck + 0.08
  // Along the shoulder: straight across it would flatten with every size, and turn neckline and armhole where they are sewn.
  const slope = 0.08 * SHOULDER_SLOPE
  const bodice = (front: boolean): Partial<Record<Cardinal, Rule>> => ({
    'neck-centre': to(0, front ? 0.02 : 0),
    'neck-point': to(neck, 0),
    'shoulder-tip': to(shoulder, slope),
    underarm: to(0.25, 0.08),
    'waist-side': to(0.25, 0.12),
    'waist-centre': to(0, 0.12),
    'hem-side': to(0.25, 0.16),
    'hem-centre': to(0, 0.16),
    apex: to(0.07, 0.09),
  })
  return {
    'bodice-front': bodice(true),
    'bodice-back': bodice(false),
    sleeve: { 'cap-end': to(0.14, 0), wrist: to(0.06, 0.06) },
    skirt: {
      'waist-centre': to(0, 0),
      'waist-side': to(0.25, 0),
      'hem-side': to(0.25, 0.08),
      'hem-centre': to(0, 0.08),
    },
    leg: {
      'waist-centre': to(0.125, 0),
      'waist-side': to(0.125, 0),
      'hip-side': to(0.125, 0.02),
      'crotch-point': to(0.125, 0.04),
      'opening-out': to(0.05, 0.14),
      'opening-in': to(0.05, 0.14),
    },
    'one-piece': {
      'neck-point': to(neck, 0),
      'shoulder-tip': to(shoulder - 0.03, 0),
      underarm: to(0.25, 0.08),
      'leg-top': to(0.25, 0.16),
      'crotch-corner': to(0.02, 0.22),
    },
  }
}

/** Which table a piece grows by; null for bands, which follow the edge that they are sewn to. */
export function tableOf(piece: Piece): RuleTable | null {
  const family = familyOf(piece)
  if (family === 'band') return null
  if (family === 'other' || (family === 'bodice' && piece.edges.some((e) => e.role === 'leg-opening'))) return 'one-piece'
  return family === 'bodice' ? `bodice-${halfOf(piece)!}` : family
}

/** The rules in force: ours, with the sewist's own in their place. */
export function rulesOf(inputs: Pick<GradeInputs, 'centre' | 'rules'>, table: RuleTable): Partial<Record<Cardinal, Rule>> {
  return { ...ownRules(inputs.centre)[table], ...inputs.rules[table] }
}

/** The part of its sleeve that a piece is, by its width at the bicep: 1 for a sleeve in one piece. */
function partOfSleeve(garment: Garment, piece: Piece): number {
  const pairs = armholesWithSleeve(garment)
  if (!pairs.ok) return 1
  const sleeves = pairs.value.map((armhole) => bicepPieces(garment, armhole, garment.baseSizeId))
  const sleeve = sleeves.find((list) => list.some((b) => b.piece.id === piece.id))
  if (!sleeve) return 1
  return sleeve.find((b) => b.piece.id === piece.id)!.widthMm / sleeve.reduce((sum, b) => sum + b.widthMm, 0)
}

/**
 * The rules in force on one piece of a garment: a sleeve in several pieces shares what a sleeve grows across by their widths, as it
 * shares a fuller bicep. null for a piece that grows by none.
 */
export function rulesOn(
  garment: Garment,
  piece: Piece,
  inputs: Pick<GradeInputs, 'centre' | 'rules'>,
): Partial<Record<Cardinal, Rule>> | null {
  const table = tableOf(piece)
  if (!table) return null
  const rules = rulesOf(inputs, table)
  const part = table === 'sleeve' ? partOfSleeve(garment, piece) : 1
  if (part === 1) return rules
  return Object.fromEntries(Object.entries(rules).map(([cardinal, rule]) => [cardinal, { ...rule, across: rule.across * part }]))
}

/**
 * How an interval is shared out between side edges and centre edges of a plain bodice (craft 6.5).
 * @example splitInterval(38, 'third') // each of four sides 6.333, each of four centres 3.167
 */
export function splitInterval(
  intervalMm: number,
  centre: GradeInputs['centre'],
  sides = 4,
  centres = 4,
): { sideMm: number; centreMm: number } {
  const part = centre === 'third' ? 1 / 3 : 0
  return { sideMm: (intervalMm * (1 - part)) / sides, centreMm: (intervalMm * part) / centres }
}

/** The part of the interval that the rules in force give to a zone round the body: 1 when the sums are right. */
export function askedPart(garment: Garment, pieceIds: string[], inputs: Pick<GradeInputs, 'centre' | 'rules'>): number {
  const own = pieceIds.some((id) => {
    const table = tableOf(findPiece(garment, id)!)
    return table !== null && inputs.rules[table] !== undefined
  })
  return own ? growthByRules(garment, inputs) : 1
}

/** Sum over the trunk's pieces of what their rules give at the widest point, as part of the interval. */
export function growthByRules(garment: Garment, inputs: Pick<GradeInputs, 'centre' | 'rules'>): number {
  let sum = 0
  for (const piece of garment.pieces) {
    const table = tableOf(piece)
    if (!table || table === 'sleeve' || table === 'skirt') continue
    const rules = rulesOf(inputs, table)
    const times = timesRound(garment, piece)
    const sides = table === 'one-piece' ? 2 : 1
    if (table === 'leg') sum += ((rules['hip-side']?.across ?? 0) + (rules['crotch-point']?.across ?? 0)) * times
    else sum += (rules.underarm?.across ?? 0) * times * sides
  }
  return sum
}
