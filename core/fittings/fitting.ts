import { pinnedMm } from './mend-pin'
import { findPlace, findSign, PLACES } from './places'
import { NO_CLOTH, type Decision, type Fitting, type Pin, type Sighting } from './schema'

/** A fitting in which nothing was seen yet. */
export const emptyFitting = (
  id: string,
  about: Pick<Fitting, 'fitId' | 'heldOn' | 'setId' | 'versionId'> & { cloth?: Fitting['cloth'] },
  now: string,
): Fitting => ({
  id,
  cloth: NO_CLOTH,
  ...about,
  worn: '',
  notes: '',
  sightings: [],
  pins: [],
  createdAt: now,
  updatedAt: now,
})

/** Something seen at a place, before it is said what. */
export const emptySighting = (id: string, placeId: string): Sighting => ({
  id,
  placeId,
  isWell: false,
  signId: null,
  words: '',
  half: null,
  side: 'both',
  mm: null,
  decision: { is: 'open' },
})

/** What was seen, in words; a sign that this version does not know by its own words. */
export function seenWords({ placeId, isWell, signId, words, half, side }: Sighting): string {
  const place = findPlace(placeId)?.name ?? 'A place this version does not know'
  const seen = isWell
    ? 'sits well'
    : [signId === null ? '' : (findSign(signId)?.seen ?? signId), words.trim().replace(/[.\s]+$/, '')].filter(Boolean).join('. ')
  const where = [half ?? '', side === 'both' ? '' : side].filter(Boolean).join(', ')
  return `${place}: ${seen || 'looked at'}${where ? ` (${where})` : ''}`
}

/** Does a sign say something that may have to be mended? */
export const isSign = (s: Sighting): boolean => !s.isWell && (s.signId !== null || s.words.trim() !== '')

/** Signs and pins of which it is not settled yet what becomes of them: those left open, and those to be looked at again. A pin without a depth is no pin yet. */
export function openQuestions(fitting: Fitting): { sightings: Sighting[]; pins: Pin[] } {
  const isOpen = (d: Decision) => d.is === 'open' || d.is === 'later'
  return {
    sightings: inOrder(fitting.sightings.filter((s) => isSign(s) && isOpen(s.decision))),
    pins: fitting.pins.filter((p) => isOpen(p.decision) && pinnedMm(p.pinned) > 0),
  }
}

/** Something of which it is not settled yet what becomes of it. */
export type Question = { fitting: Fitting } & ({ sighting: Sighting } | { pin: Pin })

/** The open questions of a fit, of its newest fitting first. What was to be looked at again has been, once there was another fitting. */
export function questionsOf(fittings: readonly Fitting[]): Question[] {
  const newest = [...fittings].sort((a, b) => b.heldOn.localeCompare(a.heldOn) || b.createdAt.localeCompare(a.createdAt))
  return newest.flatMap((fitting, i): Question[] => {
    const { sightings, pins } = openQuestions(fitting)
    const still = ({ decision }: { decision: Decision }) => decision.is === 'open' || i === 0
    return [...sightings.filter(still).map((sighting) => ({ fitting, sighting })), ...pins.filter(still).map((pin) => ({ fitting, pin }))]
  })
}

/** Signs as one looks: from the top down; of one place in the order in which they were seen. */
export function inOrder(sightings: readonly Sighting[]): Sighting[] {
  const rank = (s: Sighting) => {
    const i = PLACES.findIndex((p) => p.id === s.placeId)
    return i < 0 ? PLACES.length : i
  }
  return [...sightings].sort((a, b) => rank(a) - rank(b))
}

/** What was to be looked at again in the fittings before, oldest first: it is carried into the next one, still to be judged. */
export function carriedOver(before: readonly Fitting[], newId: () => string): Sighting[] {
  const later = [...before]
    .sort((a, b) => a.heldOn.localeCompare(b.heldOn))
    .flatMap((f) => f.sightings.filter((s) => s.decision.is === 'later'))
  const seen = new Set<string>()
  return later
    .filter((s) => !seen.has(`${s.placeId} ${s.signId} ${s.words}`) && seen.add(`${s.placeId} ${s.signId} ${s.words}`))
    .map((s) => ({ ...s, id: newId(), decision: { is: 'open' } }))
}
