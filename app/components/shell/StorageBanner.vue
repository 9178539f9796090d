<script setup lang="ts">
import { CircleAlert, FileDown, RotateCw } from 'lucide-vue-next'
import { onMounted, onUnmounted, ref } from 'vue'
import { sayDone, sayFault } from '~/messages'
import { today } from '~/days'
import { backToBrowser, forgetUnstored, storage, type Unstored } from '~/data/storage'
import { useSaveFile } from '~/composables/useSaveFile'
import { useWardrobe } from '~/stores/wardrobe'

/** Says what is not stored, and what to do: shown over every screen as long as there is something. */
const wardrobe = useWardrobe()
const saveFile = useSaveFile()
const trying = ref(false)

async function saveAll() {
  saveFile(await wardrobe.backUp(), `tidal-seam-wardrobe-${today()}.zip`, 'application/zip')
}
async function tryAgain() {
  trying.value = true
  const done = await backToBrowser().finally(() => (trying.value = false))
  if (done.ok) sayDone('Stored in this browser again, with all that was done meanwhile.')
  else sayFault(`Not yet: ${done.problem.message}`)
}
const saveOne = (u: Unstored) => saveFile(u.content, 'tidal-seam-not-stored.json', 'application/json')

/** A page that holds what is nowhere else asks before it closes. */
function onLeave(event: BeforeUnloadEvent) {
  if (storage.pending > 0 || storage.where === 'page' || storage.unstored.length > 0) event.preventDefault()
}
onMounted(() => window.addEventListener('beforeunload', onLeave))
onUnmounted(() => window.removeEventListener('beforeunload', onLeave))
</script>

<template>
  <div
    v-if="storage.where === 'page' || storage.unstored.length > 0"
    class="border-b border-edge bg-fault-pale text-fault print:hidden"
    role="alert"
  >
    <div v-if="storage.where === 'page'" class="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-1.5" data-test="storage-page">
      <p class="flex min-w-0 flex-1 items-start gap-2">
        <CircleAlert class="mt-0.5 size-5 shrink-0" aria-hidden="true" />
        <span
          ><span class="font-semibold">What you do now is not stored:</span> {{ storage.why }} You can go on; all of it is kept on this page
          until it is closed.</span
        >
      </p>
      <button class="btn" data-test="storage-save" @click="saveAll"><FileDown class="size-4" />Save everything as a file</button>
      <button class="btn" data-test="storage-again" :disabled="trying" @click="tryAgain"><RotateCw class="size-4" />Try again</button>
    </div>
    <ul v-if="storage.unstored.length > 0" class="divide-y divide-edge" data-test="unstored">
      <li v-for="u in storage.unstored" :key="u.id" class="flex flex-wrap items-center gap-x-4 gap-y-1 px-4 py-1.5">
        <p class="flex min-w-0 flex-1 items-start gap-2">
          <CircleAlert class="mt-0.5 size-5 shrink-0" aria-hidden="true" />
          <span
            ><span class="font-semibold">Not stored: {{ u.label }}.</span> {{ u.sentence }}</span
          >
        </p>
        <button class="btn" data-test="unstored-save" @click="saveOne(u)"><FileDown class="size-4" />Save it as a file</button>
        <button class="btn" data-test="unstored-forget" @click="forgetUnstored(u.id)">Let it go</button>
      </li>
    </ul>
  </div>
</template>
