import { effectScope, nextTick, type EffectScope } from 'vue'
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import type { Point } from '~~/core/geometry'
import { arrowOf, useDrag } from './useDrag'

/** What a shape of a drawing is to the composable: it sends events and takes the pointer. */
class Shape extends EventTarget {
  taken: number[] = []
  setPointerCapture(id: number) {
    this.taken.push(id)
  }
  send(type: string, x = 0, y = 0) {
    this.dispatchEvent(Object.assign(new Event(type), { clientX: x, clientY: y, pointerId: 7 }))
  }
}

let scope: EffectScope
let shape: Shape
let told: (['move', string, Point] | ['drop', string, Point | null])[]
beforeEach(() => {
  scope = effectScope()
  shape = new Shape()
  told = []
})
afterEach(() => scope.stop())

async function grabbed() {
  const { grab } = scope.run(() =>
    useDrag<string>({ move: (thing, by) => told.push(['move', thing, by]), drop: (thing, by) => told.push(['drop', thing, by]) }),
  )!
  shape.addEventListener('pointerdown', (event) => grab(event as PointerEvent, 'front'))
  shape.send('pointerdown', 100, 50)
  await nextTick()
}

describe('dragging', () => {
  it('tells how far the hand has come since it took hold, and where it let go', async () => {
    await grabbed()
    expect(shape.taken).toEqual([7])
    shape.send('pointermove', 110, 45)
    shape.send('pointermove', 130, 40)
    shape.send('pointerup', 131, 40)
    expect(told).toEqual([
      ['move', 'front', { x: 10, y: -5 }],
      ['move', 'front', { x: 30, y: -10 }],
      ['drop', 'front', { x: 31, y: -10 }],
    ])
  })
  it('hears nothing before it took hold and nothing after it let go', async () => {
    shape.send('pointermove', 5, 5)
    await grabbed()
    shape.send('pointerup', 100, 50)
    shape.send('pointermove', 200, 200)
    shape.send('pointerup', 200, 200)
    expect(told).toEqual([['drop', 'front', { x: 0, y: 0 }]])
  })
  it('means nothing where the pointer was taken away', async () => {
    await grabbed()
    shape.send('pointermove', 110, 50)
    shape.send('pointercancel', 110, 50)
    expect(told.at(-1)).toEqual(['drop', 'front', null])
  })
  it('stops with the component', async () => {
    await grabbed()
    scope.stop()
    shape.send('pointermove', 110, 50)
    expect(told).toEqual([])
  })
})

describe('arrow keys', () => {
  const press = (key: string) => Object.assign(new Event('keydown', { cancelable: true }), { key }) as KeyboardEvent
  it('go their way and scroll nothing; another key is left alone', () => {
    const down = press('ArrowDown')
    expect([arrowOf(down), down.defaultPrevented]).toEqual([{ x: 0, y: 1 }, true])
    expect(arrowOf(press('ArrowLeft'))).toEqual({ x: -1, y: 0 })
    const letter = press('t')
    expect([arrowOf(letter), letter.defaultPrevented]).toEqual([null, false])
  })
})
