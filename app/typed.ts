/** The field that was typed into or chosen in. @throws TypeError where something else sent the event: a mistake of the template */
export function fieldOf(event: Event): HTMLInputElement | HTMLSelectElement | HTMLTextAreaElement {
  const { target } = event
  if (target instanceof HTMLInputElement || target instanceof HTMLSelectElement || target instanceof HTMLTextAreaElement) return target
  throw new TypeError(`an event of no field: ${event.type}`)
}

/** What was typed or chosen. */
export const valueOf = (event: Event): string => fieldOf(event).value

/** Is the box ticked that the event came from? */
export const isTicked = (event: Event): boolean => event.target instanceof HTMLInputElement && event.target.checked

/** Marks all that stands in a field, so that the next sign typed takes its place. */
export function markAll(event: Event): void {
  if (event.target instanceof HTMLInputElement) event.target.select()
}

/** Did an event happen on something of a sort, by its selector? */
export const isOn = (event: Event, selector: string): boolean => event.target instanceof Element && event.target.closest(selector) !== null
