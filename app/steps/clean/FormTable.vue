<script setup lang="ts">
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { chamberLength } from '#core/sums'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'
import { FLUSH_DRUMS, STANDPIPE_MOST_M, STANDPIPES } from '#core/catalog'

/** A chamber of the same litres in pipe or as a drum, with what each costs to begin with. */
const props = defineProps<{ chamber: NodeOf<'chamber'>; areaM2: number; depthMm: number }>()
const store = useSite()
const { show, litres, money } = useUnits()
const volumeL = computed(() => props.areaM2 * props.depthMm)
const lengthOf = (innerDiameterMm: number) => chamberLength({ volumeL: volumeL.value, innerDiameterMm }).lengthM
const rows = computed(() => [
  ...STANDPIPES.map(({ innerDiameterMm, pricePerM, endsPrice }) => {
    const heightM = lengthOf(innerDiameterMm)
    return {
      form: 'standpipe' as const,
      innerDiameterMm,
      heightM,
      price: pricePerM * heightM + endsPrice,
      note:
        heightM > STANDPIPE_MOST_M
          ? `${Math.ceil(heightM / STANDPIPE_MOST_M)} lengths, held to the wall`
          : 'one length, with cap and ball',
    }
  }),
  ...FLUSH_DRUMS.filter(drum => drum.volumeL >= volumeL.value * 0.98)
    .slice(0, 2)
    .map(({ volumeL: wholeL, innerDiameterMm, price }) => ({
      form: 'drum' as const,
      innerDiameterMm,
      heightM: lengthOf(innerDiameterMm),
      price,
      note: `a drum of ${litres(wholeL)} with a lid; opens for cleaning`,
    })),
])
const cheapest = computed(() => Math.min(...rows.value.map(row => row.price)))
const take = ({
  form,
  innerDiameterMm,
  heightM,
}: {
  form: 'standpipe' | 'drum'
  innerDiameterMm: number
  heightM: number
}) =>
  store.make(
    moveOf('formChamber', {
      chamber: props.chamber.id,
      form,
      innerDiameterMm,
      heightM: Math.ceil(heightM * 1000) / 1000,
    }),
  )
</script>

<template>
  <table class="compare">
    <caption class="small soft">
      The same volume in pipe or drum; prices to begin with, in the money of the site
    </caption>
    <thead>
      <tr>
        <th scope="col">Of</th>
        <th scope="col">Across</th>
        <th scope="col">Tall</th>
        <th scope="col">About</th>
        <th scope="col"><span class="unseen">What it is</span></th>
      </tr>
    </thead>
    <tbody>
      <tr
        v-for="row in rows"
        :key="`${row.form}${row.innerDiameterMm}`"
        :class="{ on: row.form === chamber.form && Math.abs(row.innerDiameterMm - chamber.innerDiameterMm) < 1 }"
      >
        <td>
          <button type="button" class="plain" @click="take(row)">
            {{ row.form === 'drum' ? 'a drum' : 'standpipe' }}
          </button>
        </td>
        <td>{{ show(row.innerDiameterMm, 'pipe') }}</td>
        <td>{{ show(row.heightM, 'length') }}</td>
        <td :class="{ best: row.price === cheapest }">{{ money(row.price) }}</td>
        <td class="soft">{{ row.note }}</td>
      </tr>
    </tbody>
  </table>
</template>

<style scoped>
.best {
  font-weight: 650;
}
</style>
