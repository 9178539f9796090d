<script setup lang="ts">
import { computed } from 'vue'
import UiChoice from '~/components/ui/Choice.vue'
import type { Drawing } from '~~/core/formats'
import { LAYER_ROLES, layersOf, type Layer, type LayerRole } from '~~/core/import'
import { useTray } from '~/stores/tray'

/** What the layers of a file hold: those that nobody knows are asked about, and what is said is kept for files alike. */
const props = defineProps<{ drawing: Drawing }>()
const emit = defineEmits<{ show: [name: string | null] }>()
const tray = useTray()

const layers = computed(() => layersOf(props.drawing))
const asked = computed(() => layers.value.filter((l) => l.isApart))
const others = computed(() => layers.value.filter((l) => !l.isApart))
const saidOf = (name: string): LayerRole | undefined => tray.state.layers?.[name]

const WORDS: Record<LayerRole, string> = {
  'cut line': 'cut lines',
  'seam line': 'seam lines',
  grain: 'grainlines',
  notch: 'notches',
  'fold line': 'fold lines',
  'drill hole': 'drill holes',
  'inner line': 'lines inside the pieces',
  nothing: 'nothing of a pattern: left out',
}
const ROLES = LAYER_ROLES.map((value) => ({ value, label: WORDS[value] }))
const AS_IT_IS = 'as-it-is'
const linesOf = ({ lines }: Layer) => `${lines} ${lines === 1 ? 'line' : 'lines'}`
const byItself = ({ isApart, readAs }: Layer) => (isApart ? 'left out, as nobody says' : readAs ? WORDS[readAs] : 'told by how each looks')
const groups = computed(() => [
  { title: 'Layers that the standard does not know', list: asked.value, isOpen: true },
  { title: 'Layers of the file', list: others.value, isOpen: others.value.some((l) => saidOf(l.name)) },
])
</script>

<template>
  <div v-if="layers.length > 0" class="space-y-3" data-test="layers">
    <template v-for="g in groups" :key="g.title">
      <details v-if="g.list.length > 0" :open="g.isOpen" :class="['rounded-lg p-3', g.list === asked ? 'bg-note-pale' : 'bg-water']">
        <summary class="cursor-pointer font-semibold">{{ g.title }} ({{ g.list.length }})</summary>
        <p class="mt-1 text-sm text-soft">
          What you say of a layer is kept for other files that have one of its name; “Layer 1” and the like are asked about anew.
        </p>
        <ul class="mt-2 space-y-2">
          <li
            v-for="l in g.list"
            :key="l.name"
            @pointerenter="emit('show', l.name)"
            @pointerleave="emit('show', null)"
            @focusin="emit('show', l.name)"
            @focusout="emit('show', null)"
          >
            <UiChoice
              :model-value="saidOf(l.name) ?? AS_IT_IS"
              :options="[{ value: AS_IT_IS, label: byItself(l) }, ...ROLES]"
              :label="`${l.name}, ${linesOf(l)}`"
              :test="`layer-${l.name}`"
              class="text-sm [overflow-wrap:anywhere]"
              @update:model-value="tray.sayLayer(l.name, $event === AS_IT_IS ? null : $event)"
            />
          </li>
        </ul>
      </details>
    </template>
  </div>
</template>
