<script setup lang="ts">
import { MARK_WORDS, markOf, type StepDefinition } from '~/steps/step'
import { STEPS } from '~/steps/steps'
import { useStepContext } from '~/steps/useStepContext'
import { useSite } from '~/stores/site'

const props = defineProps<{ step: StepDefinition }>()
const store = useSite()
const context = useStepContext()
const marks = computed(() => new Map(STEPS.map(step => [step.id, markOf(step, context.value)])))
</script>

<template>
  <nav class="path" aria-label="The Path: steps in working order">
    <NuxtLink to="/" prefetch-on="interaction" class="brand" aria-label="Tall Cask: to the Yard"
      >Tall<br />Cask</NuxtLink
    >
    <template v-for="entry in STEPS" :key="entry.id">
      <NuxtLink
        v-if="entry.sheet"
        :to="`/site/${store.site?.id}/${entry.id}`"
        :class="[marks.get(entry.id), { on: entry.id === props.step.id }]"
        :aria-current="entry.id === props.step.id ? 'step' : undefined"
        :title="MARK_WORDS[marks.get(entry.id)!]"
      >
        <i /><span
          >{{ entry.name }}<span class="unseen">, {{ MARK_WORDS[marks.get(entry.id)!] }}</span></span
        >
      </NuxtLink>
      <span v-else class="closed" title="Not yet open"
        ><i /><span>{{ entry.name }}<span class="unseen">, not yet open</span></span></span
      >
    </template>
  </nav>
</template>

<style scoped>
.path {
  position: relative;
  background: var(--sheet);
  border-right: 1px solid var(--hair);
  display: flex;
  flex-direction: column;
  padding: 10px 0;
  gap: 1px;
}
.brand {
  font: 700 15px/1.1 var(--heading);
  text-align: center;
  color: var(--ink);
  text-decoration: none;
  padding: 2px 0 12px;
  letter-spacing: -0.2px;
  display: block;
}
.path > :not(.brand) {
  display: grid;
  grid-template-columns: 20px 1fr;
  align-items: center;
  padding: 9px 4px 9px 11px;
  color: var(--soft);
  font-size: 14.5px;
  border-left: 3px solid transparent;
  text-decoration: none;
}
i {
  width: 10px;
  height: 10px;
  border-radius: 50%;
  border: 1.5px solid var(--soft);
  display: block;
}
.clear i {
  background: var(--moss);
  border-color: var(--moss);
}
/* A moment’s work does not flicker; what takes longer shows that it does. */
.working i {
  border-style: dotted;
  transition:
    background-color 0s 0.6s,
    border-color 0s 0.6s;
}
.look i {
  border-color: var(--straw);
  background: linear-gradient(90deg, var(--straw) 50%, transparent 50%);
}
.path > .on {
  color: var(--ink);
  font-weight: 650;
  border-left-color: var(--oak);
  background: var(--paper);
}
.path > a:hover {
  color: var(--oak);
}
.path > .closed i {
  border: 1.5px dashed var(--hair);
}
@media (max-width: 700px) {
  .path {
    flex-direction: row;
    overflow-x: auto;
    border-right: 0;
    border-bottom: 1px solid var(--hair);
    padding: 0 6px;
    align-items: stretch;
  }
  .brand {
    padding: 8px 10px 6px;
  }
  .path > :not(.brand) {
    border-left: 0;
    border-bottom: 3px solid transparent;
    padding: 12px 10px;
    grid-template-columns: 16px auto;
  }
  .path > .on {
    border-bottom-color: var(--oak);
  }
}
</style>
