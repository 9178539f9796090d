<script setup lang="ts">
import { computed, ref } from 'vue'
import { sayDone } from '~/messages'
import { useFittings } from '~/stores/fittings'
import { showDay, today } from '~/days'

/** The garment's log: its story along one line, a fitting, a version, or two states of the pieces over each other. */
const log = useFittings()
const route = useRoute()

type Shown = { what: 'fitting' | 'version' | 'compare'; id: string; about?: string | null }
const asked = typeof route.query.fitting === 'string' ? route.query.fitting : null
const chosen = ref<Shown | null>(
  asked ? { what: 'fitting', id: asked, about: typeof route.query.of === 'string' ? route.query.of : null } : null,
)
/** What is chosen, as long as it is there; at first the newest fitting. */
const shown = computed((): Shown | null => {
  const c = chosen.value
  if (c?.what === 'compare') return c
  if (c?.what === 'version' && log.versions.some((v) => v.id === c.id)) return c
  if (c?.what === 'fitting' && log.fittings.some((f) => f.id === c.id)) return c
  const newest = log.fittings[0]
  return newest ? { what: 'fitting', id: newest.id } : null
})
const fitting = computed(() => (shown.value?.what === 'fitting' ? log.fittings.find((f) => f.id === shown.value!.id) : undefined))
const version = computed(() => (shown.value?.what === 'version' ? log.versions.find((v) => v.id === shown.value!.id) : undefined))

async function begin() {
  const id = await log.begin()
  if (id) chosen.value = { what: 'fitting', id }
}
async function keep() {
  const id = await log.keepVersion(`Version of ${showDay(today())}`)
  if (!id) return
  chosen.value = { what: 'version', id }
  sayDone('Kept as a version: give it a name.')
}
</script>

<template>
  <div class="station md:grid-cols-[15rem_1fr] lg:grid-cols-[19rem_1fr]">
    <aside class="station-side print:hidden" aria-label="Story">
      <FittingsStoryLine
        :shown="shown"
        @begin="begin"
        @keep="keep"
        @compare="chosen = { what: 'compare', id: 'now' }"
        @fitting="(id, of) => (chosen = { what: 'fitting', id, about: of ?? null })"
        @version="(id) => (chosen = { what: 'version', id })"
      />
    </aside>
    <div class="station-main">
      <FittingsFittingSheet v-if="fitting" :key="fitting.id" :fitting="fitting" :about="shown?.about ?? null" @gone="chosen = null" />
      <FittingsVersionSheet
        v-else-if="version"
        :key="version.id"
        :version="version"
        @gone="chosen = null"
        @compare="chosen = { what: 'compare', id: `version ${version.id}` }"
      />
      <FittingsCompareSheet v-else-if="shown?.what === 'compare'" :first="shown.id === 'now' ? null : shown.id" />
      <div v-else class="grid h-full place-items-center p-6">
        <div class="max-w-lg text-center">
          <h1 class="font-display text-2xl italic">No fitting yet</h1>
          <p class="mt-2 text-soft">
            Sew a mock-up, put it on, and look from the top down. What was seen, pinned and decided is kept here, with photographs; so is
            every version that was cut.
          </p>
          <button class="btn-act mt-4" data-test="first-fitting" @click="begin">Begin a fitting</button>
        </div>
      </div>
    </div>
  </div>
</template>
