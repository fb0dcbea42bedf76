<script setup lang="ts">
import QuantityField from './QuantityField.vue'
import { useSite } from '~/stores/site'
import { fieldRow } from '#core/units'
import { fieldOf, fieldWords, THINGS, type FoundThing, type Site, type ThingKind } from '#core/site'
import { setField } from '#core/moves'

/**
 * A figure of one thing, that can be typed over: what it is, its kind of quantity, its words, its limits and the move
 * that sets it all come from the field's own row and schema.
 */
const props = defineProps<{ of: ThingKind; id: string; name: string; label?: string; empty?: string }>()
const store = useSite()
const value = computed(() => {
  const thing = (THINGS[props.of] as (site: Site, id: string) => FoundThing | undefined)(store.site!, props.id)
  const at = thing && fieldOf(thing, props.name)
  const held = at?.ok ? at.holder?.[at.key] : undefined
  return typeof held === 'number' ? held : undefined
})
const row = computed(() => fieldRow(props.name.split('.').at(-1)!))
const words = computed(() => props.label ?? fieldWords(props.name).replace(/^./, first => first.toUpperCase()))
const set = (next: number) => store.make(setField(props.of, props.id, props.name, next))
</script>

<template>
  <QuantityField :label="words" :kind="row.kind" :value="value" :set="set" :empty="empty" />
</template>
