<script setup lang="ts">
import { Aperture, Camera, Columns2, ImagePlus, Minimize2, Trash2, X } from 'lucide-vue-next'
import { computed, ref, useTemplateRef, watch } from 'vue'
import type { Fitting, Photo } from '~~/core/fittings'
import { usePhotos } from '~/composables/usePhotos'
import { roomLeft } from '~/data/pictures'
import { showDay } from '~/days'
import { say, sayDone, sayFault } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { usePrefs } from '~/stores/prefs'
import { useWork } from '~/stores/work'
import { fieldOf, valueOf } from '~/typed'

/** The photographs of a fitting: brought in, marked, and two of this fit's side by side. */
const props = defineProps<{ fitting: Fitting }>()
const log = useFittings()
const work = useWork()
const prefs = usePrefs()
const { pictureUrl, takeIn, thinOut } = usePhotos()

const own = computed(() => log.photosOf(props.fitting.id))
const dayOf = (photo: Photo) => {
  const fitting = log.fittings.find((f) => f.id === photo.fittingId)
  return fitting ? showDay(fitting.heldOn) : ''
}
/** The photographs of the fit, the oldest fitting first: for setting two beside each other. */
const all = computed(() => [...log.fittings].reverse().flatMap((f) => log.photosOf(f.id)))

const busy = ref(false)
const files = useTemplateRef('files')
const camera = useTemplateRef('camera')
/** A stand-in for a camera that is wired to this machine: it gives the picture of a made-up mock-up. */
const SIMULATED = ['demo-mock-up-front', 'demo-mock-up-back', 'demo-second-front', 'demo-second-back']
async function takeSimulated() {
  const name = SIMULATED[own.value.length % SIMULATED.length]!
  const picture = await $fetch<Blob>(`/demo-photographs/${name}.jpg`, { responseType: 'blob' }).catch(() => null)
  if (!picture) return sayFault('The simulated camera does not answer: the server of this page cannot be reached. Try again.')
  await keep([new File([picture], `${name}.jpg`, { type: 'image/jpeg' })])
}
async function take(event: Event) {
  const field = fieldOf(event)
  const chosen = field instanceof HTMLInputElement ? [...(field.files ?? [])] : []
  field.value = ''
  if (chosen.length > 0) await keep(chosen)
}
async function keep(chosen: readonly File[]) {
  busy.value = true
  const kept = await takeIn(props.fitting.id, chosen).finally(() => (busy.value = false))
  if (kept === chosen.length) sayDone(`${kept} ${kept === 1 ? 'photograph' : 'photographs'} kept, in this browser alone.`)
}

/** The one that is looked at; and the one beside it. */
const openId = ref<string | null>(null)
const open = computed(() => own.value.find((p) => p.id === openId.value) ?? null)
const besideId = ref<string | null>(null)
const beside = computed(() => all.value.find((p) => p.id === besideId.value && p.id !== openId.value) ?? null)
const megabytes = (bytes: number) => (bytes < 1e9 ? `${prefs.figure(bytes / 1e6, 1)} MB` : `${prefs.figure(bytes / 1e9, 1)} GB`)
const size = (photo: Photo) =>
  photo.bytes < 1e6 ? `${Math.max(1, Math.round(photo.bytes / 1000))} kB` : `${prefs.figure(photo.bytes / 1e6, 1)} MB`
/** Room of this browser, for what is kept in it. */
const room = ref<Awaited<ReturnType<typeof roomLeft>>>(null)
watch(
  () => log.photos.length,
  async () => (room.value = await roomLeft()),
  { immediate: true },
)
async function thin() {
  busy.value = true
  const made = await thinOut(own.value).finally(() => (busy.value = false))
  if (made === 0) say('They are small already: nothing was changed.')
  else sayDone(`${made} ${made === 1 ? 'photograph' : 'photographs'} made smaller, for good.`)
}
const total = computed(() => log.photos.reduce((sum, p) => sum + p.bytes, 0))

async function mark(event: MouseEvent, photo: Photo) {
  const box = (event.currentTarget as HTMLElement).getBoundingClientRect()
  const at = {
    x: Math.min(1, Math.max(0, (event.clientX - box.left) / box.width)),
    y: Math.min(1, Math.max(0, (event.clientY - box.top) / box.height)),
  }
  await addMark(photo, at)
}
const addMark = (photo: Photo, at: { x: number; y: number }) =>
  log.writePhoto(photo.id, 'mark on a photograph', (p) => void p.marks.push({ id: crypto.randomUUID(), ...at, text: '' }))
const setMark = (photo: Photo, markId: string, text: string) =>
  log.writePhoto(photo.id, 'words of a mark', (p) => {
    const own = p.marks.find((m) => m.id === markId)
    if (own) own.text = text
  })
const removeMark = (photo: Photo, markId: string) =>
  log.writePhoto(photo.id, 'take a mark away', (p) => void (p.marks = p.marks.filter((m) => m.id !== markId)))
const setText = (photo: Photo, text: string) => log.writePhoto(photo.id, 'words of a photograph', (p) => void (p.text = text))
async function remove(photo: Photo) {
  openId.value = null
  if (await log.removePhoto(photo.id)) say('The photograph was deleted.', { label: 'Undo', run: () => void work.undo() })
}
</script>

<template>
  <div class="space-y-4 p-4">
    <div class="flex flex-wrap items-center gap-3">
      <button class="btn-act" :disabled="busy" data-test="add-photos" @click="files?.click()">
        <ImagePlus class="size-5" />Add photographs
      </button>
      <button class="btn" :disabled="busy" data-test="take-photo" @click="camera?.click()"><Camera class="size-5" />Take one</button>
      <button class="btn" :disabled="busy" data-test="simulated-camera" @click="takeSimulated">
        <Aperture class="size-5" />Simulated camera
      </button>
      <button v-if="own.length" class="btn" :disabled="busy" data-test="thin-out" @click="thin">
        <Minimize2 class="size-4" />Make all smaller
      </button>
      <input
        ref="files"
        type="file"
        accept="image/*"
        multiple
        class="hidden"
        aria-label="Photographs"
        data-test="photo-files"
        @change="take"
      />
      <input ref="camera" type="file" accept="image/*" capture="environment" class="hidden" aria-label="Camera" @change="take" />
      <p class="text-sm text-soft" role="status">
        {{
          busy
            ? 'Scaling down and turning upright …'
            : `They stay in this browser and in your backup; place and camera are not kept. In this fit: ${megabytes(total)}${room ? `; in this browser: ${megabytes(room.usedBytes)} of ${megabytes(room.ofBytes)}` : ''}.`
        }}
      </p>
    </div>
    <p v-if="own.length === 0" class="text-soft">None yet. Stand where the light comes from the side: folds show then.</p>
    <ul v-else class="flex flex-wrap gap-3" data-test="photos">
      <li v-for="p in own" :key="p.id">
        <button
          class="block overflow-hidden rounded-lg border-2"
          :class="openId === p.id ? 'border-act' : 'border-edge'"
          :aria-pressed="openId === p.id"
          data-test="photo"
          @click="openId = openId === p.id ? null : p.id"
        >
          <img v-if="pictureUrl(p.id)" :src="pictureUrl(p.id)" :alt="p.text || 'Photograph of the fitting'" class="h-32 w-auto bg-water" />
          <span v-else class="grid h-32 w-24 place-items-center bg-water p-2 text-sm text-soft">{{
            pictureUrl(p.id) === '' ? 'the picture is not here' : '…'
          }}</span>
        </button>
      </li>
    </ul>
    <section v-if="open" class="grid gap-4 md:grid-cols-2" aria-label="Photograph">
      <figure v-for="p in beside ? [beside, open] : [open]" :key="p.id" class="min-w-0" data-test="photo-large">
        <div class="relative inline-block max-w-full" :class="p === open && 'cursor-crosshair'" @click="p === open && mark($event, p)">
          <img
            v-if="pictureUrl(p.id)"
            :src="pictureUrl(p.id)"
            :alt="p.text || 'Photograph of the fitting'"
            class="max-h-[50vh] max-w-full rounded-lg border border-edge"
          />
          <span
            v-for="(m, i) in p.marks"
            :key="m.id"
            class="pointer-events-none absolute grid size-7 -translate-x-1/2 -translate-y-1/2 place-items-center rounded-full border-2 border-white bg-note font-semibold text-white"
            :style="{ left: `${m.x * 100}%`, top: `${m.y * 100}%` }"
            >{{ i + 1 }}</span
          >
        </div>
        <figcaption class="mt-1 text-sm text-soft">
          {{ dayOf(p) }}, {{ p.widthPx }} × {{ p.heightPx }}, {{ size(p) }}
          <ol v-if="p !== open && p.marks.length" class="text-ink">
            <li v-for="(m, i) in p.marks" :key="m.id">{{ i + 1 }}. {{ m.text }}</li>
          </ol>
        </figcaption>
      </figure>
      <div class="space-y-3">
        <UiTextField
          :model-value="open.text"
          label="What it shows"
          test="photo-text"
          :longest="500"
          @update:model-value="setText(open, $event)"
        />
        <div>
          <p class="mb-1 font-semibold">Marks</p>
          <p class="mb-2 text-sm text-soft">Press on the photograph where something is to be seen.</p>
          <ol class="space-y-2">
            <li v-for="(m, i) in open.marks" :key="m.id" class="flex items-center gap-2">
              <span class="grid size-7 shrink-0 place-items-center rounded-full bg-note text-sm font-semibold text-white">{{ i + 1 }}</span>
              <input
                class="field"
                :value="m.text"
                maxlength="200"
                :aria-label="`Words of mark ${i + 1}`"
                data-test="mark-text"
                @change="setMark(open, m.id, valueOf($event))"
              />
              <button class="btn-quiet" aria-label="Take this mark away" @click="removeMark(open, m.id)"><X class="size-4" /></button>
            </li>
          </ol>
          <button class="btn mt-2 text-sm" data-test="mark-middle" @click="addMark(open, { x: 0.5, y: 0.5 })">A mark in the middle</button>
        </div>
        <UiChoice
          :model-value="besideId ?? ''"
          label="Beside it"
          test="photo-beside"
          :options="[
            { value: '', label: 'no other' },
            ...all.filter((p) => p.id !== open!.id).map((p) => ({ value: p.id, label: [dayOf(p), p.text].filter(Boolean).join(', ') })),
          ]"
          @update:model-value="besideId = $event || null"
        />
        <div class="flex flex-wrap gap-2">
          <button class="btn" @click="openId = null"><Columns2 class="size-4" />Back to all</button>
          <button class="btn" data-test="delete-photo" @click="remove(open)"><Trash2 class="size-4" />Delete</button>
        </div>
      </div>
    </section>
  </div>
</template>
