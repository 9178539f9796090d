<script setup lang="ts">
import { Plus } from 'lucide-vue-next'
import { ref } from 'vue'
import { BODY_MEASURES } from '~~/core/body'
import type { Garment } from '~~/core/pattern'
import { newZone, type OwnZone } from '~~/core/measure'

/** A zone of one's own: what it is called, which body measure it is held against, and on which pieces it is measured. */
const props = defineProps<{ garment: Garment }>()
const emit = defineEmits<{ add: [zone: OwnZone] }>()
const open = ref(false)
const name = ref('')
const measureId = ref('')
const pieceIds = ref<string[]>([])

/** Where a new band lies below the upper corner of the side, mm, until it is dragged. */
const BEGIN_BELOW_MM = 100
/** Measures that go round the body or a limb. */
const ROUND = BODY_MEASURES.filter((m) => m.kind === 'round')

function add() {
  const zone = newZone(
    props.garment,
    `own-${crypto.randomUUID()}`,
    name.value.trim().slice(0, 60),
    measureId.value || null,
    pieceIds.value,
    BEGIN_BELOW_MM,
  )
  if (!zone || !name.value.trim()) return
  emit('add', zone)
  open.value = false
  name.value = ''
  measureId.value = ''
  pieceIds.value = []
}
</script>

<template>
  <div>
    <button v-if="!open" class="btn-quiet text-sm" data-test="new-zone" @click="open = true">
      <Plus class="size-4" />A zone of your own
    </button>
    <form v-else class="space-y-3 rounded-lg border border-edge bg-panel p-3" @submit.prevent="add">
      <div class="flex flex-wrap gap-3">
        <label
          ><span class="mb-1 block text-sm text-soft">Called</span>
          <input v-model="name" class="field w-44" maxlength="60" placeholder="under the bust" data-test="zone-name" required
        /></label>
        <label
          ><span class="mb-1 block text-sm text-soft">Held against the body’s</span>
          <select v-model="measureId" class="field w-48" data-test="zone-measure">
            <option value="">nothing: measured only</option>
            <option v-for="m in ROUND" :key="m.id" :value="m.id">{{ m.name }}</option>
          </select></label
        >
      </div>
      <fieldset>
        <legend class="text-sm text-soft">Measured on</legend>
        <div class="flex flex-wrap gap-x-4">
          <label v-for="p in garment.pieces" :key="p.id" class="flex min-h-11 items-center gap-2"
            ><input v-model="pieceIds" type="checkbox" class="size-5 accent-(--act)" :value="p.id" :data-test="`zone-piece-${p.id}`" />{{
              p.name
            }}</label
          >
        </div>
      </fieldset>
      <div class="flex gap-2">
        <button class="btn-act" :disabled="!name.trim() || pieceIds.length === 0" data-test="add-zone">Add, then drag its band</button>
        <button type="button" class="btn" @click="open = false">Cancel</button>
      </div>
    </form>
  </div>
</template>
