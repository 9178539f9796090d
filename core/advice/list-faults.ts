import type { ChangeContext, FoldedPlan } from '../changes'
import { cornersAsSewn, type WalkedSeam } from '../match'
import { lengthToken } from '../units'
import { equalLegs, includeAgain, lengthenShortSide, lookAt, meetNotches, switchOff, trueCorner, type Look, type Mend } from './find-mends'

export interface Fault {
  id: string
  seamId: string | null
  verdict: 'ease' | 'fault'
  /** How bad, for the order of the list: mm off, degrees for corners. */
  size: number
  /** Names the piece, the edge and the figure; lengths as tokens. */
  message: string
  mends: Mend[]
}

function seamFaults(look: Look, walked: WalkedSeam): Fault[] {
  const faults: Fault[] = []
  const names = walked.sides.map((s) => [...new Set(s.parts.map((p) => `${p.pieceName}, ${p.edgeName}`))].join(' + '))
  if (walked.verdict !== 'good') {
    const long = walked.offMm > 0 ? 0 : 1
    const wanted = walked.seam.wantedEase
    const eased = wanted.minMm !== 0 || wanted.maxMm !== 0
    faults.push({
      id: `${walked.seam.id}:length`,
      seamId: walked.seam.id,
      verdict: walked.verdict,
      size: Math.abs(walked.offMm),
      message: `${walked.seam.name}: ${names[long]} is ${lengthToken(Math.abs(walked.offMm))} too long for ${names[1 - long]}${eased ? ` (wanted ease ${lengthToken(wanted.minMm)} to ${lengthToken(wanted.maxMm)}, found ${lengthToken(walked.surplusMm)})` : ''}.`,
      mends: [
        ...includeAgain(look.plan, walked),
        ...lengthenShortSide(look, walked),
        ...switchOff(look, (w) => w.seams.find((s) => s.seam.id === walked.seam.id)?.verdict !== 'good'),
      ],
    })
  }
  for (const mark of walked.marks)
    if (mark.verdict !== 'good')
      faults.push({
        id: `${walked.seam.id}:mark:${mark.name}`,
        seamId: walked.seam.id,
        verdict: mark.verdict,
        size: Math.abs(mark.offMm),
        message: `${walked.seam.name}: notch “${mark.name}” lies ${lengthToken(mark.firstMm)} along ${names[0]} and ${lengthToken(mark.secondMm)} along ${names[1]}: they miss each other by ${lengthToken(Math.abs(mark.offMm))}.`,
        mends: [
          ...includeAgain(look.plan, walked),
          ...meetNotches(look, walked, mark),
          ...switchOff(
            look,
            (w) => w.seams.find((s) => s.seam.id === walked.seam.id)?.marks.find((m) => m.name === mark.name)?.verdict !== 'good',
          ),
        ],
      })
  return faults
}

/**
 * Everything that does not match in the garment as altered, worst first, each with the changes that mend it.
 * A corner's size is in degrees and sorts after the lengths.
 */
export function listFaults(plan: FoldedPlan, context: ChangeContext): Fault[] {
  const look = lookAt(plan, context)
  const walked = look.walk(plan.garment)
  const lengths = walked.seams.flatMap((s) => seamFaults(look, s))
  for (const dart of walked.darts)
    if (dart.verdict !== 'good')
      lengths.push({
        id: `dart:${dart.pieceId}:${dart.dartId}`,
        seamId: null,
        verdict: dart.verdict,
        size: Math.abs(dart.offMm),
        message: `${dart.pieceName}, ${dart.dartName}: its legs measure ${lengthToken(dart.firstMm)} and ${lengthToken(dart.secondMm)}, ${lengthToken(Math.abs(dart.offMm))} apart.`,
        mends: [
          ...equalLegs(look, dart),
          ...switchOff(look, (w) => w.darts.find((d) => d.pieceId === dart.pieceId && d.dartId === dart.dartId)?.verdict !== 'good'),
        ],
      })
  const seamOfCorner = new Map(walked.seams.flatMap((w) => w.corners.map((c) => [c.id, w.seam.id] as const)))
  const corners = cornersAsSewn(walked)
    .filter((c) => c.verdict !== 'good')
    .map((c): Fault => ({
      id: `corner:${c.id}`,
      seamId: seamOfCorner.get(c.id) ?? null,
      verdict: 'fault',
      size: Math.abs(c.turnDeg),
      message: `${c.where}: the sewn edge turns a corner of ${Math.abs(c.turnDeg).toFixed(0)}° ${c.turnDeg > 0 ? 'inward' : 'outward'} here.`,
      mends: [...trueCorner(look, c), ...switchOff(look, (w) => cornersAsSewn(w).find((x) => x.id === c.id)?.verdict !== 'good')],
    }))
  const worst = (a: Fault, b: Fault) => Number(b.verdict === 'fault') - Number(a.verdict === 'fault') || b.size - a.size
  return [...lengths.sort(worst), ...corners.sort(worst)]
}
