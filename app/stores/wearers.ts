import { defineStore } from 'pinia'
import { findMeasure, latestSet, type CrotchCurve, type Figure, type MeasureSet, type Wearer } from '~~/core/body'
import { toName } from '~~/core/pattern'
import { problemSentence } from '~~/core/result'
import { lengthToken } from '~~/core/units'
import { today } from '~/days'
import { deleteForGood, doAct, doRows } from '~/data/acts'
import { db } from '~/data/db'
import { useLive } from '~/composables/useLive'
import { usePrefs } from '~/stores/prefs'

/** Tables of wearers, read and written where that is asked for. */
const tables = () => import('~~/core/body/wearers-csv')

/** A figure as the log names it. */
function figureWords(figure: Figure | null): string {
  if (!figure) return 'taken out'
  return 'mm' in figure ? lengthToken(figure.mm) : `${lengthToken(figure.leftMm)} and ${lengthToken(figure.rightMm)}`
}

/** Wearers and their figures. What is done to one is undone where it was done: in a garment, or in the wardrobe. */
export const useWearers = defineStore('wearers', () => {
  const prefs = usePrefs()
  const all = useLive(() => db.wearers.toArray(), [] as Wearer[])

  const emptySet = (): MeasureSet => ({ id: crypto.randomUUID(), takenOn: today(), note: '', figures: {} })

  /** A new wearer with an empty set of today; null where it could not be stored. */
  async function create(name: string): Promise<Wearer | null> {
    const wearer: Wearer = { id: crypto.randomUUID(), name: toName(name), sets: [emptySet()], ownMeasures: [] }
    const stored = await doRows('wearers', `new wearer “${wearer.name}”`, [{ id: wearer.id, after: wearer }])
    return stored.ok ? wearer : null
  }

  const act = (scope: string, id: string, label: string, recipe: (wearer: Wearer) => void) =>
    doAct({ table: 'wearers', id, scope }, label, recipe)

  const rename = (scope: string, id: string, name: string) =>
    act(scope, id, 'name of the wearer', (w) => void (w.name = toName(name) || w.name))

  /** Sets or clears one figure of a set. */
  const setFigure = (scope: string, id: string, setId: string, measureId: string, figure: Figure | null) =>
    act(scope, id, `${findMeasure(measureId)?.name ?? 'own measure'}: ${figureWords(figure)}`, (w) => {
      const set = w.sets.find((s) => s.id === setId)
      if (!set) return
      const rest = Object.entries(set.figures).filter(([id]) => id !== measureId)
      set.figures = Object.fromEntries(figure ? [...rest, [measureId, figure]] : rest)
    })

  /** A new set of today, empty: figures that are not taken again are not carried over. */
  async function addSet(scope: string, id: string): Promise<string | null> {
    const set = emptySet()
    const stored = await act(scope, id, 'new set of figures', (w) => void w.sets.push(set))
    return stored.ok ? set.id : null
  }
  /** A new set of a day that begins with the figures of the last one; gives its id. */
  async function addSetFromLast(scope: string, id: string, takenOn: string): Promise<string | null> {
    const setId = crypto.randomUUID()
    const stored = await act(scope, id, 'new set of figures, begun from the last', (w) => {
      const last = latestSet(w)
      w.sets.push({ id: setId, takenOn, note: 'Begun from the set before.', figures: { ...last?.figures } })
    })
    return stored.ok ? setId : null
  }
  const editSet = (scope: string, id: string, setId: string, change: Partial<Pick<MeasureSet, 'takenOn' | 'note'>>) =>
    act(scope, id, 'day or note of a set', (w) => {
      const set = w.sets.find((s) => s.id === setId)
      if (set) Object.assign(set, change)
    })
  const removeSet = (scope: string, id: string, setId: string) =>
    act(scope, id, 'delete a set of figures', (w) => void (w.sets = w.sets.filter((s) => s.id !== setId)))

  /** Keeps a reading of the crotch that was taken today. */
  const addCurve = (scope: string, id: string, curve: Pick<CrotchCurve, 'points' | 'inseam' | 'note'>) =>
    act(scope, id, 'reading of the crotch', (w) => {
      w.crotchCurves = [...(w.crotchCurves ?? []), { id: crypto.randomUUID(), takenOn: today(), ...curve }]
    })
  const removeCurve = (scope: string, id: string, curveId: string) =>
    act(scope, id, 'delete a reading of the crotch', (w) => {
      w.crotchCurves = (w.crotchCurves ?? []).filter((c) => c.id !== curveId)
    })

  const addOwn = (scope: string, id: string, name: string, kind: 'round' | 'length') =>
    act(scope, id, `own measure “${name}”`, (w) => void w.ownMeasures.push({ id: crypto.randomUUID(), name: toName(name), kind }))

  const remove = (wearer: Wearer) => deleteForGood(wearer.id)

  const writeCsv = async (wearers: readonly Wearer[]) => (await tables()).writeWearersCsv(wearers, prefs.units)

  /** Reads wearers from CSV: those of a known name get the sets of days they do not have yet, the others are new. */
  async function takeCsv(text: string): Promise<{ ok: true; count: number } | { ok: false; sentence: string }> {
    const { readWearersCsv } = await tables()
    const read = readWearersCsv(text, prefs.units, () => crypto.randomUUID())
    if (!read.ok) return { ok: false, sentence: problemSentence(read.problem) }
    const known = await db.wearers.toArray()
    const rows = read.value.map((incoming) => {
      const there = known.find((w) => w.name === incoming.name)
      if (!there) return { id: incoming.id, after: incoming }
      const days = new Set(there.sets.map((s) => s.takenOn))
      const after: Wearer = {
        ...there,
        ownMeasures: [...there.ownMeasures, ...incoming.ownMeasures],
        sets: [...there.sets, ...incoming.sets.filter((s) => !days.has(s.takenOn))],
      }
      return { id: there.id, after }
    })
    const stored = await doRows('wearers', 'read wearers from a file', rows)
    return stored.ok ? { ok: true, count: rows.length } : { ok: false, sentence: problemSentence(stored.problem) }
  }

  return {
    all,
    create,
    rename,
    setFigure,
    addSet,
    addSetFromLast,
    editSet,
    removeSet,
    addOwn,
    addCurve,
    removeCurve,
    remove,
    writeCsv,
    takeCsv,
  }
})
