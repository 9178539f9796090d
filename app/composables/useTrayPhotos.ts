import { proxy } from 'comlink'
import { computed, ref, shallowReactive, shallowRef, watch, type ComputedRef } from 'vue'
import { keepOutlines } from '~~/core/import'
import type { Point } from '~~/core/geometry'
import type { Corners, JoinedPhotographs, Known, ReadPhotograph } from '~~/core/photograph'
import { ok, refuse, type Problem, type Result } from '~~/core/result'
import { db } from '~/data/db'
import { emptyOut } from '~/data/empty-tray'
import { keepPictures } from '~/data/pictures'
import type { Tray, TrayPhoto } from '~/data/tray-row'
import { nameOf } from '~/composables/useTrayFile'
import { usePrefs } from '~/stores/prefs'
import { Bench } from '~/workers/bench'
import { openWorker } from '~/workers/open-worker'
import type { joinPhotos, readPhoto } from '~/workers/read-photo'
import type { ScaledPhoto, scalePhoto } from '~/workers/scale-photo'

/** The longer side of a photograph that is measured, dots: a quarter of a millimetre for each, where it shows a metre. */
const LONGEST_PX = 4096
/** The code of a reading that was stopped or failed: it can be tried again. */
export const ENDED = 'photo-ended'
/** Places that are moved rest for so long before they are followed, ms. */
const REST_MS = 200
/** So many photographs are joined at most. */
const MOST_PHOTOS = 8
/** A photograph without a sign of life for so long is given up, ms. */
const SILENT_MS = 120_000

interface Jobs {
  scalePhoto: typeof scalePhoto
  readPhoto: typeof readPhoto
  joinPhotos: typeof joinPhotos
}
const bench = new Bench<Jobs>(() => openWorker('paper-photo'))

const plain = <T>(value: T): T => JSON.parse(JSON.stringify(value)) as T

/** What a photograph is read from: where that is another, it is read again. */
const keyOf = ({ id, known, pointed }: TrayPhoto): string => JSON.stringify([id, known, pointed])

/**
 * The photographs in the tray: what is known in each, what was read of it, and how they are joined.
 *
 * @param act does something to the tray that can be undone
 */
export function useTrayPhotos(state: ComputedRef<Tray>, act: (label: string, recipe: (tray: Tray) => void) => Promise<Result<unknown>>) {
  const prefs = usePrefs()
  const photos = computed(() => state.value.photos ?? [])
  const marks = computed(() => state.value.marks ?? [])
  /** What was read, by what it was read from. */
  const reads = shallowReactive(new Map<string, Result<ReadPhotograph>>())
  /** Which part of the photograph that is being read is done, 0 to 1; null while none is. */
  const part = ref<number | null>(null)
  const joined = shallowRef<Result<JoinedPhotographs> | null>(null)
  /** The name of the file that is being taken in; null while none is. */
  const taking = ref<string | null>(null)
  const readOf = (photo: TrayPhoto): Result<ReadPhotograph> | null => reads.get(keyOf(photo)) ?? null

  const ended = (error: unknown) =>
    refuse<never>(ENDED, 'photograph', error instanceof Error ? error.message : String(error), 'Try again, or take a smaller picture.')

  /** Takes a photograph in beside those that are there. */
  async function takePhoto(file: File): Promise<Problem | null> {
    if (photos.value.length >= MOST_PHOTOS)
      return {
        code: 'too-many',
        where: file.name,
        message: `there are ${MOST_PHOTOS} photographs already.`,
        remedy: 'Settle these, then begin with the next piece.',
      }
    taking.value = file.name
    const scaled = await bench
      .run<Result<ScaledPhoto>>((jobs) => jobs.scalePhoto(file, file.name, LONGEST_PX, 'measured'), SILENT_MS)
      .catch(ended)
      .finally(() => (taking.value = null))
    if (!scaled.ok) return scaled.problem
    const { data, type, widthPx, heightPx } = scaled.value
    const id = crypto.randomUUID()
    const kept = await keepPictures([{ id, type, data }])
    if (!kept.ok) return kept.problem
    const first = photos.value[0]
    const known: Known = first ? plain(first.known) : { kind: 'sheet', sheet: prefs.units === 'in' ? 'letter' : 'a4' }
    const photo: TrayPhoto = { id, name: file.name.slice(0, 120), widthPx, heightPx, known, pointed: null, leftOut: null }
    const stored = await act(`take in ${file.name}`, (tray) => {
      if (!tray.photos) {
        emptyOut(tray)
        Object.assign(tray, { fileName: file.name, garmentName: nameOf(file.name) })
      }
      tray.photos = [...(tray.photos ?? []), photo]
      tray.marks = (tray.marks ?? []).map((m) => [...m, null])
    })
    return stored.ok ? null : stored.problem
  }

  /** Does something to one photograph. */
  const editPhoto = (id: string, label: string, change: Partial<TrayPhoto>) =>
    act(label, (tray) => {
      const photo = tray.photos?.find((p) => p.id === id)
      if (photo) Object.assign(photo, plain(change))
    })
  /** Another size of the same thing is measured from the same places; another thing is looked for anew. */
  const setKnown = ({ id, known: before, pointed }: TrayPhoto, known: Known) =>
    editPhoto(id, 'what lies beside the piece', {
      known,
      pointed: known.kind === before.kind && known.kind !== 'sheet' ? pointed : null,
      leftOut: null,
    })
  const pointAt = (id: string, pointed: Corners | null) =>
    editPhoto(id, 'point at the corners', { pointed: pointed && [...pointed], leftOut: null })
  const removePhoto = (id: string) =>
    act('take a photograph out', (tray) => {
      const at = tray.photos?.findIndex((p) => p.id === id) ?? -1
      if (at < 0 || !tray.photos) return
      tray.photos.splice(at, 1)
      tray.marks?.forEach((m) => m.splice(at, 1))
      tray.marks = tray.marks?.filter((m) => m.some((p) => p !== null))
      if (tray.photos.length === 0) {
        delete tray.photos
        delete tray.marks
      }
    })

  /** Outlines that are taken for none where nobody chose: those that go on beyond a single picture. */
  function leftOutOf(photo: TrayPhoto): number[] {
    const read = readOf(photo)
    if (photo.leftOut || !read?.ok) return photo.leftOut ?? []
    return photos.value.length > 1 ? [] : read.value.outlines.flatMap((o, i) => (o.isCut ? [i] : []))
  }
  function flipOutline(photo: TrayPhoto, index: number) {
    const out = leftOutOf(photo)
    return editPhoto(photo.id, 'take an outline in or out', {
      leftOut: out.includes(index) ? out.filter((i) => i !== index) : [...out, index],
    })
  }
  /** Puts a mark into a photograph: the next mark that it does not show yet, or a new one. */
  const setMark = (photoAt: number, place: Point) =>
    act('mark a photograph', (tray) => {
      const count = tray.photos?.length ?? 0
      tray.marks ??= []
      const open = tray.marks.find((m) => m[photoAt] === null)
      if (open) open[photoAt] = place
      else tray.marks.push(Array.from({ length: count }, (_, i) => (i === photoAt ? place : null)))
    })
  const removeMark = (at: number) => act('take a mark out', (tray) => void tray.marks?.splice(at, 1))

  let round = 0
  /** Reads what was not read yet, one photograph after the other, and joins them. */
  async function readAll(): Promise<void> {
    const own = ++round
    // A place that is moved step by step is read once it rests.
    if (photos.value.some((photo) => !reads.has(keyOf(photo)))) await new Promise((resolve) => setTimeout(resolve, REST_MS))
    if (own !== round) return
    for (const photo of photos.value) {
      if (reads.has(keyOf(photo))) continue
      const row = await db.pictures.get(photo.id).catch(() => undefined)
      if (own !== round) return
      part.value = 0
      const tell = proxy((done: number) => void (own === round && (part.value = done)))
      const read = row
        ? await bench
            .run<Result<ReadPhotograph>>(
              (jobs) => jobs.readPhoto(photo.id, new Blob([row.data], { type: row.type }), plain(photo.known), plain(photo.pointed), tell),
              SILENT_MS,
            )
            .catch(ended)
        : refuse<ReadPhotograph>(
            'no-photo',
            photo.name,
            'its picture is no longer kept here.',
            'Take it out, and take the photograph in again.',
          )
      reads.set(keyOf(photo), read)
      if (own !== round) return
    }
    part.value = null
    const all = photos.value.map((photo) => {
      const read = readOf(photo)
      const out = leftOutOf(photo)
      return read?.ok ? { ...read.value, outlines: read.value.outlines.filter((_, i) => !out.includes(i)) } : null
    })
    const sound = all.filter((read) => read !== null)
    if (sound.length === 0 || sound.length < all.length) joined.value = null
    else {
      const found = await bench
        .run<Result<JoinedPhotographs>>((jobs) => jobs.joinPhotos(plain(sound), plain(marks.value)), SILENT_MS)
        .catch(ended)
      if (own === round) joined.value = found
    }
  }
  watch([photos, marks], () => void readAll(), { immediate: true })
  /** Reads one again whose reading was stopped, or came to no end. */
  function readAgain(photo: TrayPhoto) {
    reads.delete(keyOf(photo))
    void readAll()
  }

  /** What is kept of what was read, for the tray; or why nothing can be. */
  function outlinesText(): Result<string> {
    const found = joined.value
    if (!found) return refuse('no-photo', 'photographs', 'not all of them are read yet.', 'Wait, or take out the one that cannot be read.')
    if (!found.ok) return found
    if (found.value.outlines.length === 0)
      return refuse(
        'no-outline',
        'photographs',
        'no outline of a piece is taken in.',
        'Click one in the picture, or take the photograph anew.',
      )
    return ok(keepOutlines({ ...found.value, name: photos.value[0]!.name.replace(/\.[^.]+$/, '') }))
  }

  return {
    photos,
    marks,
    part,
    joined,
    taking,
    readOf,
    leftOutOf,
    takePhoto,
    setKnown,
    pointAt,
    removePhoto,
    flipOutline,
    setMark,
    removeMark,
    outlinesText,
    readAgain,
    /** Ends what is being read. */
    stopReading: () => bench.stop(),
  }
}
