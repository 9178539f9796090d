import { inOrder, isSign, newestFirst, pinWords, seenWords, type Decision, type Fitting, type Photo, type Version } from '../fittings'
import { wordsWithAmount, type FoldedStop } from '../changes'
import type { Garment } from '../pattern'
import { lengthToken } from '../units'

/** What was seen or pinned, and what became of it: sentences with lengths as tokens. */
export interface LoggedItem {
  seen: string
  became: string
}

/** One fitting as it is written into the notebook. */
export interface LoggedFitting {
  id: string
  heldOn: string
  /** The version that was sewn; null where it is not known. */
  version: string | null
  /** Cloth, and what was worn with it. */
  facts: string[]
  notes: string
  well: string[]
  items: LoggedItem[]
  photos: { id: string; text: string; marks: string[]; widthPx: number; heightPx: number; type: Photo['type'] }[]
}

const CLOTH = { drape: 'falls', stretch: 'stretch' } as const

function factsOf({ cloth, worn }: Fitting): string[] {
  const parts = [
    cloth.kind,
    cloth.drape === null ? '' : `${CLOTH.drape} ${cloth.drape}`,
    cloth.stretch === null ? '' : cloth.stretch === 'none' ? 'no stretch' : `${cloth.stretch} stretch`,
    cloth.isWashed === null ? '' : cloth.isWashed ? 'washed' : 'not washed',
  ].filter((p) => p !== '')
  return [parts.length > 0 ? `Cloth: ${parts.join(', ')}.` : '', worn === '' ? '' : `Worn with: ${worn.replace(/[.\s]+$/, '')}.`].filter(
    Boolean,
  )
}

/** What became of a sign or pin, in words. */
function becameOf(decision: Decision, stops: readonly Omit<FoldedStop, 'garment'>[]): string {
  switch (decision.is) {
    case 'open':
      return 'open'
    case 'later':
      return 'to be looked at again'
    case 'rejected':
      return decision.reason === '' ? 'left as it is' : `left as it is: ${decision.reason}`
    case 'taken':
      return decision.changeIds
        .map((id) => {
          const stop = stops.find((s) => s.change.id === id)
          return stop ? wordsWithAmount(stop.words) : 'a stop that was deleted since'
        })
        .join('; ')
  }
}

const amount = (mm: number | null) => (mm === null ? '' : `, ${lengthToken(mm)}`)

/**
 * The fittings of a fit as its notebook tells them, the oldest first.
 * @param garment the pieces that pins are named by
 */
export function makeFittingLog(
  garment: Garment,
  stops: readonly Omit<FoldedStop, 'garment'>[],
  log: { fittings: readonly Fitting[]; versions: readonly Version[]; photos: readonly Photo[] },
): LoggedFitting[] {
  const oldest = [...log.fittings].sort((a, b) => a.heldOn.localeCompare(b.heldOn) || a.createdAt.localeCompare(b.createdAt))
  const versions = newestFirst(log.versions)
  return oldest.map((fitting): LoggedFitting => ({
    id: fitting.id,
    heldOn: fitting.heldOn,
    version: versions.find((v) => v.id === fitting.versionId)?.name ?? null,
    facts: factsOf(fitting),
    notes: fitting.notes,
    well: inOrder(fitting.sightings.filter((s) => s.isWell)).map((s) => seenWords(s).split(':')[0]!),
    items: [
      ...inOrder(fitting.sightings.filter(isSign)).map((s) => ({
        seen: `${seenWords(s)}${amount(s.mm)}`,
        became: becameOf(s.decision, stops),
      })),
      ...fitting.pins.map((p) => ({ seen: `Pinned. ${pinWords(garment, p)}`, became: becameOf(p.decision, stops) })),
    ],
    photos: log.photos
      .filter((p) => p.fittingId === fitting.id)
      .sort((a, b) => a.createdAt.localeCompare(b.createdAt))
      .map(({ id, text, marks, widthPx, heightPx, type }) => ({ id, text, marks: marks.map((m) => m.text), widthPx, heightPx, type })),
  }))
}
