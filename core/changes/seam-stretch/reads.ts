import { finishedMm, zoneOn } from '../../measure'
import { familyOf, type Garment } from '../../pattern'
import { lengthToken } from '../../units'
import type { Concept, Wish } from '../../wishes'
import { isNamed } from '../shared/reading/things'
import { isAtEach, LET_OUT, oneAmount, says, saysWaist, TAKE_IN, towards, used } from '../shared/reading/amounts'
import { missingOf, takesWanted } from '../shared/reading/wanted'
import type { ChangeContext, Reading } from '../types'
import { findSeams, type FoundSeam } from './find-seams'
import { amountFor } from './amount-for'
import { atCrotchPoint, stretchAt, type StretchPlace } from './places'
import type { SeamStretchInputs } from './schema'

const ZONES = ['bust', 'waist', 'hip', 'thigh', 'knee'] as const
/** Levels of a leg: what is said of one goes round one leg. The elbow, in the middle of a sleeve’s seam, goes round one arm. */
const OF_LEG: readonly Concept[] = ['thigh', 'knee', 'calf']
/** What has another change. */
const OTHERS: readonly Concept[] = [
  'dart',
  'two-tipped',
  'shoulder',
  'neckline',
  'armhole',
  'hem',
  'wedge',
  'fold',
  'waist-seam',
  'true',
  'swing',
  'slash',
  'longer',
  'shorter',
  'up',
  'down',
  'too-high',
  'too-low',
  'place',
]

/** The seams that a wish names, by their edges. @param at the place that is meant, where it says so in other words */
function meant(garment: Garment, wish: Wish, at?: Concept): FoundSeam[] {
  const seams = findSeams(garment)
  const isLeg = (s: FoundSeam) => familyOf(s.piece) === 'leg'
  const isHalf = (s: FoundSeam, half: string) => s.piece.kind.includes(half) || s.piece.name.toLowerCase().includes(half)
  const by: [Concept, (s: FoundSeam) => boolean][] = [
    // The middle of the back of trousers is the upper part of their crotch seam.
    ['centre-back', (s) => s.edge.role === 'centre-back' || (s.edge.role === 'crotch' && isLeg(s) && isHalf(s, 'back'))],
    ['centre-front', (s) => s.edge.role === 'centre-front' || (s.edge.role === 'crotch' && isLeg(s) && isHalf(s, 'front'))],
    ['crotch-point', (s) => s.edge.role === 'inseam'],
    ['inseam', (s) => s.edge.role === 'inseam'],
    ['underarm', (s) => s.edge.role === 'underarm'],
    ['sleeve', (s) => s.edge.role === 'underarm'],
    ['elbow', (s) => s.edge.role === 'underarm'],
    ['panel-seam', (s) => s.edge.role === 'panel'],
    ['side', (s) => s.edge.role === 'side' || s.edge.role === 'outseam'],
    ...OF_LEG.map((zone): [Concept, (s: FoundSeam) => boolean] => [zone, (s) => s.edge.role === 'outseam' || s.edge.role === 'inseam']),
  ]
  const found = by.find(([concept]) => (at ? concept === at : wish.said.has(concept)))
  const named = seams.filter((s) => isNamed(wish, s.name))
  return named.length > 0 ? named : found ? seams.filter(found[1]) : seams
}

/** How far each edge goes out for a leg to gain so much at a level, mm at each edge; null where that cannot be worked out. */
function roundBy(garment: Garment, place: StretchPlace, zoneId: string, eachMm: number, context: ChangeContext): number | null {
  const roundOf = (g: Garment): number => {
    const zone = zoneOn(g, zoneId, context.sizing)
    return zone ? finishedMm(g, zone, context.sizeId, context.sizing.shiftsMm[zone.id]) : 0
  }
  const gained = (after: Garment) => (roundOf(after) - roundOf(garment)) / 2
  return amountFor(garment, { ...place, mostMm: Infinity }, eachMm, gained, context)?.inputs.amountMm ?? null
}

/** What a wish says of a stretch, by the words that say it. */
interface Said {
  isStretch: boolean
  isElbow: boolean
  /** Of a leg or an arm all round: craft 9, at either seam of the limb. */
  isLimb: boolean
  /** Of the crotch point, where an inseam begins. */
  isFork: boolean
  /** “The waist gapes at the back 1”: taken in at the centre of legs or a skirt, where that is a seam. */
  isGap: boolean
  zone: (typeof ZONES)[number] | undefined
  wider: readonly Concept[]
  narrower: readonly Concept[]
}

/** What a wish says of a stretch of a seam; null where it speaks of something else. */
function saidOf(wish: Wish): Said | null {
  const isStretch = says(wish, 'stretch-of-seam')
  const isElbow = says(wish, 'elbow') && !says(wish, 'above', 'below', 'between', 'keep')
  const isFork = says(wish, 'crotch-point')
  const isLimb = (says(wish, ...OF_LEG) || isElbow) && !isFork && !says(wish, 'side', 'inseam', 'centre-back', 'centre-front')
  const hasOwn = isLimb || isFork || says(wish, 'centre-back', 'centre-front', 'inseam', 'underarm', 'panel-seam')
  const isGap = says(wish, 'gapes') && saysWaist(wish) && says(wish, 'back', 'centre-back')
  // Sides and sleeves as a whole have changes of their own.
  if (!isStretch && !isGap && (!hasOwn || says(wish, 'side', 'bicep'))) return null
  // A crotch point that is extended goes out.
  const others = isFork ? OTHERS.filter((c) => c !== 'longer' && c !== 'shorter') : OTHERS
  if (says(wish, ...others) || (says(wish, 'gapes') && !isGap)) return null
  const zone = ZONES.find((z) => wish.said.has(z))
  // “Thigh 1 fuller”: fuller is wider there.
  const wider: readonly Concept[] = isFork ? [...LET_OUT, 'fuller', 'longer', 'too-short'] : isLimb ? [...LET_OUT, 'fuller'] : LET_OUT
  const narrower: readonly Concept[] = isFork ? [...TAKE_IN, 'shorter', 'too-long'] : TAKE_IN
  return { isStretch, isElbow, isLimb, isFork, isGap, zone, wider, narrower }
}

/** Every word that speaks of a stretch of a seam. */
const usesOf = (wish: Wish, { isElbow, wider, narrower }: Said): Concept[] =>
  used(
    wish,
    'stretch-of-seam',
    'centre-back',
    'centre-front',
    'inseam',
    'crotch-point',
    'underarm',
    'panel-seam',
    'side',
    'sleeve',
    'seam',
    'each',
    'back',
    'front',
    'gapes',
    ...ZONES,
    ...(isElbow ? (['elbow'] as const) : []),
    ...wider,
    ...narrower,
  )

/** As it is said: “take in the centre back seam 1/4 at the waist”, “let out the inseam 3/8 along a stretch”, “extend the crotch points 1/2”. */
export function readSeamStretch(wish: Wish, garment: Garment, context: ChangeContext): Reading<SeamStretchInputs>[] {
  const is = saidOf(wish)
  // “Knee 23 below the waist” says how far apart they lie, and no round.
  if (!is || (wish.wantedMm !== null && says(wish, 'waist') && says(wish, 'knee', 'hip'))) return []
  const { isStretch, isElbow, isLimb, isFork, isGap, zone } = is
  // “Knee 17”: what it lacks, or has too much, round the leg.
  const missing = isLimb && zone ? missingOf(wish, garment, zone, context) : null
  const way = isGap ? -1 : missing === null ? towards(wish, is.wider, is.narrower) : missing < 0 ? -1 : 1
  if (way === 0 && !isStretch) return []
  const said = missing ?? oneAmount(wish, way)
  const isRound = isLimb && !isAtEach(wish)
  // A seam has two edges.
  const mm = said !== null && (isRound || isGap) ? said / 2 : said
  const seams = meant(garment, wish, isGap ? 'centre-back' : undefined)
  // A leg has two seams, of which one is asked; a sleeve in one piece has one.
  const isOneSeam = isElbow && seams.length === 1
  // “Let out the inseam” may mean all of it: where it is deepest is asked.
  const isClear = isFork || isOneSeam || (!isLimb && !isGap && (isStretch || zone !== undefined || says(wish, 'seam')))
  return seams.map((seam) => {
    const atPoint = isFork ? atCrotchPoint(garment, seam, context.sizeId) : null
    const there = atPoint ? null : stretchAt(garment, seam, context.sizeId, zone, mm ?? 0)
    const stretch = atPoint ?? there!.stretch
    // The upper end of an inseam is the crotch point.
    const isAtPoint = seam.edge.role === 'inseam' && stretch.atMm === 0
    // Said of the thigh: at the crotch point so much that the thigh gains it.
    const solved = there && isAtPoint && zone && mm ? roundBy(garment, there, zone, mm, context) : null
    return {
      inputs: { ...stretch, amountMm: solved ?? mm ?? 0 },
      uses: usesOf(wish, is),
      ...takesWanted(missing),
      sure: mm !== null && way !== 0 && isClear,
      ...(way === 0 ? {} : { towards: way }),
      field: 'amountMm',
      where: isAtPoint ? '' : zone ? `at the ${zone}` : isElbow ? 'at the elbow' : '',
      how: `each edge, where it is deepest${isRound && said ? `; ${lengthToken(Math.abs(said))} round the ${isElbow ? 'arm' : 'leg'}` : ''}`,
    }
  })
}
