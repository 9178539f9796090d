// npm run study: made bodies through worksheet and plan; the pieces are measured again by other code, and the whole is printed as tables.
import { buildSync } from 'esbuild'
import { rmSync } from 'node:fs'
import { cpus } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { Worker } from 'node:worker_threads'
import { SCHOOLS, type School } from '../core/size/schema'
import { studiedGarments } from './study/garments'
import type { Studied } from './study/study-body'
import { badness, brokenList, offTable, sharesTable } from './study/tables'

const USE = `Use: npm run -s study -- [--bodies N] [--garment X] [--school S] [--seed S]
  --bodies N    for each garment and school (50)    --garment X   one of them alone: ${studiedGarments()
    .map((g) => g.id)
    .join(', ')}
  --seed S      the first body (1): a body is replayed with --bodies 1 --seed S --garment X --school S
  --school S    ${SCHOOLS.join(', ')}; all when left out`

/** A body that takes longer than this has hung, ms. */
const HUNG_MS = 60_000
const WORST = 8

const { values } = parseArgs({
  options: { bodies: { type: 'string' }, garment: { type: 'string' }, school: { type: 'string' }, seed: { type: 'string' } },
})
const bodies = Number(values.bodies ?? 50)
const first = Number(values.seed ?? 1)
const garments = studiedGarments().filter((g) => !values.garment || g.id === values.garment)
const schools = SCHOOLS.filter((s) => !values.school || s === values.school)
if (!Number.isInteger(bodies) || bodies < 1 || !Number.isInteger(first) || garments.length === 0 || schools.length === 0) {
  console.error(USE)
  process.exit(1)
}

interface Task {
  garment: string
  school: School
  seed: number
}
const tasks: Task[] = Array.from({ length: bodies }, (_, i) =>
  garments.flatMap((g) => schools.map((school) => ({ garment: g.id, school, seed: first + i }))),
).flat()

const root = join(fileURLToPath(new URL('.', import.meta.url)), '..')
/** The program as one file, as the page runs it. */
const program = join(root, 'node_modules', '.cache', `study-${process.pid}.mjs`)
buildSync({
  entryPoints: [join(root, 'scripts', 'study', 'worker.ts')],
  outfile: program,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  logLevel: 'error',
})
process.on('exit', () => rmSync(program, { force: true }))

const studied: Studied[] = []
const failed: string[] = []
let next = 0
const wanted = tasks.length

/** Sends one task after the other to a worker, which is made anew when a body hangs in it. */
async function work(): Promise<void> {
  let worker = new Worker(program)
  while (next < wanted) {
    const task = tasks[next++]!
    const outcome = await new Promise<{ studied?: Studied; failed?: string }>((done) => {
      const hung = setTimeout(() => done({ failed: `${task.garment}, ${task.school}, seed ${task.seed}: hung` }), HUNG_MS)
      worker.once('message', (message: { studied?: Studied; failed?: string }) => {
        clearTimeout(hung)
        done(message)
      })
      worker.postMessage(task)
    })
    if (outcome.studied) studied.push(outcome.studied)
    else {
      failed.push(outcome.failed!)
      await worker.terminate()
      worker = new Worker(program)
    }
    const count = studied.length + failed.length
    if (process.stderr.isTTY && count % 10 === 0) process.stderr.write(`\r${count} of ${wanted}`)
  }
  await worker.terminate()
}

await Promise.all(Array.from({ length: Math.max(1, cpus().length) }, work))
if (process.stderr.isTTY) process.stderr.write('\r')
console.log(`${studied.length} of ${wanted} taken to the end, ${failed.length} not; bodies ${first} to ${first + bodies - 1}.\n`)
for (const f of failed) console.log(`- ${f}`)
console.log(`${sharesTable(studied)}\n\n${offTable(studied)}\n`)
const broken = brokenList(studied)
if (broken) console.log(`Promises not held:\n\n${broken}\n`)
console.log('The worst:\n')
for (const s of studied.toSorted((a, b) => badness(b) - badness(a)).slice(0, WORST)) {
  const figures = (of: Record<string, number>) =>
    Object.entries(of)
      .map(([name, mm]) => `${name} ${mm.toFixed(1)}`)
      .join(', ')
  console.log(
    `- --garment ${s.garment} --school ${s.school} --seed ${s.seed}: ease ${figures(s.ease)}; lengths ${figures(s.lengths)}; seam ${s.seamMm.toFixed(1)}; corner ${s.cornerDeg.toFixed(1)}; ${s.broken.length} promises not held`,
  )
}
process.exit(failed.length > 0 ? 1 : 0)
