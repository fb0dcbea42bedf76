<script setup lang="ts">
/** A press that asks for files; the same file can be chosen again. */
defineProps<{ accept: string; multiple?: boolean }>()
const emit = defineEmits<{ files: [files: File[]] }>()
function take({ target }: Event): void {
  const input = target as HTMLInputElement
  emit('files', [...(input.files ?? [])])
  input.value = ''
}
</script>

<template>
  <label class="move pick"
    ><slot /><input class="unseen" type="file" :accept="accept" :multiple="multiple" @change="take"
  /></label>
</template>
