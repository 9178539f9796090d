import { measureLength } from '../geometry'
import type { EdgeRole } from '../pattern'
import type { Draft } from './make-drafts'

/** The part of the neckline at the top of a raglan sleeve is this part at most of the lines beside it. */
const TOP_PART = 0.5
/** A raglan line of a front or back is as long as that of the sleeve to this part. */
const LIKE_PART = 0.15

/** Edges of a raglan sleeve from its top round. */
const ROUND: readonly EdgeRole[] = ['neck', 'panel', 'underarm', 'hem', 'underarm', 'panel']

type Edges = Draft['draft']['edges']
const long = (e: Edges[number]) => measureLength(e.path)

/** The edges of a sleeve that reaches to the neckline by its shortest one, with their roles; null for any other. A dart at its shoulder stays one. */
function asRaglan(edges: Edges): Edges | null {
  const plain = edges.flatMap((e, i) => (e.role === 'dart-leg' ? [] : [i]))
  if (plain.length !== ROUND.length) return null
  const top = plain.reduce((a, i, k) => (long(edges[i]!) < long(edges[plain[a]!]!) ? k : a), 0)
  const round = plain.map((_, k) => plain[(top + k) % plain.length]!)
  const [neck, first, , , , last] = round.map((i) => edges[i]!)
  if (long(neck!) > TOP_PART * Math.min(long(first!), long(last!))) return null
  return edges.map((e, i) => (round.includes(i) ? { ...e, role: ROUND[round.indexOf(i)]! } : e))
}

/**
 * Where a sleeve reaches to the neckline, the lines that it is sewn to in front and at the back are no shoulders, and it has no cap: they
 * are seams between panels.
 */
export function settleRaglans(drafts: readonly Draft[]): Draft[] {
  const sleeves = new Map(
    drafts.flatMap((d) => {
      const edges = d.draft.kind === 'sleeve' && !d.aside && !d.trouble ? asRaglan(d.draft.edges) : null
      return edges ? [[d.draft.id, edges] as const] : []
    }),
  )
  if (sleeves.size === 0) return [...drafts]
  const lines = [...sleeves.values()].flat().filter((e) => e.role === 'panel')
  const isSewn = (e: Edges[number]) => lines.some((l) => Math.abs(long(l) - long(e)) <= LIKE_PART * Math.max(long(l), long(e)))
  const isBody = ({ draft: { kind, edges } }: Draft) =>
    (kind === 'front' || kind === 'back') &&
    edges.every((e) => e.role !== 'armhole') &&
    edges.some((e) => e.role === 'shoulder' && isSewn(e))
  if (!drafts.some(isBody)) return [...drafts]
  return drafts.map((d) => {
    const { id, edges } = d.draft
    const toPanel = (e: Edges[number]) => (e.role === 'shoulder' && isSewn(e) ? { ...e, role: 'panel' as const } : e)
    const own = sleeves.get(id) ?? (isBody(d) ? edges.map(toPanel) : edges)
    return { ...d, draft: { ...d.draft, edges: own } }
  })
}
