<script setup lang="ts">
import { countWords, kindSold, pricedBy } from './sold'
import { usePriceBook } from './usePriceBook'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { listed } from '#core/words'
import { graphOf, nameOf, runName } from '#core/site'
import { moveOf } from '#core/moves'
import { forIdsOf, type ToBuy } from '#core/build'

/** A thing of the list: ticked in the aisle; its own price and what is there already once it is asked for. */
const props = defineProps<{ item: ToBuy; bought: boolean }>()
const store = useSite()
const { phrase, money, show, system } = useUnits()
const { note } = usePriceBook()
/** There are many things, and few of them are asked more about. */
const asked = ref(false)
const forWords = computed(() => {
  const forIds = forIdsOf(props.item)
  const names = forIds.slice(0, 3).map(id => {
    const run = graphOf(store.site!).run(id)
    return run ? `“${runName(store.site!, run)}”` : nameOf(store.site!, id)
  })
  return listed(names) + (forIds.length > 3 ? ` and ${forIds.length - 3} more` : '')
})
const counted = computed(() => countWords(props.item.toBuy, props.item.unit, show, system.value))
/** What is typed is for a foot where feet are spoken; the list keeps prices for its own units. */
const per = computed(() => pricedBy(props.item.unit, system.value))
const shownPrice = computed(() => props.item.price && Math.round(props.item.price * per.value.amount * 1000) / 1000)
function price(typed: number): string | undefined {
  const { id } = props.item
  const value = typed / per.value.amount
  const problem = store.make(moveOf('notePrice', { of: id, price: value }))
  // What is paid here is kept for the next site too.
  if (!problem) note([[id, value]])
  return problem
}
</script>

<template>
  <li :data-item="item.id" :class="{ bought: bought || !item.toBuy }">
    <button
      type="button"
      class="tick"
      role="checkbox"
      :aria-checked="bought"
      :aria-label="`${item.what} ${phrase(item.size)}`"
      @click="store.make(moveOf('tickBought', { item: item.id }))"
    >
      {{ bought ? '☑' : '☐' }}
    </button>
    <div class="what">
      <b class="figure">{{ counted }}</b> {{ item.what }}
      <span>{{ phrase(item.size) }}</span>
      <details class="small unprinted" @toggle="asked = true">
        <summary>{{ item.cost === undefined ? 'no price' : money(item.cost) }}</summary>
        <template v-if="asked">
          <QuantityField
            :label="`Price of ${item.what} ${phrase(item.size)}`"
            kind="count"
            :value="shownPrice"
            empty="not said"
            :set="price"
          />
          {{ store.site!.standards.currency }} {{ per.words }}{{ item.noted ? '' : ', a guess' }}; own
          <QuantityField
            :label="`Own stock of ${item.what} ${phrase(item.size)}`"
            :kind="kindSold(item.unit) ?? 'count'"
            :value="item.owned || undefined"
            empty="none"
            :set="value => store.make(moveOf('own', { item: item.id, count: value }))"
          />. For {{ forWords }}.
        </template>
      </details>
    </div>
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 28px minmax(0, 1fr);
  padding: 3px 0;
  border-bottom: 1px dotted var(--hair);
  break-inside: avoid;
  line-height: 1.4;
}
.bought .what {
  color: var(--soft);
  text-decoration: line-through;
}
.tick {
  background: none;
  border: 0;
  padding: 0;
  color: var(--oak);
  font-size: 19px;
  line-height: 1.1;
  cursor: pointer;
  align-self: start;
  min-height: 26px;
}
details {
  display: inline;
  margin-left: 6px;
}
summary {
  display: inline;
  color: var(--oak);
  cursor: pointer;
}
@media (max-width: 700px) {
  .tick {
    font-size: 26px;
    min-height: 40px;
  }
  li {
    grid-template-columns: 42px minmax(0, 1fr);
  }
}
</style>
