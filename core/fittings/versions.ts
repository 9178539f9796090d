import equal from 'fast-deep-equal'
import type { Change } from '../changes'
import type { Choices } from '../size'
import type { Version } from './schema'

/** What a version keeps of a fit. */
export interface Work {
  mends: Change[]
  plan: Change[]
  choices: Choices
}

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value))

/** What was ticked off changes no piece: it makes no other version. */
const cutBy = ({ mends, plan, choices }: Work) => plain({ mends, plan, choices: { ...choices, traced: [], looked: [] } })

/** Would the same pieces lie on the cutting table? */
export const isSameWork = (a: Work, b: Work): boolean => equal(cutBy(a), cutBy(b))

/** Versions of a fit, the newest first. */
export const newestFirst = (versions: readonly Version[]): Version[] => [...versions].sort((a, b) => b.madeAt.localeCompare(a.madeAt))

/** The newest version with the same work as it stands now; null where it has been gone on from since. */
export const versionOf = (versions: readonly Version[], work: Work): Version | null =>
  newestFirst(versions).find((v) => isSameWork(v, work)) ?? null

/** What became of the stops of a version in a later one: which are new, which were set otherwise, which have gone. */
export function stopsSince(before: Work | null, after: Work): { added: Change[]; changed: Change[]; gone: Change[] } {
  const was = before ? [...before.mends, ...before.plan] : []
  const is = [...after.mends, ...after.plan]
  const old = new Map(was.map((c) => [c.id, c]))
  const same = (a: Change, b: Change) => equal(plain([a.inputs, a.on]), plain([b.inputs, b.on]))
  return {
    added: is.filter((c) => !old.has(c.id)),
    changed: is.filter((c) => old.has(c.id) && !same(old.get(c.id)!, c)),
    gone: was.filter((c) => !is.some((n) => n.id === c.id)),
  }
}
