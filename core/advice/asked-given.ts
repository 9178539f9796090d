import { smallerSide } from '../body'
import { CHANGE_KINDS, findKind, isOneSided, LEFT_OVER, type ChangeContext, type FoldedStop } from '../changes'
import { finishedMm } from '../measure'
import type { Garment } from '../pattern'
import { problemSentence } from '../result'
import { bodyLengths, isTooTight, makeWorksheet, otherMeasures, tooTightWords } from '../size'
import { capital, differenceToken } from '../units'

/** A zone or a length that the body asks for, what the pieces give, and what is left over. */
export interface AskedGiven {
  /** The measure's id. */
  id: string
  name: string
  what: 'zone' | 'length'
  bodyMm: number
  /** The finished measure that is asked for: the body and the ease wanted there, mm; null where nothing has to be met. */
  askedMm: number | null
  boughtMm: number
  givenMm: number
  /** Asked less given, mm; null where nothing has to be met. */
  leftMm: number | null
  /** Stops that brought it there. */
  by: string[]
  /** Why something is left over, a sentence with lengths as tokens; null where nothing is. */
  reason: string | null
  /** What is to be done where left and right of the body differ, a sentence with lengths as tokens; null where they are alike. */
  sides: string | null
}

/** More than this is left over, mm: as exactly as a zone is planned, and as a length is measured. */
const LEFT_MM = { zone: 2, length: 3 } as const

type Stop = Pick<FoldedStop, 'change' | 'words' | 'status' | 'problem' | 'applied'>

/** Is this stop one that brings a measure to the body’s? Of a length, where it changed the piece that has it. */
const givesIt = ({ change, applied }: Stop, id: string, pieceId: string | null) =>
  findKind(change.kind as string)?.gives?.includes(id) === true &&
  (pieceId === null || !applied || applied.touched.some((t) => t.pieceId === pieceId))

function reasonFor({ id, what, askedMm, givenMm }: Figures, pieceId: string | null, leftMm: number, stops: readonly Stop[]): string {
  const own = stops.filter((s) => givesIt(s, id, pieceId))
  const refused = own.find((s) => s.status === 'refused' && s.problem)
  if (refused) return `${refused.words.title} was refused: ${problemSentence(refused.problem!)}`
  const part = own.find((s) => s.change.note.endsWith(LEFT_OVER))
  if (part) return `${part.words.title}: these pieces go no further.`
  const off = own.find((s) => s.status === 'off')
  if (off) return `“${off.words.title}” is switched off.`
  // Both ways, where there are two; of more, the one that is made for the fewest measures besides.
  const kinds = CHANGE_KINDS.filter((k) => k.gives?.includes(id)).sort((a, b) => a.gives!.length - b.gives!.length)
  const ways = kinds.slice(0, kinds.length === 2 ? 2 : 1).map((k) => k.title)
  const would = ways.length > 0 ? ways.join(', or ') : 'No change alone: look at it in the mock-up.'
  if (stops.length === 0) return would
  // The difference of two figures that are shown beside it.
  const much = differenceToken(givenMm, askedMm!)
  if (what === 'zone' && leftMm < 0) return `Roomier by ${much}: left as its maker meant it.`
  if (own.length > 0) return `Changed, but ${much} ${leftMm > 0 ? 'are missing' : 'are too much'} still: look at it in the mock-up.`
  return ways.length > 0 ? `Nothing in the plan changes it; ${ways.map((w) => `“${w}”`).join(' or ')} would.` : would
}

/** Pieces are made for the larger side: what the other one needs less is said, or which stop gives each its own. */
function sidesOf(body: ChangeContext['body'], measureId: string | null | undefined, stops: readonly Stop[]): string | null {
  const smaller = measureId ? smallerSide(body, measureId) : null
  if (!smaller) return null
  const { side, smallerMm, largerMm } = smaller
  const less = `The ${side} is ${differenceToken(smallerMm, largerMm)} less:`
  const done = stopOnOneSide(stops, measureId!)
  if (done) return `${less} ${done.words.title} is for one side alone.`
  const kind = CHANGE_KINDS.find((k) => k.gives?.includes(measureId!) && k.sideOf)
  const alone = kind ? `, or take it out on the ${side} alone: “${kind.title}” can be done on one side` : ''
  return `${less} the pieces are for the ${side === 'left' ? 'right' : 'left'}. Pin the difference out on the ${side} in the mock-up${alone}.`
}

/** The stop that gives a measure on one side of the body alone, where there is one that was not refused. */
export const stopOnOneSide = (stops: readonly Stop[], measureId: string): Stop | undefined =>
  stops.find((s) => s.status === 'applied' && isOneSided(s.change) && givesIt(s, measureId, null))

type Figures = Pick<AskedGiven, 'id' | 'name' | 'what' | 'bodyMm' | 'askedMm' | 'boughtMm' | 'givenMm' | 'sides'>

/** A row with what is left over, the stops that brought it there, and why it is not all. @param pieceId the piece that has a length */
function rowOf(figures: Figures, pieceId: string | null, stops: readonly Stop[], sizing: ChangeContext['sizing']): AskedGiven {
  const { id, what, bodyMm, askedMm, givenMm } = figures
  const leftMm = askedMm === null ? null : askedMm - givenMm
  const isLeft = leftMm !== null && Math.abs(leftMm) > LEFT_MM[what]
  const isTight = what === 'zone' && isTooTight(givenMm, bodyMm, sizing)
  const by = stops.filter((s) => s.status === 'applied' && givesIt(s, id, pieceId)).map((s) => s.words.title)
  const reason = isTight ? `${capital(tooTightWords(bodyMm - givenMm))}.` : isLeft ? reasonFor(figures, pieceId, leftMm, stops) : null
  return { ...figures, leftMm, by, reason }
}

/**
 * What the body asks for beside what the pieces give, as bought and as the plan leaves them: every zone, then every length and other
 * measure that has a figure. What is left over has its reason.
 *
 * @param bought the pattern as bought
 * @param given the pieces as the plan leaves them
 * @param stops of the plan, applied or not
 */
export function askedGiven(
  bought: Garment,
  given: Garment,
  stops: readonly Stop[],
  { sizing, body }: Pick<ChangeContext, 'sizing' | 'body'>,
): AskedGiven[] {
  const mmOf = (garment: Garment, zone: Parameters<typeof finishedMm>[1]) =>
    finishedMm(garment, zone, garment.baseSizeId, sizing.shiftsMm[zone.id])
  const after = new Map(makeWorksheet(given, sizing, body, bought).rows.map((r) => [r.zone.id, r.zone]))
  const zones = makeWorksheet(bought, sizing, body).rows.flatMap(({ zone, bodyMm, wantedMm }) => {
    const now = after.get(zone.id)
    if (bodyMm === null || !now) return []
    const mm = { bodyMm, askedMm: bodyMm + wantedMm, boughtMm: mmOf(bought, zone), givenMm: mmOf(given, now) }
    return [rowOf({ id: zone.id, name: zone.name, what: 'zone', ...mm, sides: sidesOf(body, zone.measureId, stops) }, null, stops, sizing)]
  })
  const measures = (garment: Garment) => [...bodyLengths(garment, body, sizing.wantedMm), ...otherMeasures(garment, body)]
  const now = new Map(measures(given).map((m) => [m.id, m]))
  const lengths = measures(bought).flatMap(({ id, name, pieceId, bodyMm, garmentMm }) => {
    const is = now.get(id)
    if (bodyMm === null || !is) return []
    // What may be longer, and is as long as the body, is what was asked for.
    const isMet = is.missingMm === null && Math.abs(is.garmentMm - bodyMm) <= LEFT_MM.length
    const askedMm = isMet ? bodyMm : is.missingMm === null ? null : is.garmentMm + is.missingMm
    const mm = { bodyMm, askedMm, boughtMm: garmentMm, givenMm: is.garmentMm }
    return [rowOf({ id, name, what: 'length', ...mm, sides: sidesOf(body, id, stops) }, pieceId, stops, sizing)]
  })
  return [...zones, ...lengths]
}
