import { askedGiven, type AskedGiven, type Fault } from '../advice'
import { latestSet, measuresOf, type Figure, type Wearer } from '../body'
import { changedPieces, type FoldedStop, type HeldPromise } from '../changes'
import { finishedMeasures } from '../measure'
import { findPiece, type Garment } from '../pattern'
import { problemSentence } from '../result'
import { lengthToken } from '../units'
import { makeWorksheet, sizeWords, type Sizing } from '../size'

/** What a notebook page is written from: a fit, worked out. */
export interface Fitted {
  sizing: Sizing
  wearer: Wearer | null
  notes: string
  /** Ids of the stops that mend the draft for everybody. */
  forEverybody: ReadonlySet<string>
  /** garments[0] as bought, garments[i + 1] after stop i. */
  garments: readonly Garment[]
  stops: readonly Omit<FoldedStop, 'garment'>[]
  faults: readonly Fault[]
}

export interface NotebookStop {
  title: string
  amountMm: number | null
  /** The figure is a place and not an amount: it has no sign. */
  isPlace: boolean
  status: FoldedStop['status']
  forEverybody: boolean
  /** Why: as it was noted. */
  note: string
  /** Pieces whose outline it changed. */
  pieces: string[]
  leftOut: string[]
  held: { kept: number; of: number; broken: HeldPromise[] }
  /** Sentences with lengths as tokens. */
  cautions: string[]
  problem: string | null
}

/** A garment's page in the notebook: for whom, what was, what was done and why, what it is now, what is left over. */
export interface Notebook {
  wearer: { name: string; takenOn: string | null; figures: { name: string; figure: Figure }[] } | null
  notes: string
  zones: {
    name: string
    size: string | null
    bodyMm: number | null
    wantedMm: number
    beforeMm: number
    afterMm: number
  }[]
  /** What the body asks for, what the pieces give, what is left over and why. */
  asked: AskedGiven[]
  stops: NotebookStop[]
  /** What the body still lacks, then what does not match, worst first: sentences with lengths as tokens. */
  leftOver: string[]
  before: Garment
  after: Garment
}

function figuresOf(wearer: Wearer): NonNullable<Notebook['wearer']> {
  const set = latestSet(wearer)
  const figures = measuresOf(wearer).flatMap((m) => {
    const figure = set?.figures[m.id]
    return figure ? [{ name: m.name, figure }] : []
  })
  return { name: wearer.name, takenOn: set?.takenOn ?? null, figures }
}

function stopOf(stop: Fitted['stops'][number], before: Garment, forEverybody: boolean): NotebookStop {
  const { applied } = stop
  const held = applied?.held ?? []
  return {
    title: stop.words.title,
    amountMm: stop.words.amountMm,
    isPlace: stop.words.isPlace === true,
    status: stop.status,
    forEverybody,
    note: stop.change.note,
    pieces: applied ? changedPieces(before, applied.garment, before.baseSizeId).map((p) => p.name) : [],
    leftOut: applied?.leftOut.map((l) => findPiece(before, l.pieceId)?.name ?? l.pieceId) ?? [],
    held: { kept: held.filter((h) => h.held).length, of: held.length, broken: held.filter((h) => !h.held) },
    cautions: applied?.cautions.map((c) => c.message) ?? [],
    problem: stop.problem && problemSentence(stop.problem),
  }
}

/** What the body still lacks, or has too much of, in a sentence with lengths as tokens. */
function stillLeft({ name, leftMm, reason, sides }: AskedGiven): string[] {
  const left = leftMm === null || reason === null ? '' : `${lengthToken(Math.abs(leftMm))} too ${leftMm > 0 ? 'little' : 'much'}. ${reason}`
  const said = [left, sides].filter(Boolean).join(' ')
  return said ? [`${name}: ${said}`] : []
}

/** Writes the notebook page of a fit. Nothing is measured but by the measures that the stations show. */
export function makeNotebook({ sizing, wearer, notes, forEverybody, garments, stops, faults }: Fitted): Notebook {
  const before = garments[0]!
  const after = garments[garments.length - 1]!
  const set = latestSet(wearer)
  const sheet = makeWorksheet(before, sizing, set)
  const finished = (garment: Garment) =>
    new Map(finishedMeasures(garment, garment.baseSizeId, sizing).map((m) => [m.id.slice('finished:'.length), m.mm]))
  const [was, is] = [finished(before), finished(after)]
  const zones = sheet.rows.flatMap((r) => {
    const [beforeMm, afterMm] = [was.get(r.zone.id), is.get(r.zone.id)]
    if (beforeMm === undefined || afterMm === undefined) return []
    const size = r.chosen && sizeWords(before, r.chosen)
    return [{ name: r.zone.name, size, bodyMm: r.bodyMm, wantedMm: r.wantedMm, beforeMm, afterMm }]
  })
  const asked = set ? askedGiven(before, after, stops, { sizing, body: set }) : []
  return {
    wearer: wearer && figuresOf(wearer),
    notes,
    zones,
    asked,
    stops: stops.map((stop, i) => stopOf(stop, garments[i]!, forEverybody.has(stop.change.id))),
    leftOver: [...asked.flatMap(stillLeft), ...faults.map((f) => f.message)],
    before,
    after,
  }
}
