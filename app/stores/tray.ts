import { defineStore } from 'pinia'
import { computed, ref, shallowRef } from 'vue'
import { readSvg, type Drawing, type Project } from '~~/core/formats'
import { cutPath, measureLength, nearestPlace, type Path, type Point } from '~~/core/geometry'
import { buildPiece, findOutlines, guessKind, nameEdges, proposeSeams, readMarks, splitEdges, type PieceDraft } from '~~/core/import'
import { checkGarment, type EdgeRole, type Garment, type PieceKind, type Seam } from '~~/core/pattern'
import { problemSentence, type Problem } from '~~/core/result'
import { db } from '~/data/db'

/** An outline in the tray: what the file gave, what is settled, and what still stands in the way. */
export interface TrayPiece {
  draft: PieceDraft
  taken: boolean
  trouble: { code: 'open' | 'crosses'; at: Point; gapMm?: number } | null
}

interface TrayState {
  fileName: string
  text: string
  times: number
  scaleConfirmed: boolean
  pieces: TrayPiece[]
  garmentName: string
  wearerId: string | null
  leftOutSeams: string[]
}

const EMPTY: TrayState = {
  fileName: '',
  text: '',
  times: 1,
  scaleConfirmed: false,
  pieces: [],
  garmentName: '',
  wearerId: null,
  leftOutSeams: [],
}
const SIZE = 'one'
const DOWN: Point = { x: 0, y: 1 }
const DEFAULT_ALLOWANCE_MM = 10

/** Pieces on their way in from a file. Kept in the database, so that a reload loses nothing. */
export const useTray = defineStore('tray', () => {
  const state = shallowRef<TrayState>(EMPTY)
  const drawing = shallowRef<Drawing | null>(null)
  const chosenId = ref<string | null>(null)
  const ready = ref(false)

  async function save(next: TrayState): Promise<void> {
    state.value = next
    await db.tray.put({ id: 'now', savedAt: new Date().toISOString(), state: JSON.parse(JSON.stringify(next)) as unknown })
  }

  async function load(): Promise<void> {
    if (ready.value) return
    const row = await db.tray.get('now')
    if (row) {
      state.value = { ...EMPTY, ...(row.state as TrayState) }
      const read = state.value.text ? readSvg(state.value.text) : null
      drawing.value = read?.ok ? read.value : null
    }
    ready.value = true
  }

  /** Reads a file; a file that cannot be read leaves the tray as it is. */
  async function takeFile(fileName: string, text: string): Promise<Problem | null> {
    const read = readSvg(text)
    if (!read.ok) return read.problem
    drawing.value = read.value
    chosenId.value = null
    await save({ ...EMPTY, fileName, text, garmentName: fileName.replace(/\.[^.]+$/, '').replace(/[-_]+/g, ' ') })
    return null
  }

  /** The scale is settled: the outlines are looked for, with a first guess at everything. */
  async function confirmScale(times: number): Promise<void> {
    if (!drawing.value) return
    const pieces = findOutlines(drawing.value, times).map((o): TrayPiece => {
      const kind = guessKind(o.name)
      const marks = readMarks(o)
      const edges = splitEdges(o.path)
      const roles = nameEdges(kind, edges, DOWN)
      const onFold = o.texts.some((t) => /\bfold\b/i.test(t))
      return {
        taken: true,
        trouble: o.trouble,
        draft: {
          id: o.id,
          name: o.name,
          kind,
          count: kind === 'sleeve' || kind.startsWith('leg') ? 2 : 1,
          mirrored: kind === 'sleeve' || kind.startsWith('leg'),
          edges: edges.map((path, i) => ({
            path,
            role: roles[i]!,
            fold: onFold && roles[i]!.startsWith('centre'),
            allowanceMm: DEFAULT_ALLOWANCE_MM,
          })),
          allowanceIncluded: o.called !== 'seam line',
          grain: marks.grain,
          notches: marks.notches,
          lines: marks.lines,
        },
      }
    })
    await save({ ...state.value, times, scaleConfirmed: true, pieces })
    chosenId.value = pieces[0]?.draft.id ?? null
  }

  const edit = (id: string, change: (piece: TrayPiece) => TrayPiece) =>
    save({ ...state.value, pieces: state.value.pieces.map((p) => (p.draft.id === id ? change(p) : p)) })
  const editDraft = (id: string, change: Partial<PieceDraft>) => edit(id, (p) => ({ ...p, draft: { ...p.draft, ...change } }))

  function setKind(id: string, kind: PieceKind): Promise<void> {
    return edit(id, (p) => {
      const roles = nameEdges(
        kind,
        p.draft.edges.map((e) => e.path),
        DOWN,
      )
      return { ...p, draft: { ...p.draft, kind, edges: p.draft.edges.map((e, i) => ({ ...e, role: roles[i]! })) } }
    })
  }

  const editEdge = (id: string, index: number, change: Partial<PieceDraft['edges'][number]>) =>
    edit(id, (p) => ({ ...p, draft: { ...p.draft, edges: p.draft.edges.map((e, i) => (i === index ? { ...e, ...change } : e)) } }))

  /** An edge and the one after it become one: their corner was none. */
  const joinEdges = (id: string, index: number) =>
    edit(id, (p) => {
      const { edges } = p.draft
      if (edges.length < 3) return p
      const next = (index + 1) % edges.length
      const joined = { ...edges[index]!, path: [...edges[index]!.path, ...edges[next]!.path] }
      return { ...p, draft: { ...p.draft, edges: edges.map((e, i) => (i === index ? joined : e)).filter((_, i) => i !== next) } }
    })

  /** A corner where the outline was clicked. */
  const splitAt = (id: string, point: Point) =>
    edit(id, (p) => {
      const near = nearestOf(p.draft, point)
      const edge = p.draft.edges[near.index]!
      const total = measureLength(edge.path)
      if (near.lengthMm < 2 || near.lengthMm > total - 2) return p
      const parts: Path[] = [cutPath(edge.path, 0, near.lengthMm), cutPath(edge.path, near.lengthMm, total)]
      return {
        ...p,
        draft: { ...p.draft, edges: p.draft.edges.flatMap((e, i) => (i === near.index ? parts.map((path) => ({ ...e, path })) : [e])) },
      }
    })

  /** Puts a notch where the outline was clicked, or takes the one there away. */
  const flipNotch = (id: string, point: Point) =>
    edit(id, (p) => {
      const near = nearestOf(p.draft, point)
      const there = p.draft.notches.findIndex((n) => Math.hypot(n.x - near.point.x, n.y - near.point.y) < 8)
      return {
        ...p,
        draft: { ...p.draft, notches: there >= 0 ? p.draft.notches.filter((_, i) => i !== there) : [...p.draft.notches, near.point] },
      }
    })

  function nearestOf(draft: PieceDraft, point: Point) {
    return draft.edges
      .map((e, index) => ({ index, ...nearestPlace(e.path, point) }))
      .reduce((a, b) => (b.distanceMm < a.distanceMm ? b : a))
  }

  /** Every taken outline as a piece, or why not. */
  const built = computed(() =>
    state.value.pieces.map((p) => ({
      id: p.draft.id,
      taken: p.taken,
      trouble: p.trouble,
      piece: p.trouble ? null : buildPiece(p.draft, SIZE),
    })),
  )

  const whole = computed((): Garment => {
    const pieces = built.value.flatMap((b) => (b.taken && b.piece?.ok ? [b.piece.value] : []))
    return { sizes: [{ id: SIZE, name: 'as in the file' }], baseSizeId: SIZE, pieces, seams: [] }
  })
  const proposed = computed((): Seam[] => proposeSeams(whole.value))

  function waiting(p: TrayPiece): string | null {
    if (!p.taken) return 'left out'
    if (p.trouble?.code === 'open') return `open: a gap of ${(p.trouble.gapMm ?? 0).toFixed(1)} mm`
    if (p.trouble?.code === 'crosses') return 'its outline crosses itself'
    const b = built.value.find((x) => x.id === p.draft.id)?.piece
    return b && !b.ok ? b.problem.message.replace(/\.$/, '') : null
  }

  const readyCount = computed(() => state.value.pieces.filter((p) => p.taken && waiting(p) === null).length)

  /** The finished garment as a row of the wardrobe; what is not ready stays in the tray. */
  async function finish(): Promise<{ ok: true; project: Project } | { ok: false; sentence: string }> {
    const garment: Garment = { ...whole.value, seams: proposed.value.filter((s) => !state.value.leftOutSeams.includes(s.id)) }
    if (garment.pieces.length === 0) return { ok: false, sentence: 'No piece is ready yet: each needs a closed outline and a grainline.' }
    const problem = checkGarment(garment)
    if (problem) return { ok: false, sentence: problemSentence(problem) }
    const now = new Date().toISOString()
    const project: Project = {
      id: crypto.randomUUID(),
      name: state.value.garmentName.trim() || 'New garment',
      wearerId: state.value.wearerId,
      garment,
      plan: [],
      createdAt: now,
      updatedAt: now,
    }
    const done = new Set(garment.pieces.map((p) => p.id))
    const rest = state.value.pieces.filter((p) => !done.has(p.draft.id) && p.taken)
    if (rest.length > 0) await save({ ...state.value, pieces: rest })
    else await clear()
    return { ok: true, project: JSON.parse(JSON.stringify(project)) as Project }
  }

  async function clear(): Promise<void> {
    state.value = EMPTY
    drawing.value = null
    chosenId.value = null
    await db.tray.delete('now')
  }

  const setRole = (id: string, index: number, role: EdgeRole) => editEdge(id, index, { role })

  return {
    state,
    drawing,
    chosenId,
    ready,
    built,
    whole,
    proposed,
    load,
    save,
    takeFile,
    confirmScale,
    edit,
    editDraft,
    editEdge,
    setRole,
    setKind,
    joinEdges,
    splitAt,
    flipNotch,
    waiting,
    readyCount,
    finish,
    clear,
  }
})
