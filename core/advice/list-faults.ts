import type { ChangeContext, FoldedPlan } from '../changes'
import { cornersAsSewn, type WalkedCorner, type WalkedDart, type WalkedMark, type WalkedSeam } from '../match'
import { differenceToken, lengthToken } from '../units'
import { EQUAL_MM } from '../tolerances'
import { findMends, lookAt, type Look, type Mend } from './find-mends'

export interface Fault {
  id: string
  about: 'seam' | 'notch' | 'dart' | 'corner'
  /** What is at fault, as Match lists it: a seam, a dart, an edge that runs on through seams. See `thingOf`. */
  under: string
  verdict: 'ease' | 'fault'
  /** How bad, for the order of the list: mm off, degrees for corners. */
  size: number
  /** Names the piece, the edge and the figure; lengths as tokens. */
  message: string
  mends: Mend[]
}

/** Names of what can be at fault. A corner belongs to the edge that turns there, not to the seam that it crosses. */
export const thingOf = {
  seam: (walked: WalkedSeam) => `seam:${walked.seam.id}`,
  dart: (dart: WalkedDart) => `dart:${dart.pieceId}:${dart.dartId}`,
  corner: (corner: WalkedCorner) => `edge:${corner.edgeName}`,
}

const isBad = (x: { verdict: 'good' | 'ease' | 'fault' }): x is { verdict: 'ease' | 'fault' } => x.verdict !== 'good'
const namesOf = (walked: WalkedSeam) =>
  walked.sides.map((s) => [...new Set(s.parts.map((p) => `${p.pieceName}, ${p.edgeName}`))].join(' + '))

function lengthFault(look: Look, walked: WalkedSeam): Fault[] {
  if (!isBad(walked)) return []
  const names = namesOf(walked)
  const long = walked.offMm > 0 ? 0 : 1
  const { minMm, maxMm } = walked.seam.wantedEase
  const isEased = minMm !== 0 || maxMm !== 0
  // What it misses by is the difference of two figures that are shown with it: the sides, or the ease found and the nearest wanted.
  const missed = isEased
    ? differenceToken(walked.surplusMm, walked.offMm > 0 ? maxMm : minMm)
    : differenceToken(walked.sides[0].lengthMm, walked.sides[1].lengthMm)
  const eased = isEased ? ` (wanted ease ${lengthToken(minMm)} to ${lengthToken(maxMm)}, found ${lengthToken(walked.surplusMm)})` : ''
  return [
    {
      id: `${walked.seam.id}:length`,
      about: 'seam',
      under: thingOf.seam(walked),
      verdict: walked.verdict,
      size: Math.abs(walked.offMm),
      message: `${walked.seam.name}: ${names[long]} is ${missed} too long for ${names[1 - long]}${eased}.`,
      mends: findMends(look, { what: 'seam', seam: walked }, (w) => w.seams.find((s) => s.seam.id === walked.seam.id)?.verdict !== 'good'),
    },
  ]
}

/** Where nothing is eased in, what they miss by is the difference of the two places; else it is what goes beyond the ease. */
const missesBy = (walked: WalkedSeam, { firstMm, secondMm, offMm }: WalkedMark) =>
  Math.abs(Math.abs(firstMm - secondMm) - Math.abs(offMm)) <= EQUAL_MM
    ? `they miss each other by ${differenceToken(firstMm, secondMm)}`
    : `they miss each other by ${lengthToken(Math.abs(offMm))} more than the surplus of ${differenceToken(walked.sides[0].lengthMm, walked.sides[1].lengthMm)} explains`

function markFault(look: Look, walked: WalkedSeam, mark: WalkedMark): Fault[] {
  if (!isBad(mark)) return []
  const names = namesOf(walked)
  return [
    {
      id: `${walked.seam.id}:mark:${mark.name}`,
      about: 'notch',
      under: thingOf.seam(walked),
      verdict: mark.verdict,
      size: Math.abs(mark.offMm),
      message: `${walked.seam.name}: notch “${mark.name}” lies ${lengthToken(mark.firstMm)} along ${names[0]} and ${lengthToken(mark.secondMm)} along ${names[1]}: ${missesBy(walked, mark)}.`,
      mends: findMends(
        look,
        { what: 'mark', seam: walked, mark },
        (w) => w.seams.find((s) => s.seam.id === walked.seam.id)?.marks.find((m) => m.name === mark.name)?.verdict !== 'good',
      ),
    },
  ]
}

function dartFault(look: Look, dart: WalkedDart): Fault[] {
  if (!isBad(dart)) return []
  return [
    {
      id: `dart:${dart.pieceId}:${dart.dartId}`,
      about: 'dart',
      under: thingOf.dart(dart),
      verdict: dart.verdict,
      size: Math.abs(dart.offMm),
      message: `${dart.pieceName}, ${dart.dartName}: its legs measure ${lengthToken(dart.firstMm)} and ${lengthToken(dart.secondMm)}, ${differenceToken(dart.firstMm, dart.secondMm)} apart.`,
      mends: findMends(
        look,
        { what: 'dart', dart },
        (w) => w.darts.find((d) => d.pieceId === dart.pieceId && d.dartId === dart.dartId)?.verdict !== 'good',
      ),
    },
  ]
}

function cornerFault(look: Look, corner: WalkedCorner): Fault[] {
  if (!isBad(corner)) return []
  return [
    {
      id: `corner:${corner.id}`,
      about: 'corner',
      under: thingOf.corner(corner),
      verdict: 'fault',
      size: Math.abs(corner.turnDeg),
      message: `${corner.where}: the sewn edge turns a corner of ${Math.abs(corner.turnDeg).toFixed(0)}° ${corner.turnDeg > 0 ? 'inward' : 'outward'} here.`,
      mends: findMends(look, { what: 'corner', corner }, (w) => cornersAsSewn(w).find((c) => c.id === corner.id)?.verdict !== 'good'),
    },
  ]
}

/**
 * Everything that does not match in the garment as altered, worst first, each with the changes that mend it.
 * A corner's size is in degrees and sorts after the lengths.
 */
export function listFaults(plan: FoldedPlan, context: ChangeContext): Fault[] {
  const look = lookAt(plan, context)
  const walked = look.walk(plan.garment)
  const lengths = [
    ...walked.seams.flatMap((s) => [...lengthFault(look, s), ...s.marks.flatMap((m) => markFault(look, s, m))]),
    ...walked.darts.flatMap((d) => dartFault(look, d)),
  ]
  const corners = cornersAsSewn(walked).flatMap((c) => cornerFault(look, c))
  const worst = (a: Fault, b: Fault) => Number(b.verdict === 'fault') - Number(a.verdict === 'fault') || b.size - a.size
  return [...lengths.sort(worst), ...corners.sort(worst)]
}
