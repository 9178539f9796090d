<script setup lang="ts">
import { FileDown, Layers } from 'lucide-vue-next'
import { computed, ref, shallowRef, watch } from 'vue'
import type { SharedCut } from '~~/core/many'
import type { Sheet } from '~~/core/paper'
import { useSaveFile } from '~/composables/useSaveFile'
import { sayDone, sayFault } from '~/messages'
import { useMany, type ManyFit } from '~/stores/many'
import { takeWithin } from '~/within'

/** Who can be cut by the same pieces, and everybody’s lines on one sheet. */
const props = defineProps<{ fits: readonly ManyFit[] }>()
const many = useMany()
const saveFile = useSaveFile()
const done = computed(() => props.fits.filter(many.isDone))
const garments = computed(() => [...new Map(done.value.map((m) => [m.row.id, m.row])).values()])
const chosenId = ref('')
const garmentId = computed({
  get: () => (garments.value.some((g) => g.id === chosenId.value) ? chosenId.value : (garments.value[0]?.id ?? '')),
  set: (id) => (chosenId.value = id),
})
const own = computed(() => done.value.filter((m) => m.row.id === garmentId.value))
/** Who is in the nest. */
const without = ref<string[]>([])
const nested = computed(() => own.value.filter((m) => !without.value.includes(m.id)))
const TOLERANCE_MM = { least: 0.5, usual: 6, most: 100 }
const withinMm = ref(TOLERANCE_MM.usual)
const setWithin = (mm: number) => takeWithin(mm, { ...TOLERANCE_MM, what: 'How far pieces may be apart' }, (to) => (withinMm.value = to))

const shared = shallowRef<{ fits: ManyFit[]; cuts: SharedCut[]; isFewest: boolean } | null>(null)
const picture = shallowRef<{ sheet: Sheet; full: string; pages: number } | null>(null)
watch([() => own.value.map((m) => `${m.id} ${m.done!.madeAt}`).join(), withinMm], () => (shared.value = null))
watch([() => nested.value.map((m) => `${m.id} ${m.done!.madeAt}`).join()], () => (picture.value = null))

async function share() {
  const fits = [...own.value]
  const answer = await many.share(fits, withinMm.value)
  if (typeof answer === 'string') sayFault(`The pieces could not be compared: ${answer}`)
  else if (answer) shared.value = { fits, ...answer }
}
async function nest() {
  const answer = await many.nest(nested.value)
  if (typeof answer === 'string') sayFault(`The nest could not be drawn: ${answer}`)
  else if (answer) picture.value = answer
}
async function save(kind: 'pdf' | 'svg') {
  const answer = await many.nestFiles(nested.value)
  if (answer === null) return
  if (typeof answer === 'string') return sayFault(`The nest could not be written: ${answer}`)
  const name = `nest.${kind}`
  saveFile(answer[kind], name, kind === 'pdf' ? 'application/pdf' : 'image/svg+xml')
  sayDone(`${name}: ${nested.value.length} people on one sheet.`)
}
const nameOf = (i: number) => shared.value!.fits[i]!.wearer.name
</script>

<template>
  <div class="space-y-6" data-test="many-share">
    <p v-if="own.length < 2" class="text-soft">
      Two or more fits of one garment have to be worked out first: choose several wearers, and start.
    </p>
    <template v-else>
      <div class="flex flex-wrap items-end gap-4">
        <UiChoice
          v-if="garments.length > 1"
          v-model="garmentId"
          :options="garments.map((g) => ({ value: g.id, label: g.name }))"
          label="Garment"
          test="share-garment"
          class="w-64"
        />
        <FieldsLengthField
          :model-value="withinMm"
          label="Pieces may be apart by"
          test="share-within"
          positive
          @update:model-value="setWithin"
        />
        <button class="btn-act" :disabled="many.progress !== null" data-test="share-go" @click="share">
          <Layers class="size-5" />Who can share a cut
        </button>
      </div>
      <section v-if="shared" aria-live="polite" data-test="shared-cuts">
        <h2 class="font-display text-xl italic">
          {{ shared.cuts.length }} {{ shared.cuts.length === 1 ? 'pattern' : 'patterns' }} for {{ shared.fits.length }} people
        </h2>
        <p class="text-sm text-soft">
          Outlines of every piece, laid where they are nearest, are nowhere further apart than <UiLengthText :mm="withinMm" />.
          {{ shared.isFewest ? 'Fewer patterns do not do.' : 'Fewer might do: there were too many ways to try them all.' }}
        </p>
        <p v-if="shared.cuts.length === shared.fits.length" class="mt-1 text-sm">
          Nobody can share one. Let pieces be further apart, or draw everybody’s lines on one sheet below.
        </p>
        <ul class="mt-2 grid gap-3 md:grid-cols-2">
          <li v-for="c in shared.cuts" :key="c.pattern" class="panel p-3" data-test="shared-cut">
            <p class="font-semibold">{{ c.members.length === 1 ? `Only ${nameOf(c.pattern)}` : `Cut by ${nameOf(c.pattern)}` }}</p>
            <ul v-if="c.members.length > 1" class="text-sm">
              <li v-for="m in c.members.filter((x) => x.fit !== c.pattern)" :key="m.fit">
                also {{ nameOf(m.fit) }}<span class="text-soft">, <UiLengthText :mm="m.offMm" /> apart at most</span>
              </li>
            </ul>
          </li>
        </ul>
      </section>
      <section>
        <h2 class="font-display text-xl italic">All on one sheet</h2>
        <p class="text-sm text-soft">Everybody’s lines on each piece, laid where they are nearest: each is cut out along their own.</p>
        <div class="mt-1 flex flex-wrap gap-x-5">
          <UiCheck
            v-for="m in own"
            :key="m.id"
            :model-value="!without.includes(m.id)"
            :test="`nest-${m.wearer.name}`"
            @update:model-value="without = $event ? without.filter((x) => x !== m.id) : [...without, m.id]"
            >{{ m.wearer.name }}</UiCheck
          >
        </div>
        <div class="mt-2 flex flex-wrap gap-2">
          <button class="btn" :disabled="nested.length < 2 || many.progress !== null" data-test="nest-go" @click="nest">
            <Layers class="size-5" />Draw them
          </button>
          <button class="btn" :disabled="nested.length < 2 || many.progress !== null" data-test="nest-pdf" @click="save('pdf')">
            <FileDown class="size-5" />PDF
          </button>
          <button class="btn" :disabled="nested.length < 2 || many.progress !== null" data-test="nest-svg" @click="save('svg')">
            <FileDown class="size-5" />SVG
          </button>
        </div>
        <template v-if="picture">
          <p class="mt-2 text-sm">{{ picture.pages }} pages. The full line is {{ picture.full }}’s.</p>
          <ManyNestPicture class="mt-2" :sheet="picture.sheet" :full="picture.full" />
        </template>
      </section>
    </template>
  </div>
</template>
