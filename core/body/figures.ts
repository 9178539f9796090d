import { BODY_MEASURES, type BodyMeasure } from './measures'
import type { Figure, MeasureSet, Wearer } from './schema'

/**
 * One figure of a set for choosing and warning by, mm: of two sides the larger, since cloth must go round both.
 * @returns undefined where it was not taken
 */
export function figureMm(set: MeasureSet | null | undefined, measureId: string): number | undefined {
  const figure = set?.figures[measureId]
  if (!figure) return undefined
  return 'mm' in figure ? figure.mm : Math.max(figure.leftMm, figure.rightMm)
}

/** Sides that differ by less are alike, mm: a tape is not held more exactly. */
const SIDES_ALIKE_MM = 3

/** Which side of a measure is the smaller one, with both figures, mm; null where one figure stands for both, or both are alike. */
export function smallerSide(
  set: MeasureSet | null | undefined,
  measureId: string,
): { side: 'left' | 'right'; smallerMm: number; largerMm: number } | null {
  const figure = set?.figures[measureId]
  if (!figure || 'mm' in figure || Math.abs(figure.leftMm - figure.rightMm) <= SIDES_ALIKE_MM) return null
  const { leftMm, rightMm } = figure
  return { side: leftMm < rightMm ? 'left' : 'right', smallerMm: Math.min(leftMm, rightMm), largerMm: Math.max(leftMm, rightMm) }
}

/** The newest set of a wearer, or null when nothing was taken yet. Sets of one day: the later in the list is newer. */
export function latestSet(wearer: Wearer | null | undefined): MeasureSet | null {
  if (!wearer || wearer.sets.length === 0) return null
  return wearer.sets.reduce((a, b) => (b.takenOn >= a.takenOn ? b : a))
}

/** Every measure of a wearer, in the order of taking, the wearer's own ones last. */
export function measuresOf(wearer: Pick<Wearer, 'ownMeasures'>): BodyMeasure[] {
  const own = wearer.ownMeasures.map((m): BodyMeasure => ({
    id: m.id,
    name: m.name,
    kind: m.kind,
    sided: true,
    how: 'Added by you: take it the same way each time.',
    usual: { fromMm: 0, toMm: Infinity },
  }))
  return [...BODY_MEASURES, ...own]
}

/** Two sets side by side: measures that are in either, with the change where both have them, mm. */
export interface ComparedFigure {
  measureId: string
  before: Figure | null
  after: Figure | null
  /** Of the larger side; null where one is missing. */
  changeMm: number | null
}

export function compareSets(before: MeasureSet, after: MeasureSet, order: readonly BodyMeasure[]): ComparedFigure[] {
  return order
    .filter((m) => before.figures[m.id] || after.figures[m.id])
    .map((m) => {
      const was = figureMm(before, m.id)
      const is = figureMm(after, m.id)
      return {
        measureId: m.id,
        before: before.figures[m.id] ?? null,
        after: after.figures[m.id] ?? null,
        changeMm: was === undefined || is === undefined ? null : is - was,
      }
    })
}

/** How one measure went over time, oldest first: a point for each set that has it. */
export function historyOf(wearer: Wearer, measureId: string): { takenOn: string; figure: Figure }[] {
  return [...wearer.sets]
    .sort((a, b) => a.takenOn.localeCompare(b.takenOn))
    .flatMap((s) => (s.figures[measureId] ? [{ takenOn: s.takenOn, figure: s.figures[measureId] }] : []))
}
