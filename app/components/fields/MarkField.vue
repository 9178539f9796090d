<script setup lang="ts">
import { valueOf } from '~/typed'
/** A corner, a notch or a place along an edge, with how far along it. */
defineProps<{ markId: string; atMm: number; label: string; marks: { id: string; name: string }[]; test: string }>()
const emit = defineEmits<{ set: [markId: string, atMm: number] }>()
</script>

<template>
  <div>
    <label class="block"
      ><span class="text-sm text-soft">{{ label }}</span>
      <select class="field" :value="markId" :data-test="test" @change="emit('set', valueOf($event), atMm)">
        <option v-for="c in marks" :key="c.id" :value="c.id">{{ c.name }}</option>
      </select></label
    >
    <FieldsLengthField
      v-if="markId.startsWith('edge:')"
      :model-value="atMm"
      label="along it, from its start"
      :test="`${test}-mm`"
      positive
      @update:model-value="emit('set', markId, $event)"
    />
  </div>
</template>
