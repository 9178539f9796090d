import { familyOf, isLimb, shapeOf, timesRound, type Garment } from '../../pattern'
import type { Concept, Wish } from '../../wishes'
import { isAtEach, oneAmount, says, towards, used } from '../shared/reading/amounts'
import { askedPieces } from '../shared/reading/things'
import { lengthToken } from '../../units'
import { lackingOf, missingOf, takesWanted } from '../shared/reading/wanted'
import type { ChangeContext, Reading } from '../types'
import { hemAndTop, hemPartners, lengthOf } from './find-hems'
import type { HemFullnessInputs } from './schema'

const FULLER: readonly Concept[] = ['fuller', 'out', 'more', 'too-tight']
const SLIMMER: readonly Concept[] = ['in', 'less', 'too-loose']
/** Where a leg has another change for its width. */
const LEVELS: readonly Concept[] = ['waist', 'hip', 'thigh', 'knee', 'calf', 'seat', 'side', 'inseam', 'from', 'above', 'below']

/** Legs and sleeves come in pairs: what is said of one goes round one. */
const LIMBS = 2

/** Is it said of a whole leg or skirt, down to its hem, which is asked? “Slimmer legs by 1”, “narrower skirt”. */
const isOfWhole = (wish: Wish, garment: Garment): boolean =>
  (says(wish, 'leg', 'skirt') &&
    !says(wish, 'hem', 'leg-opening') &&
    says(wish, 'in', 'out', 'too-tight', 'too-loose') &&
    !says(wish, ...LEVELS)) ||
  // “Flare 2 from the knee”: so much more at the hem, which begins higher up, and is asked.
  (says(wish, 'fuller') && says(wish, 'from') && says(wish, 'knee') && garment.pieces.some((p) => familyOf(p) === 'leg'))

/** Is it said of a hem? */
const isHem = (wish: Wish): boolean =>
  says(wish, 'hem', 'fullness', 'leg-opening', 'wrist') ||
  (says(wish, 'ankle') && !says(wish, 'keep', 'above', 'below')) ||
  (says(wish, 'fuller') && says(wish, 'skirt', 'leg', 'sleeve'))

/** What the lower end of one sleeve measures, over both its pieces where it has two, mm. */
const wristMm = (garment: Garment, sizeId: string): number =>
  garment.pieces
    .filter((p) => familyOf(p) === 'sleeve')
    .reduce((sum, p) => sum + lengthOf(shapeOf(p, sizeId), hemAndTop(p)?.hem ?? []) * timesRound(garment, p), 0) / LIMBS

const isOfSleeve = (wish: Wish, garment: Garment): boolean =>
  says(wish, 'sleeve', 'wrist') && garment.pieces.some((p) => familyOf(p) === 'sleeve')

/** “Leg opening 14”: what it lacks, or has too much, round one leg; of a sleeve round the arm, of a skirt or a bodice round the body, mm. */
function missingAtHem(wish: Wish, garment: Garment, context: ChangeContext): number | null {
  if (isOfSleeve(wish, garment)) return lackingOf(wish, wristMm(garment, context.sizeId))
  const zone = says(wish, 'leg-opening', 'ankle', 'wrist') ? 'leg-opening' : says(wish, 'hem') ? 'hem' : null
  return zone && (missingOf(wish, garment, zone, context) ?? missingOf(wish, garment, 'leg-opening', context))
}

/** Craft 6.8 as it is said: “fuller hem by 4”, “more flare in the skirt”, “take in the leg opening 1”. */
export function readHemFullness(
  wish: Wish,
  garment: Garment,
  context: ChangeContext,
  begun: () => HemFullnessInputs | null,
): Reading<HemFullnessInputs>[] {
  const isWhole = isOfWhole(wish, garment)
  if (
    !(isHem(wish) || isWhole) ||
    says(wish, 'longer', 'shorter', 'too-long', 'too-short', 'up', 'down', 'dart', 'pivot', 'slide', 'true', 'bust')
  )
    return []
  const usual = begun()
  if (!usual) return []
  const missing = missingAtHem(wish, garment, context)
  const way = missing === null ? towards(wish, FULLER, SLIMMER) : missing < 0 ? -1 : 1
  const asked = askedPieces(garment, wish)
  // A hem of which nothing else is said is that of the body, where the garment has one.
  const bodies = isOfSleeve(wish, garment) ? [] : garment.pieces.filter((p) => p.kind !== 'sleeve')
  const meant = asked.pieces.length > 0 ? asked.pieces : bodies.length > 0 ? bodies : garment.pieces
  const piece = meant.find((p) => hemAndTop(p) !== null)
  if (!piece || (way === 0 && !says(wish, 'fullness'))) return []
  const mm = missing ?? oneAmount(wish, way)
  const round = hemPartners(garment, piece.id).reduce((sum, p) => sum + timesRound(garment, p), 0) / (isLimb(piece) ? LIMBS : 1)
  const isEach = missing === null && isAtEach(wish)
  const amountMm = mm === null ? 0 : isEach ? mm : mm / round
  return [
    {
      inputs: { ...usual, pieceId: piece.id, amountMm },
      uses: used(
        wish,
        'hem',
        'fullness',
        'leg-opening',
        'wrist',
        'ankle',
        'skirt',
        'leg',
        'sleeve',
        'each',
        'round',
        ...FULLER,
        ...SLIMMER,
      ).concat(asked.uses),
      ...takesWanted(missing),
      sure: mm !== null && !isWhole,
      ...(way === 0 ? {} : { towards: way }),
      ...(mm
        ? {
            words: `${way > 0 ? 'Fuller' : 'Slimmer'} hem ${lengthToken(Math.abs(amountMm * round))} in all, ${lengthToken(Math.abs(amountMm))} at each piece`,
          }
        : {}),
    },
  ]
}
