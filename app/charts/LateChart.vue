<script setup lang="ts">
import { nextFrame } from '~/engine/nextTask'
import type { ChartData, ChartOptions, ChartType } from 'chart.js'
import { Chart } from 'vue-chartjs'

/**
 * A chart that comes once what stands around it is laid out, in a task of its own: it measures itself and its words,
 * which is slow while the page still changes.
 */
defineProps<{ type: ChartType; data: ChartData; options: ChartOptions }>()
const ready = ref(false)
onMounted(async () => {
  await nextFrame()
  ready.value = true
})
</script>

<template>
  <Chart v-if="ready" :type="type" :data="data" :options="options" />
</template>
