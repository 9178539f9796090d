<script setup lang="ts">
/** Something that is so or not so, with its words beside it. */
defineProps<{ test: string }>()
const model = defineModel<boolean>({ required: true })
</script>

<template>
  <label class="flex min-h-11 items-center gap-2.5">
    <input v-model="model" type="checkbox" class="size-5 shrink-0 accent-(--act)" :data-test="test" />
    <span class="min-w-0 flex-1"><slot /></span>
  </label>
</template>
