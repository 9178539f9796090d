import { smallerSide } from '../body'
import { CHANGE_KINDS, findKind, LEFT_OVER, type ChangeContext, type FoldedStop } from '../changes'
import { finishedMm } from '../measure'
import type { Garment } from '../pattern'
import { problemSentence } from '../result'
import { bodyLengths, isTooTight, makeWorksheet, otherMeasures, tooTightWords } from '../size'
import { capital, lengthToken } from '../units'

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

function reasonFor(id: string, pieceId: string | null, leftMm: number, what: AskedGiven['what'], stops: readonly Stop[]): string {
  const own = stops.filter((s) => givesIt(s, id, pieceId))
  const refused = own.find((s) => s.status === 'refused' && s.problem)
  if (refused) return `${refused.words.title} was refused: ${problemSentence(refused.problem!)}`
  const part = own.find((s) => s.change.note.endsWith(LEFT_OVER))
  if (part) return `${part.words.title}: these pieces go no further.`
  const off = own.find((s) => s.status === 'off')
  if (off) return `“${off.words.title}” is switched off.`
  // The one that is made for the fewest measures besides.
  const [kind] = CHANGE_KINDS.filter((k) => k.gives?.includes(id)).sort((a, b) => a.gives!.length - b.gives!.length)
  const would = kind ? kind.title : 'No change alone: look at it in the mock-up.'
  if (stops.length === 0) return would
  const much = lengthToken(Math.abs(leftMm))
  if (what === 'zone' && leftMm < 0) return `Roomier by ${much}: left as its maker meant it.`
  if (own.length > 0) return `Changed, but ${much} ${leftMm > 0 ? 'are missing' : 'are too much'} still: look at it in the mock-up.`
  return kind ? `Nothing in the plan changes it; “${would}” would.` : would
}

/** Pieces are made for the larger side: what the other one needs less is said. */
function sidesOf(body: ChangeContext['body'], measureId: string | null | undefined): string | null {
  const smaller = measureId ? smallerSide(body, measureId) : null
  if (!smaller) return null
  const { side, byMm } = smaller
  return `The ${side} is ${lengthToken(byMm)} less: the pieces are for the ${side === 'left' ? 'right' : 'left'}. Pin the difference out on the ${side} in the mock-up.`
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
  const row = (
    id: string,
    pieceId: string | null,
    name: string,
    what: AskedGiven['what'],
    mm: Pick<AskedGiven, 'bodyMm' | 'askedMm' | 'boughtMm' | 'givenMm'>,
    measureId: string | null | undefined = id,
  ): AskedGiven => {
    const leftMm = mm.askedMm === null ? null : mm.askedMm - mm.givenMm
    const isLeft = leftMm !== null && Math.abs(leftMm) > LEFT_MM[what]
    const isTight = what === 'zone' && isTooTight(mm.givenMm, mm.bodyMm, sizing)
    const by = stops.filter((s) => s.status === 'applied' && givesIt(s, id, pieceId)).map((s) => s.words.title)
    return {
      id,
      name,
      what,
      ...mm,
      leftMm,
      by,
      reason: isTight ? `${capital(tooTightWords(mm.bodyMm - mm.givenMm))}.` : isLeft ? reasonFor(id, pieceId, leftMm, what, stops) : null,
      sides: sidesOf(body, measureId),
    }
  }
  const mmOf = (garment: Garment, zone: Parameters<typeof finishedMm>[1]) =>
    finishedMm(garment, zone, garment.baseSizeId, sizing.shiftsMm[zone.id])
  const after = new Map(makeWorksheet(given, sizing, body, bought).rows.map((r) => [r.zone.id, r.zone]))
  const zones = makeWorksheet(bought, sizing, body).rows.flatMap((r) => {
    const zone = after.get(r.zone.id)
    if (r.bodyMm === null || !zone) return []
    return [
      row(
        r.zone.id,
        null,
        r.zone.name,
        'zone',
        {
          bodyMm: r.bodyMm,
          askedMm: r.bodyMm + r.wantedMm,
          boughtMm: mmOf(bought, r.zone),
          givenMm: mmOf(given, zone),
        },
        r.zone.measureId,
      ),
    ]
  })
  const measures = (garment: Garment) => [...bodyLengths(garment, body, sizing.wantedMm), ...otherMeasures(garment, body)]
  const now = new Map(measures(given).map((m) => [m.id, m]))
  const lengths = measures(bought).flatMap((was) => {
    const is = now.get(was.id)
    if (was.bodyMm === null || !is) return []
    const askedMm = is.missingMm === null ? null : is.garmentMm + is.missingMm
    return [row(was.id, was.pieceId, was.name, 'length', { bodyMm: was.bodyMm, askedMm, boughtMm: was.garmentMm, givenMm: is.garmentMm })]
  })
  return [...zones, ...lengths]
}
