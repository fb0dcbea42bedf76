<script setup lang="ts">
import { liftName } from './liftWords'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { nameOf, type Feed } from '#core/site'
import { liftsCompared } from '#core/options'
import { moveOf } from '#core/moves'
import { HOLDS } from '#core/catalog'

/** Every way in which a line's water can be lifted, side by side. */
const props = defineProps<{ feed: Feed }>()
const store = useSite()
const { show, money } = useUnits()
const rows = computed(() => liftsCompared(store.site!, props.feed))
</script>

<template>
  <table class="compare" data-table="side-by-side">
    <caption class="small soft">
      All its taps open, tanks nearly empty; starts and energy on a day of the month that asks most.
    </caption>
    <thead>
      <tr>
        <th scope="col">lifted by</th>
        <th scope="col">pump runs at</th>
        <th scope="col">weakest tap</th>
        <th scope="col">starts a day</th>
        <th scope="col">energy a day</th>
        <th scope="col">about</th>
        <th />
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="row in rows"
        :key="`${row.by} ${row.hold}`"
        :class="{ on: row.now }"
        :data-way="`${row.by} ${row.hold}`"
      >
        <th scope="row">
          {{ liftName(row.by, feed.source.kind)
          }}<template v-if="row.hold === 'pressure-tank'">, {{ HOLDS[row.hold].name }}</template>
        </th>
        <td>
          {{
            row.flowLps
              ? `${show(row.flowLps, 'flow')}, ${show(row.headM, 'length')}`
              : row.by === 'gravity'
                ? 'no pump'
                : 'moves no water'
          }}
        </td>
        <td>
          {{ show(row.weakestKPa, 'pressure') }} <span class="soft small">{{ nameOf(store.site!, row.weakest) }}</span>
        </td>
        <td>{{ row.by === 'gravity' ? '' : Math.round(row.startsPerDay) }}</td>
        <td>{{ row.by === 'gravity' ? '' : `${Math.round(row.whPerDay)} Wh` }}</td>
        <td>{{ row.price ? money(row.price) : '' }}</td>
        <td>
          <button
            v-if="!row.now"
            type="button"
            class="plain small"
            @click="store.make(moveOf('liftBy', { run: feed.trunk[0]!.id, by: row.by, hold: row.hold }))"
          >
            Take it
          </button>
        </td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
td:last-child,
td:nth-child(4),
td:nth-child(5) {
  white-space: nowrap;
}
</style>
