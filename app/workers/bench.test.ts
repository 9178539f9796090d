import { expose } from 'comlink'
import { afterEach, expect, it, vi } from 'vitest'
import { Bench, Ended } from './bench'

/** A worker as far as this needs one: a port to something that answers, or never does. */
function workerThat(api: object) {
  const { port1, port2 } = new MessageChannel()
  expose(api, port2)
  const ended = vi.fn(() => (port1.close(), port2.close()))
  return { worker: Object.assign(port1, { terminate: ended }) as unknown as Worker, ended }
}

const jobs = { double: (n: number) => 2 * n, forever: () => new Promise<number>(() => {}) }
type Jobs = typeof jobs

let made: ReturnType<typeof workerThat>[] = []
const bench = () =>
  new Bench<Jobs>(() => {
    const one = workerThat(jobs)
    made.push(one)
    return one.worker
  })
afterEach(() => {
  for (const { ended } of made) ended()
  made = []
})

it('does jobs in one worker, made when the first comes', async () => {
  const own = bench()
  expect(made).toHaveLength(0)
  expect(await own.run((jobs) => jobs.double(4))).toBe(8)
  expect(await own.run((jobs) => jobs.double(5))).toBe(10)
  expect(made).toHaveLength(1)
})

it('ends a job that is stopped, with its worker, and begins a new one for the next', async () => {
  const own = bench()
  const endless = own.run((jobs) => jobs.forever())
  own.stop()
  await expect(endless).rejects.toMatchObject({ why: 'stopped' })
  expect(made[0]!.ended).toHaveBeenCalled()
  expect(await own.run((jobs) => jobs.double(6))).toBe(12)
  expect(made).toHaveLength(2)
})

it('ends a job without a sign of life; one that gives signs may go on', async () => {
  const own = bench()
  const silent = own.run((jobs) => jobs.forever(), 60)
  await expect(silent).rejects.toBeInstanceOf(Ended)
  await expect(silent).rejects.toMatchObject({ why: 'too-long' })
  let ended = false
  const lively = own.run((jobs) => jobs.forever(), 120).catch(() => (ended = true))
  for (let i = 0; i < 5; i++) {
    await new Promise((resolve) => setTimeout(resolve, 50))
    own.alive()
  }
  expect(ended).toBe(false)
  own.stop()
  await lively
})

it('says so when the worker dies', async () => {
  const own = bench()
  const job = own.run((jobs) => jobs.forever())
  made[0]!.worker.dispatchEvent(Object.assign(new Event('error'), { preventDefault: () => {} }))
  await expect(job).rejects.toMatchObject({ why: 'died' })
})
