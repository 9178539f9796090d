import { describe, expect, it } from 'vitest'
import { readRuleTable } from '../formats'
import { boundsOf, measureArea, type Path } from '../geometry'
import { withLayersSaid } from './layers'
import { makeDrafts } from './make-drafts'
import { RULES, rulePanel, ruleTable } from '../../tests/corpus/rule-panel'
import { drawingOf, withRuleTable } from './source'

const bytes = (text: string) => new TextEncoder().encode(text)

function panelIn(kept: string) {
  const read = drawingOf(kept)
  const drafts = read.ok ? makeDrafts(read.value, 1) : read
  if (!drafts.ok) throw new Error(drafts.problem.message)
  expect(drafts.value).toHaveLength(1)
  const { draft } = drafts.value[0]!
  const paths: [string, Path][] = [
    [draft.sizeName, draft.edges.flatMap((e) => [...e.path])],
    ...draft.sizes.map((s): [string, Path] => [s.name, s.path]),
  ]
  return {
    draft,
    sizes: new Map(paths.map(([name, path]) => [name, boundsOf(path)])),
    areas: new Map(paths.map(([n, p]) => [n, Math.abs(measureArea(p))])),
  }
}

describe('the rule table of a DXF', () => {
  it('brings its pieces in in every size: places move as their rules say, the sample stays', () => {
    const kept = withRuleTable(rulePanel(), bytes(ruleTable(RULES)))
    if (!kept.ok) throw new Error(kept.problem.message)
    const { draft, sizes, areas } = panelIn(kept.value)
    expect([...sizes.keys()].sort()).toEqual(['38', '40', '42'])
    const reach = (name: string) => [sizes.get(name)!.maxX - sizes.get(name)!.minX, sizes.get(name)!.maxY - sizes.get(name)!.minY]
    expect(['38', '40', '42'].map(reach)).toEqual(
      [
        [190, 394],
        [200, 400],
        [210, 406],
      ].map((r) => r.map((v) => expect.closeTo(v, 6) as number)),
    )
    expect(areas.get('42')).toBeCloseTo(210 * 406, 3)
    expect([draft.name.toLowerCase(), draft.sizeName, draft.notches.length]).toEqual(['side panel', '40', 1])
  })
  it('may be in steps from size to size, and in inches', () => {
    const steps = RULES.replace(/ {3}(\S+) {2}\S+ {2}(\S+)/g, (_, first: string, last: string) => {
      const back = first.split(',').map((v) => -Number(v) / 25.4)
      return `   ${back.join(',')}  ${last
        .split(',')
        .map((v) => Number(v) / 25.4)
        .join(',')}`
    })
    const kept = withRuleTable(rulePanel(1 / 25.4), bytes(ruleTable(steps, 'ENGLISH')))
    if (!kept.ok) throw new Error(kept.problem.message)
    const { sizes } = panelIn(kept.value)
    expect(sizes.get('42')!.maxX - sizes.get('42')!.minX).toBeCloseTo(210, 4)
    expect(sizes.get('38')!.maxY - sizes.get('38')!.minY).toBeCloseTo(394, 4)
  })
  it('takes lines on layers that nobody knows along, in every size', () => {
    const seam = ['0,0', '200,0', '200,400', '0,400'].map((c) =>
      c.split(',').map((v) => Math.min(Math.max(Number(v), 10), Number(v) > 200 ? 390 : 190)),
    )
    const own = ['0\nPOLYLINE\n8\n117\n66\n1\n70\n1', ...seam.map(([x, y]) => `0\nVERTEX\n8\n117\n10\n${x}\n20\n${y}`), '0\nSEQEND']
    const kept = withRuleTable(rulePanel().replace('0\nENDBLK', `${own.join('\n')}\n0\nENDBLK`), bytes(ruleTable(RULES)))
    const read = kept.ok ? drawingOf(kept.value) : kept
    if (!read.ok) throw new Error(read.problem.message)
    expect(read.value.apart).toHaveLength(3)
    const drafts = makeDrafts(withLayersSaid(read.value, { 117: 'seam line' }), 1)
    if (!drafts.ok) throw new Error(drafts.problem.message)
    const { draft } = drafts.value[0]!
    expect([draft.sizes.length, draft.allowanceIncluded]).toEqual([2, false])
    const wide = (path: Path) => boundsOf(path).maxX - boundsOf(path).minX
    // 180 mm wide, and 10 less or more at the right edge; at its corners the nearer of two edges leads, a twentieth apart.
    const [narrow, broad] = draft.sizes.map((s) => wide(s.path)).sort((a, b) => a - b)
    expect(Math.abs(narrow! - 170)).toBeLessThanOrEqual(1.001)
    expect(Math.abs(broad! - 190)).toBeLessThanOrEqual(1.001)
  })
  it('takes the place of one that was added before', () => {
    const first = withRuleTable(rulePanel(), bytes(ruleTable(RULES)))
    const again = first.ok ? withRuleTable(first.value, bytes(ruleTable(RULES, 'METRIC', 'S M L', 'M'))) : first
    if (!again.ok) throw new Error(again.problem.message)
    expect([...panelIn(again.value).sizes.keys()].sort()).toEqual(['L', 'M', 'S'])
  })
  it.each([
    ['no table at all', 'hello', /no line “SIZE LIST:”/],
    ['a sample that is no size', ruleTable(RULES, 'METRIC', '38 40 42', '44'), /none of the sizes/],
    ['a size twice', ruleTable(RULES, 'METRIC', '38 38 40'), /names a size twice/],
    ['too few figures', ruleTable('RULE: DELTA 1\n 0,0 1'), /has 3 figures, and not two for each of 3 sizes/],
    ['a word for a figure', ruleTable('RULE: DELTA 1\n 0,0 0,0 x,0'), /something else than figures/],
    ['a place out of reach', ruleTable('RULE: DELTA 1\n 0,0 0,0 9e9,0'), /figures in reach/],
    ['one rule again and again', `${'RULE: DELTA 1\n0 0\n'.repeat(90_000)}SIZE LIST: 40\nSAMPLE SIZE: 40`, /more rules than any pattern/],
    ['no rule', ruleTable(''), /no rule in it/],
    ['rules of another pattern', ruleTable('RULE: DELTA 77\n 0,0 0,0 1,1'), /none of the rules of this drawing/],
  ])('is refused with the reason: %s', (_, words, message) => {
    const kept = withRuleTable(rulePanel(), bytes(words))
    expect(kept.ok ? '' : `${kept.problem.message} ${kept.problem.remedy}`).toMatch(message)
  })
  it('is refused beside a drawing without rules, and by itself it is no drawing', () => {
    const plain = withRuleTable(rulePanel().replace(/# \d/g, 'x'), bytes(ruleTable(RULES)))
    expect(plain.ok ? '' : plain.problem.message).toContain('no place of the drawing has the number of a rule')
    const alone = drawingOf(ruleTable(RULES))
    expect(alone.ok ? '' : alone.problem.remedy).toContain('Open the DXF that it belongs to first')
    expect(readRuleTable(ruleTable(RULES)).ok).toBe(true)
  })
})
