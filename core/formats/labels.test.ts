import { describe, expect, it } from 'vitest'
import { contentsOf, joinProject, splitProject, GarmentRowSchema } from '.'
import { demoWardrobe } from '../../demo/wardrobe'
import { labelsFrom, LONGEST_LABEL, MOST_LABELS } from './labels'

describe('labels', () => {
  it.each([
    ['harbour scene, act 2', ['harbour scene', 'act 2']],
    ['  Harbour ,, harbour;ACT 2\n', ['harbour', 'ACT 2']],
    ['', []],
    [' , ; ', []],
    ['a\u202eb\u0000c', ['a b c']],
  ])('are read as they are typed: %j', (text, labels) => expect(labelsFrom(text)).toEqual(labels))
  it('are no more and no longer than a garment may have', () => {
    const many = Array.from({ length: MOST_LABELS + 5 }, (_, i) => `${i} ${'x'.repeat(LONGEST_LABEL)}`)
    const labels = labelsFrom(many.join(','))
    expect(labels).toHaveLength(MOST_LABELS)
    const [row] = contentsOf(demoWardrobe(new Date('2026-01-01')).projects).garments
    expect(GarmentRowSchema.safeParse({ ...row, labels }).success).toBe(true)
    expect(GarmentRowSchema.safeParse({ ...row, labels: [...labels, 'one more'] }).success).toBe(false)
  })
  it('stay with the garment when a fit of it is taken apart and put together', () => {
    const { garments, fits } = contentsOf(demoWardrobe(new Date('2026-01-01')).projects)
    const row = { ...garments[0]!, labels: ['act 2'] }
    expect(splitProject(joinProject(row, fits[0]!)).row).toEqual(row)
    expect(splitProject(joinProject(garments[0]!, fits[0]!)).row).toEqual(garments[0])
  })
})
