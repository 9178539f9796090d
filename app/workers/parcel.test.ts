import { expect, it } from 'vitest'
import { pack, Shelf } from './parcel'

/** As a worker sends it: every object arrives as a copy. */
const send = (things: { name: string }[], shelf: Shelf<{ name: string }>) => {
  const parcel = structuredClone(pack(things, shelf.held))
  return { sent: parcel.fresh.map(([, t]) => t.name), there: shelf.unpack(parcel) }
}

it('sends a thing once, and gives the same object for it as long as it is there', () => {
  const shelf = new Shelf<{ name: string }>()
  const [base, first, second] = [{ name: 'base' }, { name: 'first' }, { name: 'second' }]
  const one = send([base, first], shelf)
  expect(one.sent).toEqual(['base', 'first'])
  const two = send([base, first, second], shelf)
  expect(two.sent).toEqual(['second'])
  expect(two.there.map((t) => t.name)).toEqual(['base', 'first', 'second'])
  expect(two.there[0]).toBe(one.there[0])
  expect(two.there[1]).toBe(one.there[1])
})

it('sends again what was let go', () => {
  const shelf = new Shelf<{ name: string }>()
  const [base, first] = [{ name: 'base' }, { name: 'first' }]
  send([base, first], shelf)
  expect(send([base], shelf).sent).toEqual([])
  expect(send([base, first], shelf).sent).toEqual(['first'])
})

it('sends a thing that stands twice once, and keeps its places', () => {
  const shelf = new Shelf<{ name: string }>()
  const base = { name: 'base' }
  const { sent, there } = send([base, base], shelf)
  expect(sent).toEqual(['base'])
  expect(there[0]).toBe(there[1])
})

it('serves two sides, each with what it lacks', () => {
  const [left, right] = [new Shelf<{ name: string }>(), new Shelf<{ name: string }>()]
  const base = { name: 'base' }
  send([base], left)
  expect(send([base], right).sent).toEqual(['base'])
})
