<script setup lang="ts">
import { ref } from 'vue'
import type { FitRow } from '~~/core/formats'
import { LONGEST_NAME } from '~~/core/pattern'
import { sayFault } from '~/messages'
import { useLive } from '~/composables/useLive'
import { db } from '~/data/db'
import { fitTitle } from '~/fit-title'
import { useWardrobe } from '~/stores/wardrobe'
import { useWearers } from '~/stores/wearers'

/** Asks for whom another fit of a garment is, and whether it begins empty or as a copy of one that is there. */
const props = defineProps<{ garmentId: string; forWearer?: string }>()
const emit = defineEmits<{ close: []; begun: [fitId: string] }>()
const wardrobe = useWardrobe()
const wearers = useWearers()
const fits = useLive(() => db.fits.where('garmentId').equals(props.garmentId).toArray(), [] as FitRow[])
const wearerId = ref(props.forWearer ?? '')
const name = ref('')
/** The fit that is copied; empty for none. */
const from = ref('')

async function begin() {
  const garment = await db.garments.get(props.garmentId)
  if (!garment) return void sayFault('This garment was deleted in another tab. Close this, and look in the wardrobe.')
  const id = await wardrobe.beginFit(garment, wearerId.value || null, name.value, fits.value.find((f) => f.id === from.value) ?? null)
  if (id === null) return
  emit('begun', id)
  emit('close')
}
</script>

<template>
  <UiDialog title="Begin another fit" test="new-fit" @close="emit('close')">
    <p class="mt-1 text-soft">The pattern stays as it is; sizes, stops and notes of this fit are its own.</p>
    <form class="mt-4 space-y-4" @submit.prevent="begin">
      <label class="block">
        <span class="mb-1 block font-semibold">For whom</span>
        <select v-model="wearerId" class="field" data-test="new-fit-wearer">
          <option value="">nobody yet</option>
          <option v-for="w in wearers.all" :key="w.id" :value="w.id">{{ w.name }}</option>
        </select>
      </label>
      <label class="block">
        <span class="mb-1 block font-semibold">Name <span class="font-normal text-soft">(may stay empty)</span></span>
        <input
          v-model="name"
          class="field"
          :maxlength="LONGEST_NAME"
          placeholder="in the lighter cloth, for instance"
          data-test="new-fit-name"
        />
      </label>
      <fieldset>
        <legend class="mb-1 font-semibold">It begins</legend>
        <label class="flex min-h-11 items-center gap-2">
          <input v-model="from" type="radio" value="" class="size-5 accent-(--act)" data-test="new-fit-empty" />
          empty: the pieces as bought, and what mends them for everybody
        </label>
        <label v-for="f in fits" :key="f.id" class="flex min-h-11 items-center gap-2">
          <input v-model="from" type="radio" :value="f.id" class="size-5 accent-(--act)" data-test="new-fit-copy" />
          <span class="min-w-0 truncate"
            >as a copy of “{{ fitTitle(f, wearers.all) }}”, {{ f.plan.length }} {{ f.plan.length === 1 ? 'stop' : 'stops' }}</span
          >
        </label>
      </fieldset>
      <div class="flex justify-end gap-2">
        <button type="button" class="btn" data-test="new-fit-cancel" @click="emit('close')">Cancel</button>
        <button class="btn-act" data-test="new-fit-begin">Begin it</button>
      </div>
    </form>
  </UiDialog>
</template>
