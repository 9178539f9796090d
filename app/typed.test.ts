import { beforeAll, describe, expect, it, vi } from 'vitest'
import { fieldOf, isOn, isTicked, markAll, valueOf } from './typed'

// The elements of a page, as far as they are looked at here.
class Element {
  constructor(readonly within: readonly string[] = []) {}
  closest = (selector: string) => (this.within.includes(selector) ? this : null)
}
class Input extends Element {
  value = ''
  checked = false
  select = vi.fn()
}
class Select extends Element {
  value = ''
}
class TextArea extends Select {}

beforeAll(() => {
  vi.stubGlobal('Element', Element)
  vi.stubGlobal('HTMLInputElement', Input)
  vi.stubGlobal('HTMLSelectElement', Select)
  vi.stubGlobal('HTMLTextAreaElement', TextArea)
})

/** An event as such an element sends it. */
const sentBy = (target: Element): Event => ({ type: 'change', target }) as unknown as Event

describe('what was typed', () => {
  it.each([new Input(), new Select(), new TextArea()])('is read off the field that sent the event, of whatever sort', (field) => {
    field.value = '1 1/2'
    expect(valueOf(sentBy(field))).toBe('1 1/2')
    expect(fieldOf(sentBy(field))).toBe(field)
  })
  it('is a mistake to be seen where no field sent it', () => {
    expect(() => valueOf(sentBy(new Element()))).toThrow(/no field: change/)
  })
  it('a box is ticked or not; what is no box is not', () => {
    expect(isTicked(sentBy(Object.assign(new Input(), { checked: true })))).toBe(true)
    expect([new Input(), new Select(), new Element()].map((e) => isTicked(sentBy(e)))).toEqual([false, false, false])
  })
  it('all of a field is marked; elsewhere nothing happens', () => {
    const field = new Input()
    markAll(sentBy(field))
    markAll(sentBy(new Element()))
    expect(field.select).toHaveBeenCalledOnce()
  })
  it('an event is on what it lies in, too', () => {
    const onHandle = sentBy(new Element(['[data-handle]']))
    expect([isOn(onHandle, '[data-handle]'), isOn(onHandle, 'button')]).toEqual([true, false])
  })
})
