<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { nameOf, portsByRole, runsFrom, tanksOf } from '#core/site'
import { moveOf } from '#core/moves'
import type { Pool } from '#core/balance'

/** Where each overflow of a group leads, and led elsewhere; and a second one at a height of its own. */
const props = defineProps<{ pool: Pool }>()
const store = useSite()
const { show } = useUnits()
const AWAY = 'away'
const overflows = computed(() =>
  props.pool.tanks.flatMap(tank =>
    portsByRole(tank, 'overflow').flatMap(port => {
      const [run] = runsFrom(store.site!, tank.id, port.name)
      return run ? [{ tank, port, to: run.to.node }] : []
    }),
  ),
)
type Overflow = (typeof overflows.value)[number]
function choices({ tank, to }: Overflow) {
  const others = [
    ...tanksOf(store.site!).filter(other => other.id !== tank.id),
    ...store.site!.nodes.filter(node => node.kind === 'outfall' && node.id !== to),
  ]
  return [
    { value: to, name: nameOf(store.site!, to) },
    ...others.filter(other => other.id !== to).map(({ id }) => ({ value: id, name: nameOf(store.site!, id) })),
    { value: AWAY, name: 'a swale of its own' },
  ]
}
const lead = ({ tank, port, to: now }: Overflow, to: string): void => {
  if (to !== now) store.make(moveOf('leadOverflow', { tank: tank.id, port: port.name, ...(to === AWAY ? {} : { to }) }))
}
</script>

<template>
  <p class="small">
    <template v-for="(each, at) in overflows" :key="`${each.tank.id} ${each.port.name}`"
      >{{ at ? '; ' : '' }}The overflow of {{ each.tank.name }} at {{ show(each.port.heightM, 'length') }} leads to
      <ChoiceField
        :label="`Where ${each.port.name} of ${each.tank.name} leads`"
        :value="each.to"
        :choices="choices(each)"
        :set="to => lead(each, to)" /></template
    ><template v-if="overflows.length">. </template>
    <button
      v-if="overflows.length"
      type="button"
      class="plain small"
      @click="store.make(moveOf('fitSecondOverflow', { tank: pool.spillsAt.tank.id }))"
    >
      Fit another overflow to {{ pool.spillsAt.tank.name }}
    </button>
  </p>
</template>
