<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import ThingField from '~/fields/ThingField.vue'
import { useSite } from '~/stores/site'
import { nameOf, runsFrom, tanksOf } from '#core/site'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'

/** Where a well or a main stands, what it is, and where it leads: to tanks that it tops up, straight to uses. */
const props = defineProps<{ node: NodeOf<'well'> | NodeOf<'main'> }>()
const store = useSite()
const lines = computed(() =>
  runsFrom(store.site!, props.node.id).map(run => ({ run, end: run.to.node, name: nameOf(store.site!, run.to.node) })),
)
const led = (id: string) => lines.value.some(line => line.end === id)
/** What it can be led to besides: tanks, and uses by their tap. */
const more = computed(() => [
  ...tanksOf(store.site!)
    .filter(tank => !led(tank.id))
    .map(tank => ({ value: tank.id, name: tank.name })),
  ...store.site!.uses.filter(use => !led(use.at)).map(use => ({ value: use.id, name: use.name })),
])
const chosen = ref('')
const next = computed(() => more.value.find(({ value }) => value === chosen.value)?.value ?? more.value[0]?.value)
function lead(to: string): void {
  const use = store.site!.uses.some(({ id }) => id === to)
  store.make(
    use
      ? moveOf('supplyFrom', { use: to, source: props.node.id })
      : moveOf('topUpFrom', { source: props.node.id, tank: to }),
  )
}
</script>

<template>
  <p class="small">
    <template v-if="node.kind === 'well'">
      It is <ThingField :id="node.id" of="node" name="depthM" label="Depth of the well" /> deep, its water stands
      <ThingField :id="node.id" of="node" name="stillWaterDepthM" label="Depth to the water" /> below its head, and its
      head lies
    </template>
    <template v-else>
      It comes in with <ThingField :id="node.id" of="node" name="pressureKPa" label="Pressure of the main" />, from
      <ThingField :id="node.id" of="node" name="baseM" label="Height of the main" />, under ground that lies
    </template>
    at <ThingField :id="node.id" of="node" name="groundM" label="Ground at the source" />.
    <template v-for="(line, at) in lines" :key="line.run.id"
      >{{ at ? ', ' : ' It leads to ' }}{{ line.name }} (<button
        type="button"
        class="plain small"
        :aria-label="`Take out the line from ${node.name} to ${line.name}`"
        @click="store.make(moveOf('remove', { id: line.run.id }))"
      >
        not any more</button
      >)</template
    ><template v-if="lines.length">. </template>
    <template v-if="next">
      <button type="button" class="plain small" @click="lead(next)">Lead it to</button>
      {{ ' '
      }}<ChoiceField
        :label="`Where else ${node.name} leads`"
        :value="next"
        :choices="more"
        :set="to => (chosen = to)"
      />{{ lines.length ? ' too.' : '.' }}
    </template>
  </p>
</template>
