import type { Fault } from './list-faults'

/** How many faults there are of each kind, and how many things can be eased in. */
export type FaultCount = Record<Fault['about'] | 'eased', number>

export function countFaults(faults: readonly Pick<Fault, 'about' | 'verdict'>[]): FaultCount {
  const count: FaultCount = { seam: 0, notch: 0, corner: 0, dart: 0, eased: 0 }
  for (const f of faults) count[f.verdict === 'fault' ? f.about : 'eased'] += 1
  return count
}

const NAMES = [
  ['seam', 'seam', 'seams'],
  ['notch', 'notch', 'notches'],
  ['corner', 'corner', 'corners'],
  ['dart', 'dart', 'darts'],
] as const

/** All that is at fault, without what can be eased in. */
export const faultTotal = (count: FaultCount): number => NAMES.reduce((sum, [about]) => sum + count[about], 0)

/**
 * The count as it is said wherever faults are counted; null where there is nothing to say.
 * @example faultWords(countFaults(faults)) // "3 faults: 2 seams, 1 corner; 1 to ease in"
 */
export function faultWords(count: FaultCount): string | null {
  const total = faultTotal(count)
  const each = NAMES.filter(([about]) => count[about] > 0).map(([about, one, many]) => `${count[about]} ${count[about] === 1 ? one : many}`)
  const faults = total > 0 ? [`${total} ${total === 1 ? 'fault' : 'faults'}: ${each.join(', ')}`] : []
  const eased = count.eased > 0 ? [`${count.eased} to ease in`] : []
  return [...faults, ...eased].join('; ') || null
}
