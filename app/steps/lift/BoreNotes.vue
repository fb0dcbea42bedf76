<script setup lang="ts">
import Plot from '~/charts/Plot.vue'
import type { PlotAxes, Series } from '~/charts/plot'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { runName, type Run } from '#core/site'
import { boreChoices } from '#core/options'
import { moveOf } from '#core/moves'
import { pipeSeries, sizeName } from '#core/catalog'
import type { NodeOf } from '#core/kinds'

/** The stretch that costs a tap most, laid in other sizes: what the tap then passes, and what the pipe costs. */
const props = defineProps<{ run: Run; tap: NodeOf<'tap'>; lossM: number }>()
const store = useSite()
const { show, money } = useUnits()
const sizes = computed(() => boreChoices(store.site!, props.run, props.tap.id))
const axes = computed((): PlotAxes => ({
  x: { words: 'what the pipe costs', from: 0, mostMarks: 5, text: money },
  y: { words: 'the tap passes', kind: 'flow' },
}))
const curves = computed((): Series[] => {
  const points = (of: 'fullLps' | 'lowLps', which = sizes.value) => which.map(size => ({ x: size.price, y: size[of] }))
  const now = sizes.value.filter(size => size.now)
  return [
    { draws: 'line', label: 'tank full', colour: 'deep', points: points('fullLps') },
    { draws: 'line', label: 'nearly empty', colour: 'oak', dashed: true, points: points('lowLps') },
    { draws: 'dots', label: 'as it is', colour: 'ink', points: points('fullLps', now) },
  ]
})
</script>

<template>
  <div class="bores" data-notes="bores">
    <p>
      Of all pipe on its way that of “{{ runName(store.site!, run) }}” takes most, {{ show(lossM, 'length') }}. Laid in
      other sizes of {{ pipeSeries(sizes[0]?.series ?? 'pe-100').name }}:
    </p>
    <div class="beside">
      <table class="compare">
        <thead>
          <tr>
            <th scope="col">size</th>
            <th scope="col">inside</th>
            <th scope="col">tank full</th>
            <th scope="col">nearly empty</th>
            <th scope="col">speed</th>
            <th scope="col">pipe, about</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr v-for="size in sizes" :key="size.size" :class="{ on: size.now }" :data-size="size.size">
            <th scope="row">{{ sizeName(size.size, store.system) }}</th>
            <td>{{ show(size.innerMm, 'bore') }}</td>
            <td class="figure">{{ show(size.fullLps, 'flow') }}</td>
            <td>{{ show(size.lowLps, 'flow') }}</td>
            <td>{{ show(size.velocityMps, 'speed') }}</td>
            <td>{{ money(size.price) }}</td>
            <td>
              <button
                v-if="!size.now"
                type="button"
                class="plain small"
                @click="store.make(moveOf('layPipe', { run: run.id, series: size.series, size: size.size }))"
              >
                Lay it
              </button>
            </td>
          </tr>
        </tbody>
      </table>
      <Plot
        class="chart"
        legend
        :axes="axes"
        :series="curves"
        :height-px="230"
        spoken="What the tap passes against what the pipe costs."
      />
    </div>
  </div>
</template>

<style scoped>
.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 16px;
}
.beside > * {
  flex: 1 1 320px;
}
.chart {
  max-width: 520px;
}
</style>
