<script setup lang="ts">
import SourceNotes from './SourceNotes.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import MonthsField from '~/fields/MonthsField.vue'
import NameField from '~/fields/NameField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useResults } from '~/stores/results'
import { useSite } from '~/stores/site'
import { listed } from '#core/words'
import { parseQuantity } from '#core/units'
import { runsFrom, tanksOf, nameOf } from '#core/site'
import { outsideCost } from '#core/options'
import { moveOf, setField } from '#core/moves'
import type { YearFigures } from '#core/balance'

/** Water from outside: wells and mains by their rules, carts by the load; what they bring and cost. */
const store = useSite()
const results = useResults()
const { litres, money } = useUnits()
const site = computed(() => store.site!)
const tanks = computed(() => tanksOf(site.value))
const sources = computed(() =>
  site.value.nodes.flatMap(node =>
    node.kind === 'well' || node.kind === 'main'
      ? [
          {
            node,
            tops: runsFrom(site.value, node.id)
              .filter(run => tanks.value.some(tank => tank.id === run.to.node))
              .map(run => nameOf(site.value, run.to.node)),
          },
        ]
      : [],
  ),
)
const carted = computed(() => tanks.value.filter(tank => tank.carted))
const chosen = ref('')
const target = computed(() => tanks.value.find(tank => tank.id === chosen.value)?.id ?? tanks.value[0]?.id)
const set = (id: string, field: string) => (value: unknown) => store.make(setField('node', id, field, value))
const WAYS = [
  { value: 'float' as const, name: 'trickles through a float valve' },
  { value: 'batch' as const, name: 'comes in batches' },
]
const wayOf = (rule: { startShare: number; stopShare: number }) =>
  rule.startShare >= rule.stopShare ? ('float' as const) : ('batch' as const)
const setWay = (id: string, rule: { startShare: number }) => (way: 'float' | 'batch') =>
  set(id, 'rule.stopShare')(way === 'float' ? rule.startShare : Math.min(1, rule.startShare + 0.3))
/** A trickle keeps one level: its trigger and its stop are the same. */
function setStart(id: string, rule: { startShare: number; stopShare: number }) {
  return (share: number) =>
    wayOf(rule) === 'float'
      ? store.makeAll(
          [setField('node', id, 'rule.startShare', share), setField('node', id, 'rule.stopShare', share)],
          'Set the level of the float valve',
        )
      : set(id, 'rule.startShare')(share)
}
/** Water is priced by a thousand of what it is measured in. */
const thousandL = computed(() => {
  const one = parseQuantity('1000', 'volume', store.system)
  return one.ok ? one.value : 1000
})
const mean = computed(() => {
  const years = results.outlook?.years
  if (!years?.length) return undefined
  const of = (figure: (year: YearFigures) => number) =>
    years.reduce((sum, year) => sum + figure(year), 0) / years.length
  return {
    wellL: of(year => year.wellL),
    mainL: of(year => year.mainL),
    cartL: of(year => year.cartL),
    loads: of(year => year.loads),
    cost: of(year => outsideCost(site.value, year)),
  }
})
/** What each brings, a clause with its verb. */
const brought = computed(() => {
  if (!mean.value) return []
  const { wellL, mainL, loads, cartL } = mean.value
  return [
    ...(wellL >= 1 ? [`wells bring ${litres(wellL)}`] : []),
    ...(mainL >= 1 ? [`the main brings ${litres(mainL)}`] : []),
    ...(cartL >= 1 ? [`carts bring ${loads.toFixed(1)} loads, ${litres(cartL)} in all`] : []),
  ]
})
</script>

<template>
  <section class="outside">
    <h2>Water from outside</h2>
    <div v-for="{ node, tops } in sources" :key="node.id" class="source" :data-source="node.id">
      <p>
        <b><NameField :value="node.name" label="Name of the source" :set="set(node.id, 'name')" /></b>, a {{ node.kind
        }}<template v-if="node.kind === 'well'">
          that yields
          <QuantityField
            label="Yield of the well"
            kind="dailyVolume"
            :value="node.yieldLPerDay"
            :set="set(node.id, 'yieldLPerDay')" /></template
        ><template v-if="tops.length"
          >, tops {{ listed(tops) }} up: it
          <ChoiceField
            label="How it tops up"
            :value="wayOf(node.rule)"
            :choices="WAYS"
            :set="setWay(node.id, node.rule)"
          />
          <template v-if="wayOf(node.rule) === 'float'">
            that keeps
            <QuantityField
              label="Level kept"
              kind="share"
              :value="node.rule.startShare"
              :set="setStart(node.id, node.rule)"
            />
            of what the tank holds</template
          >
          <template v-else
            >, from
            <QuantityField
              label="Trigger"
              kind="share"
              :value="node.rule.startShare"
              :set="setStart(node.id, node.rule)"
            />
            up to
            <QuantityField
              label="Stop"
              kind="share"
              :value="node.rule.stopShare"
              :set="set(node.id, 'rule.stopShare')"
            />
            of what the tank holds</template
          ></template
        >,
        <QuantityField
          label="Most it brings a day"
          kind="dailyVolume"
          empty="as much as it gives"
          :value="node.rule.mostLPerDay"
          :set="set(node.id, 'rule.mostLPerDay')"
        />
        a day at most, in
        <MonthsField :value="node.rule.months" :label="`Months of ${node.name}`" :set="set(node.id, 'rule.months')" />,
        at
        <QuantityField
          label="Price of a thousand"
          kind="count"
          empty="no price said"
          :value="node.pricePerM3 === undefined ? undefined : Number(((node.pricePerM3 * thousandL) / 1000).toFixed(4))"
          :set="price => set(node.id, 'pricePerM3')((price / thousandL) * 1000)"
        />
        {{ site.standards.currency }} for {{ litres(thousandL) }}.
        <button type="button" class="plain small" @click="store.make(moveOf('remove', { id: node.id }))">
          Take {{ node.name }} out
        </button>
      </p>
      <SourceNotes :node="node" />
    </div>
    <p v-for="tank in carted" :key="tank.id">
      Water is carted to {{ tank.name }} in loads of
      <QuantityField
        label="Litres a load"
        kind="volume"
        :value="tank.carted!.loadL"
        :set="set(tank.id, 'carted.loadL')"
      />
      once it stands below
      <QuantityField
        label="Carted below"
        kind="share"
        :value="tank.carted!.startShare"
        :set="set(tank.id, 'carted.startShare')"
      />, at
      <QuantityField
        label="Price of a load"
        kind="count"
        empty="no price said"
        :value="tank.carted!.pricePerLoad"
        :set="set(tank.id, 'carted.pricePerLoad')"
      />
      {{ site.standards.currency }} a load.
      <button type="button" class="plain small" @click="set(tank.id, 'carted')(undefined)">No cart any more</button>
    </p>
    <p v-if="mean && (sources.length || carted.length)">
      In a mean year {{ brought.length ? listed(brought) : 'nothing is brought'
      }}<template v-if="brought.length && mean.cost > 0"
        >, for <b class="figure">{{ money(mean.cost) }}</b></template
      ><span v-else-if="brought.length" class="soft">, at no price anybody has said</span>.
    </p>
    <p v-if="!sources.length && !carted.length" class="soft">Nothing comes from outside.</p>
    <div class="moves">
      <template v-if="target">
        <span
          >Top
          <ChoiceField
            label="Tank to top up"
            :value="target"
            :choices="tanks.map(tank => ({ value: tank.id, name: tank.name }))"
            :set="id => (chosen = id)"
          />
          up</span
        >
        <button type="button" class="move" @click="store.make(moveOf('addSource', { kind: 'main', tank: target }))">
          from a main
        </button>
        <button type="button" class="move" @click="store.make(moveOf('addSource', { kind: 'well', tank: target }))">
          from a well
        </button>
        <button type="button" class="move" @click="set(target, 'carted')({ loadL: 5000, startShare: 0.1 })">
          by the cart load
        </button>
      </template>
      <span>Or let one stand there, to be led where it is wanted:</span>
      <button type="button" class="move" @click="store.make(moveOf('addSource', { kind: 'main' }))">a main</button>
      <button type="button" class="move" @click="store.make(moveOf('addSource', { kind: 'well' }))">a well</button>
    </div>
    <p class="small soft">
      A main comes in over the rim with an air gap; the local code says which device it asks for besides.
    </p>
  </section>
</template>

<style scoped>
.source p {
  margin-bottom: 2px;
}
.outside {
  line-height: 1.85;
}
</style>
