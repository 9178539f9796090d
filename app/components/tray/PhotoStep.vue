<script setup lang="ts">
import { LoaderCircle } from 'lucide-vue-next'
import { computed, onScopeDispose, ref, watch } from 'vue'
import { boundsOf } from '~~/core/geometry'
import { SHEETS, sheetLike, sidesOf, type Corners, type Known } from '~~/core/photograph'
import { problemSentence } from '~~/core/result'
import { ENDED } from '~/composables/useTrayPhotos'
import { db } from '~/data/db'
import { sayFault } from '~/messages'
import { usePrefs } from '~/stores/prefs'
import { useTray } from '~/stores/tray'

/** Photographs of paper pieces: what is known in each, the outlines that were found, and the marks that join several. */
const emit = defineEmits<{ add: [file: File] }>()
const tray = useTray()
const prefs = usePrefs()
const { photographs } = tray
const shownAt = ref(0)
const photo = computed(() => photographs.photos[Math.min(shownAt.value, photographs.photos.length - 1)]!)
const at = computed(() => photographs.photos.indexOf(photo.value))
watch(
  () => photographs.photos.length,
  (now, before) => {
    if (now > (before ?? now)) shownAt.value = now - 1
  },
)
const read = computed(() => photographs.readOf(photo.value))
const outlines = computed(() => (read.value?.ok ? read.value.value.outlines : []))
const leftOut = computed(() => photographs.leftOutOf(photo.value))
const problem = computed(() => (read.value && !read.value.ok ? problemSentence(read.value.problem) : ''))

const isEnded = computed(() => read.value?.ok === false && read.value.problem.code === ENDED)
const proportion = computed(() => (read.value?.ok ? read.value.value.proportion : null))
/** What it may be instead. */
const other = computed(() => proportion.value && sheetLike(proportion.value.seen))

const url = ref('')
const drop = () => url.value && URL.revokeObjectURL(url.value)
onScopeDispose(drop)
watch(
  () => photo.value.id,
  async (id) => {
    const row = await db.pictures.get(id).catch(() => undefined)
    drop()
    url.value = row ? URL.createObjectURL(new Blob([row.data], { type: row.type })) : ''
  },
  { immediate: true },
)

const known = computed<Known>({
  get: () => photo.value.known,
  set: (value) => void photographs.setKnown(photo.value, value),
})
/** Four places somewhere in the picture, to be dragged to where they belong. */
function placesAtFirst(): Corners {
  const { widthPx: w, heightPx: h } = photo.value
  const at = (x: number, y: number) => ({ x: x * w, y: y * h })
  return known.value.kind === 'rulers'
    ? [at(0.4, 0.2), at(0.6, 0.2), at(0.2, 0.7), at(0.2, 0.45)]
    : [at(0.25, 0.25), at(0.75, 0.25), at(0.75, 0.75), at(0.25, 0.75)]
}
const corners = computed<Corners | null>(
  () => (photo.value.pointed as Corners | null) ?? (read.value?.ok ? read.value.value.corners : null),
)
const point = (to: Corners | null) => void photographs.pointAt(photo.value.id, to)

const isMarking = ref(false)
const marksHere = computed(() => photographs.marks.map((m) => m[at.value] ?? null))
const tabs = computed(() => photographs.photos.map((p, i) => ({ value: String(i), label: `${i + 1}` })))
const tab = computed({ get: () => String(at.value), set: (v) => (shownAt.value = Number(v)) })
const joined = computed(() => photographs.joined)
const size = (index: number) => {
  const box = boundsOf(outlines.value[index]!.path)
  return { across: box.maxX - box.minX, down: box.maxY - box.minY }
}
const count = computed(() => (joined.value?.ok ? joined.value.value.outlines.length : 0))
/** A place that may be off by more is no longer as good as tracing by hand, mm. */
const ROUGH_MM = 3
const isRough = computed(() => outlines.value.some((o, i) => !leftOut.value.includes(i) && o.errorMm > ROUGH_MM))

async function confirm() {
  const bad = await tray.confirmPhotos()
  if (bad) sayFault(problemSentence(bad))
}
</script>

<template>
  <div class="station min-h-0 flex-1 md:grid-cols-[minmax(0,1fr)_24rem]">
    <div class="h-80 bg-water md:h-auto md:min-h-0">
      <TrayPhotoPicture
        v-if="url"
        :url="url"
        :name="photo.name"
        :width-px="photo.widthPx"
        :height-px="photo.heightPx"
        :outlines="outlines"
        :left-out="leftOut"
        :corners="corners"
        :is-rectangle="known.kind !== 'rulers'"
        :marks="marksHere"
        :is-marking="isMarking"
        @flip="photographs.flipOutline(photo, $event)"
        @corners="point($event)"
        @mark="photographs.setMark(at, $event)"
      />
    </div>
    <aside class="station-side min-h-0 space-y-4 overflow-y-auto border-l border-edge bg-panel p-5" aria-label="What was read">
      <div class="flex flex-wrap items-center gap-2">
        <UiSegmented v-if="tabs.length > 1" v-model="tab" :options="tabs" label="Photograph" test="photo-tab" />
        <p class="min-w-0 flex-1 truncate font-semibold">{{ photo.name }}</p>
      </div>
      <TrayKnownField v-model="known" />
      <div v-if="photographs.part !== null" role="status" data-test="photo-busy">
        <p class="flex items-center gap-2">
          <LoaderCircle class="size-5 animate-spin text-act motion-reduce:animate-none" aria-hidden="true" />Looking for edges …
        </p>
        <div class="mt-2 flex items-center gap-3">
          <progress class="h-2 flex-1 accent-(--act)" :value="photographs.part" max="1" aria-label="How far it is" />
          <button class="btn" data-test="photo-stop" @click="photographs.stopReading()">Stop</button>
        </div>
      </div>
      <div v-else-if="problem" class="rounded-lg bg-fault-pale p-3 text-fault" role="alert" data-test="photo-problem">
        <p>{{ problem }}</p>
        <button v-if="isEnded" class="btn mt-3" data-test="read-again" @click="photographs.readAgain(photo)">Try again</button>
        <button v-else-if="!photo.pointed" class="btn mt-3" data-test="point-corners" @click="point(placesAtFirst())">
          Point at the places
        </button>
      </div>
      <template v-if="read?.ok">
        <div data-test="photo-read">
          <p v-if="outlines.length === 0" class="rounded-lg bg-note-pale p-3 text-note">
            Nothing but {{ sidesOf(known) ? 'the sheet' : 'what is known' }} stands out from the floor. Take it anew, with the pieces on a
            floor that is darker or of another colour.
          </p>
          <ul v-else class="space-y-1">
            <li v-for="(o, i) in outlines" :key="i">
              <UiCheck
                :model-value="!leftOut.includes(i)"
                :test="`take-outline-${i}`"
                @update:model-value="photographs.flipOutline(photo, i)"
              >
                <span class="font-semibold"><UiLengthText :mm="size(i).across" /> by <UiLengthText :mm="size(i).down" /></span>
                <span class="block text-sm text-soft"
                  >{{ o.isCut ? 'goes on beyond the picture; ' : '' }}off by up to <UiLengthText :mm="o.errorMm"
                /></span>
              </UiCheck>
            </li>
          </ul>
          <div v-if="proportion" class="mt-2 rounded-lg bg-fault-pale p-3 text-fault" role="alert" data-test="photo-proportion">
            <p>
              What lies there is {{ prefs.figure(proportion.seen, 2) }} times as long as it is wide, and not
              {{ prefs.figure(proportion.said, 2) }} times: it is something else, and all lengths are wrong.
            </p>
            <button v-if="other" class="btn mt-3" data-test="other-sheet" @click="known = { kind: 'sheet', sheet: other }">
              It is {{ SHEETS[other].name.replace(/^A /, 'a ') }}
            </button>
          </div>
          <p v-else-if="isRough" class="mt-2 rounded-lg bg-note-pale p-3 text-note" data-test="photo-rough">
            The far end is not known well. Take it from straight above, with what is known near the middle, or lay a larger sheet beside the
            piece.
          </p>
        </div>
        <p class="text-sm text-soft">
          An outline is clicked to take it in or out. The four places can be dragged, or moved with the arrow keys; the edges beside them
          are then followed again.
        </p>
        <button v-if="photo.pointed && sidesOf(known)" class="btn" data-test="find-again" @click="point(null)">
          Find the sheet itself
        </button>
      </template>
      <div v-if="tabs.length > 1" class="space-y-2 border-t border-edge pt-4">
        <h3 class="font-semibold">Marks that join them</h3>
        <p class="text-sm text-soft">
          Point at the same two places or more in each photograph, far apart: a cross drawn on the piece, a corner. Piece and floor must not
          have moved between them, or only together.
        </p>
        <UiCheck v-model="isMarking" test="photo-marking">A click sets a mark</UiCheck>
        <ul>
          <li v-for="(m, i) in photographs.marks" :key="i" class="flex items-center justify-between gap-2">
            <span>{{ i + 1 }}: in {{ m.flatMap((p, k) => (p ? [k + 1] : [])).join(' and ') }}</span>
            <button class="btn-quiet" :aria-label="`Take mark ${i + 1} out`" @click="photographs.removeMark(i)">Take out</button>
          </li>
        </ul>
        <p v-if="joined?.ok" class="text-good" data-test="photo-joined">
          They are joined: their marks lie within <UiLengthText :mm="joined.value.offMm" /> of each other.
        </p>
        <p v-else-if="joined" class="text-fault" data-test="photo-apart">{{ problemSentence(joined.problem) }}</p>
      </div>
      <div class="space-y-2 border-t border-edge pt-4">
        <button class="btn-act w-full" :disabled="count === 0 || photographs.part !== null" data-test="confirm-photos" @click="confirm">
          {{ count === 1 ? 'This outline is right' : count > 1 ? `These ${count} outlines are right` : 'The outlines are right' }}
        </button>
        <UiFileButton accept="image/*" label="Another photograph" test="another-photo" @file="emit('add', $event)"
          >Add another photograph</UiFileButton
        >
        <button class="btn w-full" data-test="remove-photo" @click="photographs.removePhoto(photo.id)">Take this photograph out</button>
      </div>
    </aside>
  </div>
</template>
