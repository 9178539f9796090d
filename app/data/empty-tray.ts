import type { Tray } from './tray-row'

/** The tray when nothing lies in it. */
export const EMPTY_TRAY: Tray = {
  id: 'now',
  fileName: '',
  text: '',
  times: 1,
  scaleConfirmed: false,
  pieces: [],
  garmentName: '',
  wearerId: null,
  leftOutSeams: [],
}

/** Takes everything out of a tray, also what it has for some files only. */
export function emptyOut(tray: Tray): void {
  for (const part of ['grid', 'pagesConfirmed', 'photos', 'marks', 'layers', 'addedSeams'] as const) Reflect.deleteProperty(tray, part)
  Object.assign(tray, structuredClone(EMPTY_TRAY))
}
