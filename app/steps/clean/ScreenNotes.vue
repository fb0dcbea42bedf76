<script setup lang="ts">
import HeadNotes from './HeadNotes.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { lineFrom } from '#core/site'
import { moveOf, setField } from '#core/moves'
import type { NodeOf } from '#core/kinds'
import { SCREEN_IDS, SCREENS, type ScreenId } from '#core/catalog'

/** What is put in the way of leaves and insects along a spout's line, and what is not yet. */
const props = defineProps<{ spout: NodeOf<'spout'> }>()
const store = useSite()
const { show } = useUnits()
const runs = computed(() => lineFrom(store.site!, props.spout.id))
const fitted = computed(() => runs.value.flatMap(run => run.parts.filter(part => part.kind === 'screen')))
const missing = computed(() =>
  runs.value.length ? SCREEN_IDS.filter(id => id !== 'line' && !fitted.value.some(part => part.type === id)) : [],
)
const head = computed(() => fitted.value.find(part => part.type === 'spout'))
const setMesh = (part: string) => (value: unknown) => store.make(setField('part', part, 'meshMm', value))
const out = (type: ScreenId) => store.make(moveOf('takeOutScreen', { spout: props.spout.id, type }))
</script>

<template>
  <div>
    <table v-if="fitted.length" class="compare screens">
      <thead>
        <tr>
          <th scope="col">On its way</th>
          <th scope="col">Mesh</th>
          <th scope="col">Keeps out</th>
          <th scope="col">Throws off</th>
          <th scope="col">Clean every</th>
          <th><span class="unseen">Take out</span></th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="part in fitted" :key="part.id">
          <td>{{ part.type ? SCREENS[part.type].name : 'a screen' }}</td>
          <td>
            <QuantityField label="Mesh of the screen" kind="bore" :value="part.meshMm" :set="setMesh(part.id)" />
          </td>
          <td>
            {{ part.type ? SCREENS[part.type].keepsOut : 'what is larger'
            }}<span class="soft">, not {{ part.type ? SCREENS[part.type].letsThrough : 'what is finer' }}</span>
          </td>
          <td>{{ part.type ? show(SCREENS[part.type].lossShare, 'share') : 'not known' }}</td>
          <td>{{ part.type ? `${SCREENS[part.type].cleanEveryDays} days` : 'not known' }}</td>
          <td><button v-if="part.type" type="button" class="plain small" @click="out(part.type)">Take out</button></td>
        </tr>
      </tbody>
    </table>
    <p v-else class="soft">Nothing is meshed on its way.</p>
    <HeadNotes v-if="head" :spout="spout" :head="head" />
    <div v-if="missing.length" class="moves">
      <button
        v-for="id in missing"
        :key="id"
        type="button"
        class="move"
        @click="store.make(moveOf('fitScreen', { spout: spout.id, type: id }))"
      >
        Fit {{ SCREENS[id].name }}
      </button>
    </div>
  </div>
</template>

<style scoped>
.screens {
  margin: 2px 0;
}
.screens td {
  vertical-align: top;
}
.screens td:last-child {
  white-space: nowrap;
}
@media (max-width: 700px) {
  .screens {
    display: block;
    overflow-x: auto;
  }
}
</style>
