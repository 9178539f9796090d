// npm run fuzz: made-up files, forms, figures and bodies, each let through the program in a worker with a time limit.
import { buildSync } from 'esbuild'
import { mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { cpus } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { parseArgs } from 'node:util'
import { Worker } from 'node:worker_threads'
import { PARTS, TURNS, type Case, type Part } from './fuzz/cases'
import { makeCase } from './fuzz/make-case'
import { smallerCases } from './fuzz/shrink-case'

const USE = `Use: npm run -s fuzz -- [--seconds N | --cases N] [--seed S] [--part ${PARTS.join('|')}] [--keep]
  --seconds N   for so long (60)          --cases N   exactly so many instead
  --seed S      where chance begins (1)   --part P    one part alone; all in turn when left out
  --limit N     seconds that a case may take (2)
  --keep        minimal cases of what fails are written to tests/cases/; else they are only shown`

/** Smaller cases tried for each failure, and how long at most. */
const SHRINKS = 120
const SHRINK_MS = 15_000
/** Sorts of failures that are made smaller and shown; of more, only the number. */
const MOST_SHOWN = 15

const root = join(fileURLToPath(new URL('.', import.meta.url)), '..')

/** The program as one file, as the page runs it: read as TypeScript in the worker, every function would be slower by a half. */
const program = join(root, 'node_modules', '.cache', `fuzz-${process.pid}.mjs`)
buildSync({
  entryPoints: [join(root, 'scripts', 'fuzz', 'worker.ts')],
  outfile: program,
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  logLevel: 'error',
})
process.on('exit', () => rmSync(program, { force: true }))

interface Outcome {
  complaint: string | null
  ms: number
  /** Of those, the ones that the worker itself computed: the limit is on these. */
  computedMs: number
  /** Only the time is complained of. */
  slow?: true
}

/** A worker that is made anew when a case hung in it: a case may take so long, and is ended when it takes as much again. */
class Bench {
  private worker: Worker | null = null

  constructor(private readonly limitMs: number) {}

  run(one: Case): Promise<Outcome> {
    const worker = (this.worker ??= new Worker(program))
    return new Promise((resolve) => {
      const end = (outcome: Outcome) => {
        clearTimeout(timer)
        worker.removeAllListeners('message')
        worker.removeAllListeners('error')
        resolve(outcome)
      }
      const fresh = (outcome: Outcome) => {
        void this.close()
        end(outcome)
      }
      // The first case of a worker also waits for its modules.
      const timer = setTimeout(
        () => fresh({ complaint: 'it hung', ms: this.limitMs * 2, computedMs: this.limitMs * 2, slow: true }),
        this.limitMs * 2 + (this.warm ? 0 : 30_000),
      )
      worker.once('message', (outcome: Outcome) => {
        this.warm = true
        end(
          outcome.complaint === null && outcome.computedMs > this.limitMs
            ? { ...outcome, complaint: `it took ${Math.round(outcome.computedMs)} ms`, slow: true }
            : outcome,
        )
      })
      worker.once('error', (error) => fresh({ complaint: `the worker died: ${error.message}`, ms: 0, computedMs: 0 }))
      worker.postMessage(one)
    })
  }

  /** As `run`; a case that took too long is run again, twice at most: a machine that stood still for a moment says nothing of the program. */
  async runFairly(one: Case): Promise<Outcome> {
    let outcome = await this.run(one)
    for (let again = 0; again < 2 && outcome.slow; again++) {
      const next = await this.run(one)
      if (!next.slow) stalls += 1
      outcome = next.slow ? outcome : next
    }
    return outcome
  }

  private warm = false

  async close(): Promise<void> {
    const { worker } = this
    this.worker = null
    this.warm = false
    await worker?.terminate()
  }
}

/** What kind of failure it is: figures in the complaint left aside. */
const sortOf = (complaint: string) =>
  complaint
    .replace(/“[^”]*”?/g, '“...”')
    .replace(/-?\d+(\.\d+)?(e[+-]?\d+)?/g, 'N')
    .slice(0, 160)

/** The smallest case found that still fails in the same way. */
async function shrink(bench: Bench, one: Case, complaint: string): Promise<Case> {
  let best = one
  let tries = 0
  const until = Date.now() + SHRINK_MS
  for (let found = true; found && tries < SHRINKS;) {
    found = false
    for (const smaller of smallerCases(best)) {
      if (++tries > SHRINKS || Date.now() > until) break
      const outcome = await bench.runFairly(smaller)
      if (outcome.complaint !== null && sortOf(outcome.complaint) === sortOf(complaint)) {
        best = smaller
        found = true
        break
      }
    }
  }
  return best
}

const CASES = join(root, 'tests', 'cases')

function keep(one: Case, complaint: string): string {
  mkdirSync(CASES, { recursive: true })
  const own = readdirSync(CASES).filter((f) => f.startsWith(one.part)).length + 1
  const file = join(CASES, `${one.part}-found-${own}.json`)
  writeFileSync(file, `${JSON.stringify({ was: complaint.slice(0, 300), case: one }, null, 1)}\n`)
  return file
}

function readOptions() {
  try {
    const { values } = parseArgs({
      options: {
        seconds: { type: 'string', default: '60' },
        cases: { type: 'string' },
        seed: { type: 'string', default: '1' },
        part: { type: 'string' },
        limit: { type: 'string', default: '2' },
        keep: { type: 'boolean', default: false },
      },
    })
    const numbers = [values.seconds, values.seed, values.cases ?? '0', values.limit].map(Number)
    const parts = values.part === undefined ? TURNS : PARTS.filter((p) => p === values.part)
    if (parts.length === 0 || numbers.some((n) => !Number.isFinite(n) || n < 0))
      throw new Error('an option has a value that it cannot have.')
    return {
      seconds: numbers[0]!,
      seed: numbers[1]!,
      cases: values.cases === undefined ? Infinity : numbers[2]!,
      parts,
      keep: values.keep,
      limitMs: numbers[3]! * 1000,
    }
  } catch (error) {
    console.error(`${error instanceof Error ? error.message : String(error)}\n${USE}`)
    process.exit(2)
  }
}

const options = readOptions()
const until = options.cases === Infinity ? Date.now() + options.seconds * 1000 : Infinity
const times = new Map<Part, number[]>()
const failures = new Map<string, { one: Case; complaint: string; times: number }>()
let given = 0
/** Cases that were too slow once, and not when they were run again. */
let stalls = 0

async function work(bench: Bench): Promise<void> {
  while (given < options.cases && Date.now() < until) {
    const n = given++
    const part = options.parts[n % options.parts.length]!
    const one = makeCase(part, options.seed * 1_000_003 + n)
    const { complaint, ms } = await bench.runFairly(one)
    const own = times.get(part)
    if (own) own.push(ms)
    else times.set(part, [ms])
    if (complaint === null) continue
    const sort = `${part}: ${sortOf(complaint)}`
    const known = failures.get(sort)
    if (known) known.times += 1
    else failures.set(sort, { one, complaint, times: 1 })
  }
  await bench.close()
}

await Promise.all(cpus().map(() => work(new Bench(options.limitMs))))
const bench = new Bench(options.limitMs)
for (const [, failure] of [...failures].slice(0, MOST_SHOWN)) {
  const small = await shrink(bench, failure.one, failure.complaint)
  console.log(`\nFAILED ${failure.times} times, ${failure.one.part}: ${failure.complaint}`)
  console.log(options.keep ? `  kept as ${keep(small, failure.complaint)}` : `  ${JSON.stringify(small).slice(0, 1500)}`)
}
await bench.close()
for (const [part, all] of times) {
  const sorted = [...all].sort((a, b) => a - b)
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))]!.toFixed(1)
  console.log(`${part.padEnd(8)} ${String(all.length).padStart(7)} cases   median ${at(0.5)} ms, 99 % ${at(0.99)} ms, slowest ${at(1)} ms`)
}
const failed = [...failures.values()].reduce((sum, f) => sum + f.times, 0)
if (stalls > 0) console.log(`${stalls} were over the limit once, and under it when run again`)
console.log(`${given - failed} passed, ${failed} failed (${failures.size} sorts), seed ${options.seed}`)
process.exit(failed === 0 ? 0 : 1)
