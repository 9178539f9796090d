<script setup lang="ts">
import { GitCompareArrows, RotateCcw, Shirt, Trash2 } from 'lucide-vue-next'
import { computed } from 'vue'
import { findKind, wordsWithAmount, type Change } from '~~/core/changes'
import { stopsSince, type Version } from '~~/core/fittings'
import { LONGEST_NAME, toName } from '~~/core/pattern'
import { showDay } from '~/days'
import { say, sayDone } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { useWardrobe } from '~/stores/wardrobe'
import { useWork } from '~/stores/work'
import { stationAt } from '~/stations'

/** One version: what lay on the cutting table. */
const props = defineProps<{ version: Version }>()
const emit = defineEmits<{ gone: []; compare: [] }>()
const log = useFittings()
const work = useWork()
const wardrobe = useWardrobe()
const router = useRouter()

const WHY = {
  'by-hand': 'Kept by hand',
  printed: 'Kept by itself when sheets were printed',
  exported: 'Kept by itself when a file was saved',
  'before-going-back': 'Kept by itself before an earlier version was taken up again',
} as const
const isNow = computed(() => log.current?.id === props.version.id)
const words = (c: Change) => {
  const own = findKind(c.kind as string)?.describe(work.project!.garment, c.inputs)
  return own ? wordsWithAmount(own) : c.kind
}
const stops = computed(() => [...props.version.mends, ...props.version.plan])
const since = computed(() => (log.now ? stopsSince(props.version, log.now) : null))
const sewnIn = computed(() => log.fittings.filter((f) => f.versionId === props.version.id))
const otherMends = computed(() => log.now !== null && JSON.stringify(log.now.mends) !== JSON.stringify(props.version.mends))

async function goBack() {
  if (await log.goBackTo(props.version))
    sayDone(`The plan is “${props.version.name}” again. What it was before is kept as a version.`, {
      label: 'Undo',
      run: () => void work.undo(),
    })
}
async function goOnAsOwn() {
  const id = await wardrobe.versionAsGarment(work.project!, props.version)
  if (!id) return
  sayDone(`“${props.version.name}” is a garment of its own now.`)
  await router.push(stationAt(id, null, 'reshape'))
}
async function remove() {
  if (!(await log.removeVersion(props.version))) return
  say(`Version “${props.version.name}” was deleted.`, { label: 'Undo', run: () => void work.undo() })
  emit('gone')
}
</script>

<template>
  <section class="h-full overflow-y-auto p-4" :aria-label="`Version ${version.name}`">
    <div class="mx-auto max-w-3xl space-y-4">
      <h1 class="font-display text-2xl italic" data-test="version-title">{{ version.name }}</h1>
      <p class="text-soft">
        {{ WHY[version.why] }}, {{ showDay(version.madeAt.slice(0, 10)) }}.
        <span v-if="isNow" class="font-semibold text-good">It is what the plan is now.</span>
      </p>
      <UiTextField
        :model-value="version.name"
        label="Name"
        test="version-name"
        :longest="LONGEST_NAME"
        @update:model-value="log.renameVersion(version, toName($event) || version.name)"
      />
      <p v-if="sewnIn.length">Looked at in the fitting of {{ sewnIn.map((f) => showDay(f.heldOn)).join(', ') }}.</p>
      <div>
        <h2 class="mb-1 font-semibold">Its stops</h2>
        <p v-if="stops.length === 0" class="text-soft">None: the pieces as bought.</p>
        <ol v-else class="list-decimal pl-6" data-test="version-stops">
          <li v-for="c in stops" :key="c.id" class="py-1" :class="!c.on && 'text-soft line-through'">
            <UiSentenceText :text="words(c)" /><span v-if="c.note" class="block text-sm text-soft">{{ c.note }}</span>
          </li>
        </ol>
      </div>
      <p v-if="since && !isNow" class="text-sm text-soft" data-test="version-since">
        Since then: {{ since.added.length }} new, {{ since.changed.length }} set otherwise, {{ since.gone.length }} gone.
      </p>
      <p v-if="otherMends" class="rounded-lg bg-ease-pale p-3 text-sm text-ease">
        The stops for everybody are others now. Going back leaves those as they are, since other wearers have them too; as a garment of its
        own it has those of then.
      </p>
      <div class="flex flex-wrap gap-2">
        <button class="btn-act" :disabled="isNow" data-test="go-back" @click="goBack"><RotateCcw class="size-4" />Go back to it</button>
        <button class="btn" data-test="compare-version" @click="emit('compare')">
          <GitCompareArrows class="size-4" />Lay it over the pieces of now
        </button>
        <button class="btn" data-test="version-as-garment" @click="goOnAsOwn"><Shirt class="size-4" />Go on as a garment of its own</button>
        <button class="btn" data-test="delete-version" @click="remove"><Trash2 class="size-4" />Delete</button>
      </div>
    </div>
  </section>
</template>
