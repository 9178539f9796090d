import type { Studied } from './study-body'

/** What counts as kept, of the figures that were measured a second time. */
export const KEPT = { easeMm: 2, lengthMm: 3, seamMm: 0.5, legsMm: 0.3, cornerDeg: 5 }

/** Corners are counted for bodies within so many steps of the printed sizes. */
export const NEAR_STEPS = 3

const share = (list: readonly Studied[], is: (s: Studied) => boolean): string =>
  list.length === 0 ? '-' : `${((list.filter(is).length / list.length) * 100).toFixed(0)} %`

const all = (figures: Record<string, number>, within: number): boolean => Object.values(figures).every((mm) => Math.abs(mm) <= within)

export function part(list: readonly number[], of: number): number {
  const sorted = [...list].sort((a, b) => a - b)
  return sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * of))] ?? 0
}

/** Shares of bodies by garment and school, as a table in Markdown. */
export function sharesTable(list: readonly Studied[]): string {
  const keys = [...new Set(list.map((s) => `${s.garment} | ${s.school}`))].sort()
  const rows = keys.map((key) => {
    const own = list.filter((s) => `${s.garment} | ${s.school}` === key)
    const cells = [
      share(own, (s) => s.applied),
      share(own, (s) => all(s.ease, KEPT.easeMm)),
      share(own, (s) => all(s.lengths, KEPT.lengthMm)),
      share(own, (s) => s.seamMm <= KEPT.seamMm),
      share(own, (s) => s.broken.length === 0),
      share(
        own.filter((s) => s.beyond <= NEAR_STEPS),
        (s) => s.cornerDeg <= KEPT.cornerDeg,
      ),
      share(own, (s) => s.legsMm <= KEPT.legsMm),
      share(own, (s) => s.isFinite),
      part(
        own.map((s) => s.ms),
        0.95,
      ).toFixed(0),
    ]
    return `| ${key} | ${own.length} | ${cells.join(' | ')} |`
  })
  return [
    '| garment | school | bodies | applied | ease | lengths | seams | promises | corners | legs | finite | 95 in 100, ms |',
    '| --- | --- | --: | --: | --: | --: | --: | --: | --: | --: | --: | --: |',
    ...rows,
  ].join('\n')
}

/** How far each zone and each length was off, by garment: the median of what is off, and that of 95 in 100. */
export function offTable(list: readonly Studied[]): string {
  const garments = [...new Set(list.map((s) => s.garment))].sort()
  const rows = garments.flatMap((garment) => {
    const own = list.filter((s) => s.garment === garment)
    return (['ease', 'lengths'] as const).flatMap((what) => {
      const names = [...new Set(own.flatMap((s) => Object.keys(s[what])))]
      return names.map((name) => {
        const off = own.flatMap((s) => (name in s[what] ? [Math.abs(s[what][name]!)] : []))
        return `| ${garment} | ${name} | ${part(off, 0.5).toFixed(1)} | ${part(off, 0.95).toFixed(1)} |`
      })
    })
  })
  return ['| garment | figure | off by, median mm | 95 in 100 |', '| --- | --- | --: | --: |', ...rows].join('\n')
}

/** Promises that were broken, most often first. */
export function brokenList(list: readonly Studied[]): string {
  const counts = new Map<string, number>()
  for (const s of list) for (const b of new Set(s.broken)) counts.set(`${s.garment}: ${b}`, (counts.get(`${s.garment}: ${b}`) ?? 0) + 1)
  return [...counts]
    .sort((a, b) => b[1] - a[1])
    .slice(0, 12)
    .map(([what, n]) => `- ${n} x ${what}`)
    .join('\n')
}

/** How bad a body came out, in tolerances: for naming the worst. */
export function badness(s: Studied): number {
  const over = (mm: number, of: number) => Math.abs(mm) / of
  return Math.max(
    s.applied && s.isFinite ? 0 : 1000,
    s.broken.length > 0 ? 2 : 0,
    ...Object.values(s.ease).map((mm) => over(mm, KEPT.easeMm)),
    ...Object.values(s.lengths).map((mm) => over(mm, KEPT.lengthMm)),
    over(s.seamMm, KEPT.seamMm),
    over(s.cornerDeg, KEPT.cornerDeg),
  )
}
