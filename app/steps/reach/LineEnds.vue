<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { nameOf, runName, type Run } from '#core/site'
import { moveOf } from '#core/moves'
import { portsOf } from '#core/kinds'

/** What may be done with a line as a whole: parted, left a tee for later, led elsewhere, or taken out. */
const props = defineProps<{ run: Run }>()
const store = useSite()
const { nodeId, runId, partId, pickRun } = useSelection()

const inPipe = computed(() => {
  const picked = props.run.parts.find(({ id }) => id === partId.value) ?? props.run.parts[0]
  return picked?.kind === 'pipe' ? `in the middle of its pipe` : picked ? 'before the part in hand' : ''
})
const split = (by: 'tee' | 'capped') => {
  const at = props.run.parts.some(({ id }) => id === partId.value) ? partId.value : props.run.parts[0]?.id
  store.make(moveOf('splitRun', { run: props.run.id, by, ...(at ? { at } : {}) }))
}

/** An end that waits to be led: to what is picked next, in the Section or anywhere. */
const leading = ref<'from' | 'to'>()
const WORDS = { from: 'beginning', to: 'end' } as const
const target = ref<string>()
const ports = computed(() => {
  const node = store.site!.nodes.find(({ id }) => id === target.value)
  if (!node || node.kind !== 'tank') return []
  return portsOf(node).map(({ name, role }) => ({ value: name, name: `${role} “${name}”` }))
})
function lead(args: { node?: string; port?: string; into?: string }): void {
  const end = leading.value!
  leading.value = target.value = undefined
  store.make(moveOf('leadEnd', { run: props.run.id, end, ...args }))
  pickRun(props.run.id)
}
watch([nodeId, runId], ([node, run]) => {
  if (!leading.value) return
  if (node !== undefined) {
    const found = store.site!.nodes.find(({ id }) => id === node)
    if (found?.kind === 'tank') target.value = node
    else lead({ node })
  } else if (run !== undefined && run !== props.run.id) lead({ into: run })
})
function begin(end: 'from' | 'to'): void {
  leading.value = leading.value === end ? undefined : end
  target.value = undefined
}
function takeOut(): void {
  const { id } = props.run
  pickRun(undefined)
  store.make(moveOf('remove', { id }))
}
</script>

<template>
  <div class="ends" data-notes="ends">
    <p>
      <button type="button" class="plain" @click="split('tee')">Part it by a tee</button>, or
      <button type="button" class="plain" @click="split('capped')">leave a capped tee for later</button>, {{ inPipe }} ·
      lead its
      <button
        v-for="end in ['from', 'to'] as const"
        :key="end"
        type="button"
        class="plain lead"
        :aria-pressed="leading === end"
        @click="begin(end)"
      >
        {{ WORDS[end] }}
      </button>
      elsewhere ·
      <button type="button" class="plain" @click="takeOut">Take “{{ runName(store.site!, run) }}” out</button>
    </p>
    <p v-if="leading" role="status" class="picking">
      <template v-if="target">
        To which hole of {{ nameOf(store.site!, target) }}?
        <ChoiceField
          label="Hole of the tank"
          value="none"
          :choices="[{ value: 'none', name: 'choose' }, ...ports]"
          :set="port => port !== 'none' && lead({ node: target, port })"
        />
      </template>
      <template v-else
        >Pick in the Section where its {{ WORDS[leading] }} goes: a tank, a joint, a tap, or another line.</template
      >
      <button type="button" class="plain" @click="begin(leading)">Leave it</button>
    </p>
  </div>
</template>

<style scoped>
.ends {
  border-top: 1px solid var(--hair);
  padding-top: 6px;
}
.lead {
  margin: 0 4px;
}
.lead[aria-pressed='true'] {
  text-decoration: underline;
}
.picking {
  border-left: 3px solid var(--oak);
  padding-left: 10px;
}
p {
  margin: 2px 0;
}
</style>
