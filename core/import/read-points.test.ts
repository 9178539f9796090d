import { describe, expect, it } from 'vitest'
import { bringIn, drawingOf, openFile } from './index'

const circle = (x: number, y: number, r: number) => `<circle cx="${x}" cy="${y}" r="${r}"/>`
const cross = (x: number, y: number, r: number) => `<path d="M${x - r} ${y}H${x + r}"/><path d="M${x} ${y - r}V${y + r}"/>`
const text = (x: number, y: number, words: string) => `<text x="${x}" y="${y}" font-size="6">${words}</text>`

/** The places that are marked on a front with so much drawn in it. */
async function placesWith(inside: string) {
  const front = 'M200 200 C230 200 262 190 270 130 L380 165 C370 240 380 320 440 350 L430 700 C350 712 280 712 200 712 Z'
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="700mm" height="900mm" viewBox="0 0 700 900"><g fill="none" stroke="black"><g id="Front"><path d="${front}"/><path id="grain" d="M250 420V640"/>${inside}</g></g></svg>`
  const kept = await openFile(new TextEncoder().encode(svg))
  const drawing = kept.ok ? drawingOf(kept.value) : kept
  const brought = drawing.ok ? bringIn(drawing.value) : drawing
  if (!brought.ok) throw new Error(brought.problem.message)
  const [piece] = brought.value.garment.pieces
  return piece!.points.map((p) => ({ ...p, at: piece!.shapes[brought.value.garment.baseSizeId]!.points[p.id]! }))
}

describe('places that are marked within a piece', () => {
  it('are found by a ring, by a cross, and once where both are drawn', async () => {
    const places = await placesWith(circle(330, 420, 2.5) + cross(360, 480, 5) + circle(300, 560, 4) + cross(300, 560, 6))
    expect(places.map((p) => p.name)).toEqual(['drill hole', 'drill hole 2', 'drill hole 3'])
    for (const [x, y] of [
      [330, 420],
      [300, 560],
      [360, 480],
    ])
      expect(places.some((p) => Math.hypot(p.at.x - x!, p.at.y - y!) < 0.5)).toBe(true)
  })
  it.each([
    ['BP', 'bust point', 'apex'],
    ['Bust Point', 'bust point', 'apex'],
    ['apex', 'bust point', 'apex'],
    ['button', 'button', 'other'],
    ['buttonhole', 'buttonhole', 'other'],
    ['press stud', 'snap', 'other'],
    ['pocket placement', 'pocket corner', 'other'],
  ] as const)('are called what stands beside them: “%s”', async (words, name, role) => {
    const [place] = await placesWith(cross(340, 400, 4) + text(348, 402, words))
    expect(place).toMatchObject({ name, role })
  })
  it('of a row are told apart', async () => {
    const places = await placesWith([440, 500, 560].map((y) => circle(215, y, 3) + text(222, y + 2, 'button')).join(''))
    expect(places.map((p) => p.name)).toEqual(['button', 'button 2', 'button 3'])
  })
  it('are neither notches, nor large rings, nor bars, nor strokes that only touch', async () => {
    const bar = '<path d="M300 500h12v2h-12z"/>'
    const touching = '<path d="M340 560h8"/><path d="M348 560v8"/>'
    expect(await placesWith('<path d="M438 420h-6"/>' + circle(330, 420, 12) + bar + touching)).toEqual([])
  })
})
