import { availableParallelism } from 'node:os'
import type { Wearer } from '../core/body'
import { splitProject } from '../core/formats'
import type { Pair } from '../core/many'
import { demoWardrobe } from '../demo/wardrobe'
import { usualChoices } from '../server/many/batches'
import { bundleWorker } from '../server/many/bundle-worker'
import { Crew } from '../server/many/crew'
import { makeBody } from './study/make-body'

// npm run bench:many [-- FITS]: the demo dress fitted to so many made bodies on all cores: figures alone, with cloth, and with all files; how
// the time grows with their number, and what one machine takes in an hour. Nothing here passes or fails.

const FITS = Number(process.argv[2] ?? 1000)
const { projects } = demoWardrobe(new Date('2026-05-01'))
const { row } = splitProject(projects.find((p) => p.id === 'demo-dress')!)
const wearerOf = (seed: number): Wearer => ({ id: `made-${seed}`, name: `Made ${seed}`, ownMeasures: [], sets: [makeBody(seed)] })
const cores = availableParallelism()
const program = bundleWorker(process.cwd())

async function time(count: number, withCloth: boolean, withFiles: boolean): Promise<number> {
  const crew = new Crew(() => program, cores)
  const choices = { ...usualChoices(), ...(withCloth ? {} : { cloth: null }) }
  const pairs = Array.from({ length: count }, (_, i): Pair => ({ row, wearer: wearerOf(i + 1), there: null }))
  const began = performance.now()
  let failed = 0
  await Promise.all(
    pairs.map(async (pair) => {
      const answer = await crew.do('bench', { pair, choices, date: '2026-05-01', ruler: 'cm', withFiles })
      if (!answer.ok) failed += 1
    }),
  )
  await crew.end()
  if (failed > 0) console.log(`${failed} of ${count} failed`)
  return performance.now() - began
}

console.log(`${row.name}, ${cores} cores`)
console.log('what; fits; s; s per fit; fits an hour')
const line = (what: string, count: number, ms: number) =>
  console.log([what, count, (ms / 1000).toFixed(1), (ms / 1000 / count).toFixed(2), Math.round((count * 3_600_000) / ms)].join('; '))
for (const count of [FITS / 100, FITS / 10, FITS].map(Math.round).filter((n) => n > 0))
  line('figures', count, await time(count, false, false))
for (const count of [FITS / 20].map(Math.round).filter((n) => n > 0)) {
  line('figures and cloth', count, await time(count, true, false))
  line('figures, cloth and all files', count, await time(count, true, true))
}
