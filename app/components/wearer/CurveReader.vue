<script setup lang="ts">
import { ref } from 'vue'

/** The simulated curve reader: a made body is bent by hand, and each reading of it wavers a little. */
const emit = defineEmits<{ read: [text: string] }>()

const BENDS = [
  { key: 'frontDrop', label: 'Waist to inseam, down', min: 150, max: 400 },
  { key: 'backRise', label: 'Back waist above the front', min: 0, max: 120 },
  { key: 'depth', label: 'Front to back', min: 120, max: 320 },
  { key: 'seat', label: 'Fullness of the seat', min: 0, max: 80 },
  { key: 'waver', label: 'Unsteadiness of the hand', min: 0, max: 10 },
] as const
const bend = ref<Record<(typeof BENDS)[number]['key'], number>>({ frontDrop: 270, backRise: 35, depth: 200, seat: 30, waver: 2 })
const problem = ref('')
const reading = ref(false)
/** Every reading is another one of the same body. */
let seed = Math.floor(Math.random() * 1000)

async function read() {
  reading.value = true
  problem.value = ''
  try {
    const query = new URLSearchParams({
      ...Object.fromEntries(Object.entries(bend.value).map(([k, v]) => [k, String(v)])),
      seed: String(seed++),
    })
    const answer = await fetch(`/api/curve-reader?${query}`)
    if (!answer.ok) throw new Error('refused')
    emit('read', await answer.text())
  } catch {
    problem.value = 'The curve reader does not answer: the application is open without its server. Type the points instead.'
  } finally {
    reading.value = false
  }
}
</script>

<template>
  <div class="mt-2 space-y-2 rounded-lg bg-water p-3" data-test="curve-reader">
    <p class="text-sm">A stand-in for a reader that is held to the body: bend it, then read.</p>
    <label v-for="b in BENDS" :key="b.key" class="block text-sm">
      <span class="flex justify-between"
        ><span>{{ b.label }}</span
        ><span>{{ bend[b.key] }} mm</span></span
      >
      <input
        v-model.number="bend[b.key]"
        type="range"
        class="h-11 w-full accent-(--act)"
        :min="b.min"
        :max="b.max"
        :data-test="`bend-${b.key}`"
      />
    </label>
    <button class="btn btn-act" :disabled="reading" data-test="curve-take" @click="read">Read the curve</button>
    <p v-if="problem" role="alert" class="text-sm text-fault">{{ problem }}</p>
  </div>
</template>
