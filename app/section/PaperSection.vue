<script setup lang="ts">
import PaperLegend from '~/section/PaperLegend.vue'
import SectionFolds from '~/section/SectionFolds.vue'
import SectionGround from '~/section/SectionGround.vue'
import SectionStaff from '~/section/SectionStaff.vue'
import SectionThings from '~/section/SectionThings.vue'
import { seenOf, type Picture } from '#core/section'

/** The whole Section as it stands on paper, by day, with what its lines and marks mean below it. */
const props = defineProps<{ picture: Picture }>()
const drawing = computed(() => props.picture.drawing)
const lines = computed(() => drawing.value.routes.flatMap(route => seenOf(route, -Infinity, Infinity) ?? []))
const legend = useTemplateRef('legend')
const height = computed(() => drawing.value.heightPx + (legend.value?.heightPx ?? 0))
</script>

<template>
  <svg :width="drawing.widthPx" :height="height" xmlns="http://www.w3.org/2000/svg">
    <SectionGround :drawing="drawing" />
    <SectionThings :picture="picture" :lines="lines" :from-px="-Infinity" :to-px="Infinity" :storm="false" at-once />
    <SectionFolds :drawing="drawing" :shift-px="0" />
    <SectionStaff :drawing="drawing" :shift-px="0" />
    <PaperLegend ref="legend" :lines="lines" :top="drawing.heightPx" :width="drawing.widthPx" />
  </svg>
</template>
