<script setup lang="ts">
import { useFiles } from '~/stores/useFiles'
import type { Keeper } from '~/stores/keeper'

/** Why a site is not kept, where it is not: what stands where, and the ways out. */
const props = defineProps<{ keeper: Keeper }>()
const emit = defineEmits<{ letGo: [] }>()
const { exportSite } = useFiles()
const trouble = computed(() => props.keeper.trouble.value)
const failed = computed(() => props.keeper.saving.value === 'failed')
</script>

<template>
  <p v-if="trouble === 'elsewhere'" class="clash" role="alert">
    <b>Not saved:</b> another tab changed this site while you were working here. Nothing is saved from this tab until
    you choose.
    <button type="button" class="plain" @click="keeper.keepOurs()">Keep this tab’s</button>
    <button type="button" class="plain" @click="keeper.takeTheirs()">Take the other tab’s</button>
    <button type="button" class="plain" @click="exportSite(keeper)">Save this tab’s as a file</button>
  </p>
  <p v-else-if="trouble === 'gone'" class="clash" role="alert">
    <b>Not saved:</b> this site was taken out of the Yard in another tab. It is whole in this tab, with all its history.
    <button type="button" class="plain" @click="keeper.putBack()">Put it back</button>
    <button type="button" class="plain" @click="exportSite(keeper)">Save it as a file</button>
    <slot name="gone"><button type="button" class="plain" @click="emit('letGo')">Let it go</button></slot>
  </p>
  <p v-else-if="failed" class="clash" role="alert">
    <b>Not saved:</b>
    <template v-if="trouble === 'full'"> this browser has no room left on the disk.</template>
    <template v-else-if="trouble === 'unfit'">
      something of the last changes cannot be written down ({{ keeper.cause.value }}). Undo the last step, and tell who
      runs this page.
    </template>
    <template v-else> this browser refuses to write just now ({{ keeper.cause.value }}).</template>
    Your last changes are in this tab alone. It is tried again by itself; a file is safe at once.
    <button type="button" class="plain" @click="keeper.flush()">Try again now</button>
    <button type="button" class="plain" @click="exportSite(keeper)">Save it as a file</button>
  </p>
</template>
