import { measureLength } from '../geometry'
import type { EdgeRole } from '../pattern'
import type { Draft } from './make-drafts'

/** A bodice is sewn to a skirt that is as wide as it to this part; gathers and pleats are wider. */
const WAIST_PART = 0.15

/** A skirt that is gathered into a bodice is so many times as wide at most. */
const GATHERED_TIMES = 3
const BODICE = /\bbodice\b/i

/**
 * Where a bodice and a skirt come in together, and fit each other, the lower edge of the bodice is its waist; so it is where a piece is
 * called a bodice, and the skirt is wider.
 */
export function settleWaists(drafts: readonly Draft[]): Draft[] {
  const of = (kind: Draft['draft']['kind']) => drafts.filter((d) => d.draft.kind === kind && !d.aside && !d.trouble)
  const long = (kind: Draft['draft']['kind'], role: EdgeRole) =>
    of(kind).reduce((sum, { draft }) => sum + draft.edges.reduce((own, e) => own + (e.role === role ? measureLength(e.path) : 0), 0), 0)
  const meets = (['front', 'back'] as const).filter((place) => {
    const [bodice, skirt] = [long(place, 'hem'), long(`skirt-${place}`, 'waist')]
    const isGathered = of(place).every((d) => BODICE.test(d.draft.name)) && skirt > bodice && skirt <= bodice * GATHERED_TIMES
    return bodice > 0 && (isGathered || Math.abs(bodice - skirt) <= WAIST_PART * Math.max(bodice, skirt))
  })
  return drafts.map((d) => {
    if (!meets.some((place) => d.draft.kind === place)) return d
    return { ...d, draft: { ...d.draft, edges: d.draft.edges.map((e) => (e.role === 'hem' ? { ...e, role: 'waist' } : e)) } }
  })
}
