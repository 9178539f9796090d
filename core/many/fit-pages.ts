import type { Figure } from '../body'
import { cardNotes, cuttingCards, USE_NAMES, USES, usualCounts } from '../cloth'
import type { TextSection } from '../formats/pdf-text'
import { listFaults } from '../advice'
import { makeNotebook, stopInWords } from '../paper'
import { findKind, stepsOf } from '../changes'
import type { Garment } from '../pattern'
import { formatLength, writeLengths, type Ruler } from '../units'
import type { OpenedFit } from './made-fit'

/** The notebook page of a fit in words: body, sizes and ease, stops with their why, what is left over. */
export function notebookSections({ project, wearer, folded, context }: OpenedFit, ruler: Ruler): TextSection[] {
  const length = (mm: number, signed = false) => formatLength(mm, ruler, { signed })
  const words = (text: string) => writeLengths(text, ruler)
  const figure = (f: Figure) => ('mm' in f ? length(f.mm) : `${length(f.leftMm)} left, ${length(f.rightMm)} right`)
  const page = makeNotebook({
    sizing: project.sizing,
    wearer,
    notes: project.notes,
    forEverybody: new Set(project.mends.map((c) => c.id)),
    garments: [folded.base, ...folded.stops.map((s) => s.garment)],
    stops: folded.stops,
    faults: listFaults(folded, context),
  })
  const soft = (list: readonly string[]) => list.map((text) => ({ text, isSoft: true }))
  return [
    {
      heading: `Body${page.wearer?.takenOn ? `, measured on ${page.wearer.takenOn}` : ''}`,
      lines: (page.wearer?.figures ?? []).map((f) => ({ text: `${f.name}: ${figure(f.figure)}` })),
    },
    {
      heading: 'Sizes and ease',
      lines: page.zones.flatMap((z) => [
        { text: `${z.name}: ${z.size ? `size ${z.size}, ` : ''}${length(z.beforeMm)} as bought, ${length(z.afterMm)} as altered` },
        ...soft(z.bodyMm === null ? [] : [`ease ${length(z.afterMm - z.bodyMm, true)}, wanted ${length(z.wantedMm, true)}`]),
      ]),
    },
    {
      heading: 'What was changed, in this order',
      lines:
        page.stops.length === 0
          ? [{ text: 'Nothing: it is as bought.' }]
          : page.stops.flatMap((s, i) => [
              { text: `${i + 1}. ${stopInWords(s, ruler)}` },
              ...soft([
                ...(s.status === 'applied' ? [] : ['Not applied.']),
                ...(s.note ? [`Why: ${s.note}`] : []),
                `Held: ${s.held.kept} of ${s.held.of}.`,
                ...(s.problem ? [words(s.problem)] : []),
                ...s.cautions.map(words),
              ]),
            ]),
    },
    {
      heading: 'Left over',
      lines:
        page.leftOver.length === 0
          ? [{ text: 'Nothing: the body has what it asked for, and every seam, corner and dart matches.' }]
          : page.leftOver.map((text) => ({ text: words(text) })),
    },
  ]
}

/** The stops of a fit with ruler and scissors. */
export function stepSections({ folded, context }: OpenedFit, ruler: Ruler): TextSection[] {
  let before = folded.base
  return folded.stops.flatMap((stop): TextSection[] => {
    const kind = findKind(stop.change.kind)
    const garment = before
    before = stop.garment
    if (!stop.applied || !kind) return []
    const steps = stepsOf(kind, { before: garment, inputs: stop.change.inputs, applied: stop.applied, context, ruler })
    return [{ heading: `On paper: ${stop.words.title}`, lines: steps.map((s, i) => ({ text: `${i + 1}. ${s.text}` })) }]
  })
}

/** What one needs to know before each piece is cut. */
export function cardSections(garment: Garment, ruler: Ruler): TextSection[] {
  const length = (mm: number) => formatLength(mm, ruler)
  return cuttingCards(garment, garment.baseSizeId, usualCounts).map((card) => ({
    heading: card.name,
    lines: [
      {
        text: USES.filter((u) => card.counts[u] > 0)
          .map((u) => `${USE_NAMES[u]}: ${card.counts[u]}`)
          .join(', '),
      },
      { text: `${length(card.alongMm)} along the grain, ${length(card.acrossMm)} across.` },
      ...cardNotes(card).map((text) => ({ text: writeLengths(text, ruler), isSoft: true })),
    ],
  }))
}
