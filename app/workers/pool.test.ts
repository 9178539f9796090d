import { expose } from 'comlink'
import { afterEach, expect, it } from 'vitest'
import { Pool } from './pool'

const jobs = {
  double: async (n: number) => {
    if (n === 3) throw new Error('three is crooked')
    if (n === 5) await new Promise(() => {})
    return 2 * n
  },
}
let ends: (() => void)[] = []
const poolOf = (size: number) =>
  new Pool<typeof jobs>(() => {
    const { port1, port2 } = new MessageChannel()
    expose(jobs, port2)
    const end = () => (port1.close(), port2.close())
    ends.push(end)
    return Object.assign(port1, { terminate: end }) as unknown as Worker
  }, size)
afterEach(() => {
  for (const end of ends) end()
  ends = []
})

it('does a job for each thing, side by side; one that fails or takes too long is told, and the others go on', async () => {
  const told = new Map<number, number | string>()
  await poolOf(3).each(
    [1, 2, 3, 4, 5, 6, 7],
    (remote, n) => remote.double(n),
    150,
    (n, result) => void told.set(n, result.ok ? result.value : result.why),
  )
  expect(Object.fromEntries(told)).toEqual({ 1: 2, 2: 4, 3: 'three is crooked', 4: 8, 5: 'it took too long.', 6: 12, 7: 14 })
})

it('that is stopped begins nothing new, tells nothing of what was under way, and works again afterwards', async () => {
  const pool = poolOf(1)
  const told: number[] = []
  const tell = (n: number) => void told.push(n)
  const first = pool.each(
    [1, 5, 6],
    (remote, n) => remote.double(n),
    Infinity,
    (n) => {
      tell(n)
      setTimeout(() => pool.stop(), 20)
    },
  )
  await first
  expect(told).toEqual([1])
  await pool.each([6], (remote, n) => remote.double(n), Infinity, tell)
  expect(told).toEqual([1, 6])
})
