import { describe, expect, it } from 'vitest'
import { PinnedSchema, type Pinned } from '~~/core/changes'
import { usualPin } from '~~/core/fittings'
import { draftBlouse } from '~~/demo/blouse'
import { pinFields } from './pin-fields'

const garment = draftBlouse()
const HOWS = ['fold', 'wedge', 'side', 'seam', 'hem'] as const

describe.each(HOWS)('what is asked of a %s', (how) => {
  const pinned = usualPin(garment, how)
  const fields = pinFields(garment, pinned)
  it('is all that is kept of it, each once', () => {
    const kept = Object.keys(pinned).filter((key) => key !== 'how')
    expect(fields.map((f) => f.key).sort()).toEqual(kept.sort())
    expect(new Set(fields.map((f) => f.label)).size).toBe(fields.length)
  })
  it('sets what can be kept, whatever is chosen', () => {
    for (const field of fields)
      for (const part of field.type === 'choice' ? field.options.map((o) => field.set(o.value)) : [{ [field.key]: 12.7 }]) {
        const next = { ...pinned, ...part } as Pinned
        expect(PinnedSchema.safeParse(next).success, `${field.key} ${JSON.stringify(part)}`).toBe(true)
      }
  })
  it('shows what holds', () => {
    for (const field of fields)
      if (field.type === 'choice') expect(field.options.map((o) => o.value)).toContain(field.value)
      else expect(field.mm).toBe((pinned as unknown as Record<string, number>)[field.key])
  })
})

it('edges of a piece that has gone are none', () => {
  const gone = { ...usualPin(garment, 'wedge'), pieceId: 'gone' } as Pinned
  const edges = pinFields(garment, gone).find((f) => f.key === 'edgeId')
  expect(edges?.type === 'choice' && edges.options).toEqual([])
})
