<script setup lang="ts">
import PoolNotes from './PoolNotes.vue'
import type { Subject } from '~/steps/step'
import { useSite } from '~/stores/site'
import { poolsOf } from '#core/balance'

/** Subjects of the whole site are loaded when they are first asked about. */
const AddTank = defineAsyncComponent(() => import('./AddTank.vue'))
const DrySpell = defineAsyncComponent(() => import('./DrySpell.vue'))
const ManyYears = defineAsyncComponent(() => import('./ManyYears.vue'))
const OptionsTable = defineAsyncComponent(() => import('./OptionsTable.vue'))
const OutageNotes = defineAsyncComponent(() => import('./OutageNotes.vue'))
const OutsideNotes = defineAsyncComponent(() => import('./OutsideNotes.vue'))

/** What the water is kept in: one group of tanks at a time, and what is asked of all of them together. */
const props = defineProps<{ subject: Subject | undefined }>()
const store = useSite()
const pool = computed(() => poolsOf(store.site!).find(each => each.id === props.subject?.id))
</script>

<template>
  <PoolNotes v-if="pool" :key="pool.id" :pool="pool" :subject="subject!" />
  <OutsideNotes v-else-if="subject?.id === 'outside'" />
  <OutageNotes v-else-if="subject?.id === 'outages'" />
  <DrySpell v-else-if="subject?.id === 'spell'" />
  <ManyYears v-else-if="subject?.id === 'many'" />
  <OptionsTable v-else-if="subject?.id === 'ways'" />
  <AddTank v-else />
</template>
