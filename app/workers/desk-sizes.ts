import {
  askedGiven,
  changeForLength,
  listFaults,
  sizeUp,
  stopForSmallerSide,
  stopOnOneSide,
  type AskedGiven,
  type SizedUp,
} from '~~/core/advice'
import { smallerSide, WearerSchema } from '~~/core/body'
import { findKind, type ChangeContext, type FoldedPlan, type NewChange } from '~~/core/changes'
import { finishedMeasures } from '~~/core/measure'
import { makeNotebook, type Notebook } from '~~/core/paper/notebook'
import type { Garment } from '~~/core/pattern'
import { bodyLengths, compareSchools, type SchoolOutcome } from '~~/core/size'
import { readContext, type Asked, type Session } from './desk-session'
import { pack, type Parcel } from './parcel'

/** What Size shows: the pieces to trace, their worksheet, what the plan makes of its zones, and what is left over. */
export interface Sized extends SizedUp {
  /** Finished measures of the pieces as altered, by zone, mm; null while nothing is changed. */
  altered: [zoneId: string, mm: number][] | null
  /** What the body asks for beside what the pieces give. */
  asked: AskedGiven[]
  /** Lengths that one stop brings to the body’s. */
  addable: string[]
  /** Measures whose smaller side a stop of its own can have, and which side that is. */
  sided: [measureId: string, side: 'left' | 'right'][]
}

/** The same on its way to the page. */
export type SentSized = Omit<Sized, 'traced'> & { traced: Parcel<Garment> }

/** A stop that brings a measure to the body’s, and what it is called. */
export interface OfferedStop {
  change: NewChange
  title: string
}

/** The notebook page without its pieces, which the page holds. */
export type NotebookPage = Omit<Notebook, 'before' | 'after'>

/** What is left over after a plan, or as bought; nothing without a body. */
const leftOver = (base: Garment, folded: FoldedPlan | null, { sizing, body }: ChangeContext): AskedGiven[] =>
  body ? askedGiven(base, folded?.garment ?? base, folded?.stops ?? [], { sizing, body }) : []

/** The pieces as the user’s own stops leave them: the sheet adds to those, and takes nothing twice. */
const workedOn = ({ base, foldedOwn }: Session): Garment => foldedOwn?.garment ?? base

/**
 * What Size shows of the pieces as the user’s own stops leave them.
 * @param held the traced pieces that the page holds from before
 */
export function sizeUpFor(session: Session, held: number[], asked: Asked): SentSized {
  const { base, folded } = session
  const now = readContext(base, asked)
  const { traced, sheet } = sizeUp(workedOn(session), now)
  const after = folded?.garment ?? base
  const finished = () =>
    finishedMeasures(after, after.baseSizeId, now.sizing).map((m): [string, number] => [m.id.slice('finished:'.length), m.mm])
  return {
    traced: pack([traced], held),
    sheet,
    altered: folded && folded.stops.length > 0 ? finished() : null,
    asked: leftOver(base, folded, now),
    sided: sidedOf(after, folded?.stops ?? [], now),
    addable: lengthsOf(after, now).flatMap((l) => (changeForLength(after, l, now) ? [l.id] : [])),
  }
}

/** Measures whose sides differ on the body, and not yet on the pieces, where one stop makes them. */
const sidedOf = (after: Garment, stops: FoldedPlan['stops'], now: ChangeContext): Sized['sided'] =>
  Object.keys(now.body?.figures ?? {}).flatMap((id): Sized['sided'] => {
    const smaller = smallerSide(now.body, id)
    return smaller && !stopOnOneSide(stops, id) && stopForSmallerSide(after, id, now) ? [[id, smaller.side]] : []
  })

/** Lengths of pieces beside the body’s. */
const lengthsOf = (garment: Garment, { body, sizing }: ChangeContext) => bodyLengths(garment, body, sizing.wantedMm)

/** What each way of choosing the sizes would lead to. */
export function schoolsFor(session: Session, asked: Asked): SchoolOutcome[] {
  const now = readContext(session.base, asked)
  return compareSchools(sizeUp(workedOn(session), now).traced, now.sizing, now.body, session.base)
}

/** The stop that brings one length of the pieces, as the plan leaves them, to the body’s; null where none does. */
export function lengthStopFor(session: Session, lengthId: string, asked: Asked): OfferedStop | null {
  const now = readContext(session.base, asked)
  const after = session.folded?.garment ?? session.base
  const row = lengthsOf(after, now).find((l) => l.id === lengthId)
  const change = row ? changeForLength(after, row, now) : null
  return offered(after, change)
}

/** The stop that takes out on the smaller side of the body what the other side needs more; null where none does. */
export function sideStopFor(session: Session, measureId: string, asked: Asked): OfferedStop | null {
  const after = session.folded?.garment ?? session.base
  return offered(after, stopForSmallerSide(after, measureId, readContext(session.base, asked)))
}

const offered = (garment: Garment, change: NewChange | null): OfferedStop | null =>
  change && { change, title: findKind(change.kind as string)!.describe(garment, change.inputs).title }

/** What the body asks for beside what the pieces give, as the plan leaves them or as bought. */
export const askedGivenFor = ({ base, folded }: Session, isBought: boolean, asked: Asked): AskedGiven[] =>
  leftOver(base, isBought ? null : folded, readContext(base, asked))

/** The notebook page of a fit. @param mends ids of the stops that are done for everybody */
export function notebookFor({ base, folded, context }: Session, notes: string, mends: string[], asked: Asked): NotebookPage {
  const {
    before: _before,
    after: _after,
    ...page
  } = makeNotebook({
    sizing: readContext(base, asked).sizing,
    wearer: WearerSchema.nullable().parse(asked.wearer),
    notes,
    forEverybody: new Set(mends),
    garments: [base, ...(folded?.stops.map((s) => s.garment) ?? [])],
    stops: folded?.stops ?? [],
    faults: folded && context ? listFaults(folded, context) : [],
  })
  return page
}
