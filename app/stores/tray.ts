import { defineStore } from 'pinia'
import { computed, ref } from 'vue'
import { emptyFit, type GarmentRow } from '~~/core/formats'
import { cutPath, measureLength, nearestPlace, type Path, type Point } from '~~/core/geometry'
import { ASIDES, downOf, halveDraft, nameEdges, isUnnamed, thingsSaid, uprightEdges, type PieceDraft, type ReadThing } from '~~/core/import'
import { checkGarment, toName, type EdgeRole, type Garment, type PieceKind, type Seam } from '~~/core/pattern'
import { problemSentence, type Problem } from '~~/core/result'
import { NO_CHARTS, openCups } from '~~/core/size'
import { useActs } from '~/composables/useActs'
import { useLive } from '~/composables/useLive'
import { dropSeamsOf, usePointedSeams } from '~/composables/usePointedSeams'
import { useTrayFile } from '~/composables/useTrayFile'
import { useTrayNest } from '~/composables/useTrayNest'
import { useTrayPhotos } from '~/composables/useTrayPhotos'
import { doAct, doTogether } from '~/data/acts'
import { db } from '~/data/db'
import { emptyOut, EMPTY_TRAY } from '~/data/empty-tray'
import type { Tray, TrayPiece } from '~/data/tray-row'
import { usePrefs } from '~/stores/prefs'

const DOWN: Point = { x: 0, y: 1 }
/** A corner nearer than this to another makes no edge that one could sew, mm. */
const LEAST_EDGE_MM = 2
/** A click this near to a notch means that notch, mm. */
const SAME_NOTCH_MM = 8

const ROW = { table: 'tray', id: 'now', scope: 'tray' } as const

/** Pieces on their way in from a file. Kept in the database, so that a reload loses nothing and every act can be undone. */
export const useTray = defineStore('tray', () => {
  const row = useLive(async () => (await db.tray.get('now')) ?? EMPTY_TRAY, null as Tray | null)
  const ready = computed(() => row.value !== null)
  const state = computed(() => row.value ?? EMPTY_TRAY)
  const chosenId = ref<string | null>(null)

  const act = (label: string, recipe: (tray: Tray) => void) => doAct(ROW, label, recipe)
  // JSON: what is written is plain data, never a reactive proxy.
  const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T
  const file = useTrayFile(state, act, () => (chosenId.value = null))

  const photographs = useTrayPhotos(state, act)

  /** The photographs are settled: their outlines are the drawing, at the scale that was measured. */
  async function confirmPhotos(): Promise<Problem | null> {
    const text = photographs.outlinesText()
    if (!text.ok) return text.problem
    return (await file.takeOutlines(text.value)) ?? confirmScale(1)
  }

  /** The scale is settled: the outlines are looked for, with a first guess at everything; or why they cannot be. */
  async function confirmScale(times: number): Promise<Problem | null> {
    const drafts = await file.findPieces(times)
    if (!drafts.ok) return drafts.problem
    const pieces = drafts.value.map(({ draft, trouble, aside, readings, twin, asDrawn }): TrayPiece => ({
      taken: !aside,
      ...(aside ? { aside } : {}),
      trouble,
      readings,
      ...(twin ? { twin } : {}),
      ...(asDrawn ? { asDrawn } : {}),
      draft,
    }))
    const stored = await act('settle the scale', (tray) => void Object.assign(tray, plain({ times, scaleConfirmed: true, pieces })))
    if (!stored.ok) return stored.problem
    chosenId.value = (pieces.find((p) => p.taken) ?? pieces[0])?.draft.id ?? null
    return null
  }

  /** Does something to one outline of the tray. */
  const edit = (id: string, label: string, change: (piece: TrayPiece) => void) =>
    act(label, (tray) => {
      const piece = tray.pieces.find((p) => p.draft.id === id)
      if (piece) change(piece)
    })
  /** What a person settles is known from then on. */
  function settled(piece: TrayPiece, change: object) {
    for (const thing of thingsSaid(Object.keys(change))) piece.readings = { ...piece.readings, [thing]: 'yours' }
  }
  const editDraft = (id: string, label: string, change: Partial<PieceDraft>) =>
    edit(id, label, (p) => {
      Object.assign(p.draft, plain(change))
      settled(p, change)
    })
  /** What was guessed is right. */
  const sayRight = (id: string, thing: ReadThing) =>
    edit(id, 'it is right', (p) => {
      p.readings = { ...p.readings, [thing]: 'yours' }
      if (thing === 'darts') delete p.asDrawn
    })
  /** A line or a place that is drawn within a piece is taken out of it, or back in. */
  const flipWithin = (id: string, part: 'lines' | 'points', index: number) =>
    edit(id, 'take in or out', ({ draft }) => {
      const one = draft[part]?.[index]
      if (one?.isOut) delete one.isOut
      else if (one) one.isOut = true
    })
  /** An outline is a piece from now on, or is none. */
  const flipTaken = (id: string) => edit(id, 'take or leave out', (p) => void (p.taken = !p.taken))

  function setKind(id: string, kind: PieceKind) {
    return edit(id, 'kind of piece', ({ draft }) => {
      const edges = plain(draft.edges).map((e) => e.path)
      const roles = nameEdges(kind, uprightEdges(edges, downOf(kind, edges, plain(draft.grain), [], draft.name)), DOWN, draft.name)
      draft.kind = kind
      draft.edges.forEach((e, i) => (e.role = roles[i]!))
    })
  }

  const editEdge = (id: string, index: number, label: string, change: Partial<PieceDraft['edges'][number]>) =>
    edit(id, label, (p) => {
      Object.assign(p.draft.edges[index]!, change)
      settled(p, change)
    })

  /** An edge and the one after it become one: their corner was none. */
  const joinEdges = (id: string, index: number) =>
    act('join two edges', (tray) => {
      const draft = tray.pieces.find((p) => p.draft.id === id)?.draft
      if (!draft || draft.edges.length < 3) return
      dropSeamsOf(tray, id)
      const next = (index + 1) % draft.edges.length
      draft.sizes.forEach((s) => (s.pairs = {}))
      draft.edges[index]!.path = plain([...draft.edges[index]!.path, ...draft.edges[next]!.path])
      draft.edges.splice(next, 1)
    })

  /** A corner where the outline was clicked. */
  const splitAt = (id: string, point: Point) =>
    act('new corner', (tray) => {
      const draft = tray.pieces.find((p) => p.draft.id === id)?.draft
      if (!draft) return
      const near = nearestOf(plain(draft), point)
      const edge = plain(draft.edges[near.index]!)
      const total = measureLength(edge.path)
      if (near.lengthMm < LEAST_EDGE_MM || near.lengthMm > total - LEAST_EDGE_MM) return
      dropSeamsOf(tray, id)
      const parts: Path[] = [cutPath(edge.path, 0, near.lengthMm), cutPath(edge.path, near.lengthMm, total)]
      draft.sizes.forEach((s) => (s.pairs = {}))
      draft.edges.splice(near.index, 1, ...parts.map((path) => ({ ...edge, path })))
    })

  /** Says where a corner lies on another size: at the place of that size's outline nearest to a click. */
  const pairCorner = (id: string, sizeName: string, corner: number, point: Point) =>
    edit(id, 'pair a corner', ({ draft }) => {
      const size = draft.sizes.find((s) => s.name === sizeName)
      if (size) size.pairs[corner] = nearestPlace(plain(size.path), point).lengthMm
    })

  /** Puts a notch where the outline was clicked, or takes the one there away. */
  const flipNotch = (id: string, point: Point) =>
    edit(id, 'notch', ({ draft }) => {
      const near = nearestOf(plain(draft), point)
      const there = draft.notches.findIndex((n) => Math.hypot(n.x - near.point.x, n.y - near.point.y) < SAME_NOTCH_MM)
      if (there >= 0) draft.notches.splice(there, 1)
      else draft.notches.push(near.point)
    })

  function nearestOf(draft: PieceDraft, point: Point) {
    return draft.edges
      .map((e, index) => ({ index, ...nearestPlace(e.path, point) }))
      .reduce((a, b) => (b.distanceMm < a.distanceMm ? b : a))
  }

  const nest = useTrayNest(state, file.inJobs)
  const whole = computed((): Garment => nest.assembled.value.garment)
  const proposed = computed((): Seam[] => nest.assembled.value.seams)
  const pointed = usePointedSeams(state, whole, act)

  function waiting(p: TrayPiece): string | null {
    if (!p.taken) return p.aside ? `set aside: ${ASIDES[p.aside].name.toLowerCase()}` : 'left out'
    if (p.trouble?.code === 'open') return `open: a gap of ${usePrefs().figure(p.trouble.gapMm ?? 0, 1)} mm`
    if (p.trouble?.code === 'crosses') return 'its outline crosses itself'
    if (p.trouble) return 'drawn in too many parts'
    const problem = nest.problems.value.get(p.draft.id)
    if (problem) return problem.message.replace(/\.$/, '')
    const unnamed = p.draft.edges.filter(isUnnamed).length
    if (unnamed > 0) return `${unnamed} ${unnamed === 1 ? 'edge has' : 'edges have'} no name yet`
    return nest.fresh.value.has(p.draft.id) ? 'being drawn' : null
  }

  const readyCount = computed(() => state.value.pieces.filter((p) => p.taken && waiting(p) === null).length)

  /** Hangs the finished garment in the wardrobe; what is not ready stays in the tray. Both are stored, or neither. */
  async function finish(): Promise<{ ok: true; row: GarmentRow } | { ok: false; sentence: string }> {
    const made = await nest.now().catch(() => null)
    if (!made) return { ok: false, sentence: 'The pieces could not be drawn: it was stopped. Try again.' }
    const garment: Garment = {
      ...made.garment,
      seams: [...made.seams.filter((s) => !state.value.leftOutSeams.includes(s.id)), ...pointed.added.value.map((a) => a.seam)],
    }
    if (garment.pieces.length === 0)
      return { ok: false, sentence: 'No piece is ready yet: each needs a closed outline, a grainline and a name for every edge.' }
    const problem = checkGarment(garment)
    if (problem) return { ok: false, sentence: problemSentence(problem) }
    const now = new Date().toISOString()
    const id = crypto.randomUUID()
    const row = plain<GarmentRow>({
      id,
      name: toName(state.value.garmentName) || 'New garment',
      garment,
      charts: { ...NO_CHARTS, cups: openCups(garment.cups ?? []) },
      mends: [],
      createdAt: now,
      updatedAt: now,
    })
    const fit = emptyFit(crypto.randomUUID(), id, state.value.wearerId, now)
    const done = new Set([...garment.pieces.map((p) => p.id), ...made.forCups])
    const rest = state.value.pieces.filter((p) => !done.has(p.draft.id) && p.taken)
    const label = `new garment “${row.name}”`
    const stored = await doTogether(label, [
      {
        scope: 'wardrobe',
        label,
        parts: [
          { table: 'garments', rows: [{ id, after: row }] },
          { table: 'fits', rows: [{ id: fit.id, after: fit }] },
        ],
      },
      {
        scope: ROW.scope,
        label: `hang “${row.name}” in the wardrobe`,
        parts: [
          {
            table: 'tray',
            id: ROW.id,
            recipe: (tray) => {
              if (rest.length === 0) emptyOut(tray)
              else tray.pieces = tray.pieces.filter((p) => !done.has(p.draft.id) && p.taken)
            },
          },
        ],
      },
    ])
    return stored.ok ? { ok: true, row } : { ok: false, sentence: problemSentence(stored.problem) }
  }

  const clear = () => act('empty the tray', emptyOut)

  /** An outline that does not close is taken as it is drawn in the tray: closed by a straight line, overruns cut off. */
  const closeOutline = (id: string) => edit(id, 'close an outline', (p) => void (p.trouble = null))
  /** Lines that were taken for darts are lines again: what was settled about the edges meanwhile is settled anew. */
  const leaveDarts = (id: string) =>
    edit(id, 'no darts', (p) => {
      if (!p.asDrawn) return
      Object.assign(p.draft, p.asDrawn)
      delete p.asDrawn
      delete p.readings?.darts
    })
  /** Half of a piece that is drawn whole, on the fold; what were its lines without the darts found in it is halved with it. */
  const takeHalf = (id: string) =>
    edit(id, 'half of it, on the fold', (p) => {
      const half = halveDraft(plain(p.draft))
      if (!half) return
      const withoutDarts = p.asDrawn ? halveDraft(plain({ ...p.draft, ...p.asDrawn })) : null
      const { edges, grain, notches, lines, points } = half
      const change = { edges, grain, notches, lines, ...(points ? { points } : {}) }
      Object.assign(p.draft, change)
      settled(p, change)
      if (withoutDarts) p.asDrawn = { edges: withoutDarts.edges, lines: withoutDarts.lines }
      else delete p.asDrawn
    })
  const setRole = (id: string, index: number, role: EdgeRole) => editEdge(id, index, 'name of an edge', { role, isPlain: role === 'other' })
  /** All edges of a piece without a name are edges without one: a pocket’s, a facing’s. */
  const restIsPlain = (id: string) =>
    edit(id, 'plain edges', ({ draft }) => draft.edges.filter(isUnnamed).forEach((e) => (e.isPlain = true)))

  /** A piece that is drawn twice is one: the second is left out, and the first cut as often as both, half of them turned over. */
  const takeAsOne = (id: string) =>
    act('one piece of two drawings', (tray) => {
      const second = tray.pieces.find((p) => p.draft.id === id)
      const first = tray.pieces.find((p) => p.draft.id === second?.twin?.id)
      if (!second?.twin || !first) return
      first.draft.count += second.draft.count
      if (second.twin.turned) first.draft.mirrored = true
      first.taken = true
      second.taken = false
      delete second.twin
    })

  /** All pieces have their room for seams as one has it: within the outline or not, as wide at edges of one name, else as most are. */
  const allowancesAsOn = (id: string) =>
    act('allowances of all pieces', (tray) => {
      const from = tray.pieces.find((p) => p.draft.id === id)?.draft
      if (!from) return
      const sewn = plain(from.edges).filter((e) => !e.fold)
      const widths = sewn.map((e) => e.allowanceMm)
      const most = widths.reduce(
        (a, b) => (widths.filter((w) => w === b).length > widths.filter((w) => w === a).length ? b : a),
        widths[0] ?? 0,
      )
      for (const piece of tray.pieces) {
        const { draft } = piece
        draft.allowanceIncluded = from.allowanceIncluded
        settled(piece, { allowanceIncluded: true })
        if (draft.id !== id)
          draft.edges.forEach((e) => {
            const alike = e.role === 'other' ? undefined : sewn.find((o) => o.role === e.role)
            if (!e.fold) e.allowanceMm = alike?.allowanceMm ?? most
          })
      }
    })

  return {
    state,
    ...file,
    photographs,
    confirmPhotos,
    chosenId,
    ready,
    whole,
    proposed,
    ...pointed,
    restIsPlain,
    allowancesAsOn,
    takeAsOne,
    closeOutline,
    leaveDarts,
    takeHalf,
    act,
    confirmScale,
    edit,
    editDraft,
    sayRight,
    flipWithin,
    flipTaken,
    editEdge,
    setRole,
    setKind,
    joinEdges,
    splitAt,
    flipNotch,
    pairCorner,
    waiting,
    readyCount,
    finish,
    clear,
    ...useActs('tray'),
  }
})
