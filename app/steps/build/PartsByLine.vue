<script setup lang="ts">
import { countWords, kindSold } from './sold'
import { linesIn } from './describe'
import FoldGroup from '~/fields/FoldGroup.vue'
import LongList from '~/fields/LongList.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { cutWords, type LineParts } from '#core/build'

/** What each line and each thing takes: to lay it out on the bench before it is put together. */
const store = useSite()
const { phrase, show, system } = useUnits()
const lines = computed(() => linesIn(store.site!) ?? [])
const lineOf = ({ id }: LineParts) => id
function countOf({ count, unit }: LineParts['things'][number]): string {
  if (unit === 'each') return String(Math.ceil(count - 1e-9))
  if (kindSold(unit)) return countWords(count, unit, show, system.value)
  return unit === 'tin' || unit === 'roll'
    ? 'some'
    : countWords(Math.ceil(count * 10 - 1e-9) / 10, unit, show, system.value)
}
const summary = ({ things, pieces }: LineParts) => {
  const kinds = things.length === 1 ? 'one thing' : `${things.length} things`
  return pieces.length ? `${kinds}, ${pieces.length === 1 ? 'one piece' : `${pieces.length} pieces`} of pipe` : kinds
}
</script>

<template>
  <LongList v-slot="{ item: line }" :items="lines" :key-of="lineOf">
    <FoldGroup :id="`build-line-${line.id}`" :title="line.name" :summary="summary(line)" :open="line === lines[0]">
      <ul :data-line="line.id">
        <li v-for="piece in line.pieces" :key="piece.id">
          <b>{{ piece.label }}</b> {{ cutWords(piece.cutM, system) }}
          <span class="soft">{{ piece.ends[0].words }} → {{ piece.ends[1].words }}</span>
        </li>
        <li v-for="thing in line.things" :key="thing.id">
          <b class="figure">{{ countOf(thing) }}</b> {{ thing.what }} <span>{{ phrase(thing.size) }}</span>
        </li>
      </ul>
    </FoldGroup>
  </LongList>
</template>

<style scoped>
ul {
  list-style: none;
  padding: 0;
  margin: 0 0 6px;
  columns: 2 270px;
  column-gap: 24px;
}
li {
  padding: 2px 0;
  border-bottom: 1px dotted var(--hair);
  break-inside: avoid;
  line-height: 1.4;
}
</style>
