<script setup lang="ts">
import QuantityField from '~/fields/QuantityField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { endsOf, flushForms, type FlushForm } from '#core/site'
import { moveOf } from '#core/moves'
import type { NodeOf } from '#core/kinds'

/** A chamber of the same litres in pipe or as a drum that is sold, with what each comes to by one's own prices. */
const props = defineProps<{ chamber: NodeOf<'chamber'>; areaM2: number; depthMm: number }>()
const store = useSite()
const { show, litres, litresAlong, money } = useUnits()
const rows = computed(() => flushForms(store.site!, props.areaM2 * props.depthMm))
const cheapest = computed(() => Math.min(...rows.value.map(row => row.comesTo)))
const isChosen = ({ form, innerDiameterMm }: FlushForm) =>
  form === props.chamber.form && Math.abs(innerDiameterMm - props.chamber.innerDiameterMm) < 1
const take = ({ form, innerDiameterMm, heightM }: FlushForm) =>
  store.make(
    moveOf('formChamber', {
      chamber: props.chamber.id,
      form,
      innerDiameterMm,
      heightM: Math.ceil(heightM * 1000) / 1000,
    }),
  )
const note = (of: string, said: { price?: number | null; soldInM?: number }) =>
  store.make(moveOf('notePrice', { of, ...said }))
const called = ({ form, innerDiameterMm }: FlushForm) => `${form} of ${show(innerDiameterMm, 'pipe')}`
const round = (price: number) => Math.round(price * 100) / 100
</script>

<template>
  <div class="scroll">
    <table class="compare forms">
      <caption class="small soft">
        The same
        {{
          litres(areaM2 * depthMm)
        }}
        in pipe or drum. Prices are guesses until you type what you pay
      </caption>
      <thead>
        <tr>
          <th scope="col">Of</th>
          <th scope="col">Across</th>
          <th scope="col">Holds</th>
          <th scope="col">Tall</th>
          <th scope="col">Sold in</th>
          <th scope="col">For</th>
          <th scope="col">Cap, ball, tee</th>
          <th scope="col">Comes to</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.id" :class="{ on: isChosen(row) }">
          <td>
            <button type="button" class="plain" @click="take(row)">
              {{ row.form === 'drum' ? 'a drum' : 'standpipe' }}
            </button>
          </td>
          <td>{{ show(row.innerDiameterMm, 'pipe') }}</td>
          <td>
            <template v-if="row.holdsL"
              >{{ litres(Math.round(row.holdsL * 10) / 10) }}, <span class="soft">opens</span></template
            ><template v-else>{{ litresAlong(row.litresPerM) }}</template>
          </td>
          <td>{{ show(row.heightM, 'length') }}<span v-if="row.held" class="soft">, held to the wall</span></td>
          <td class="whole">
            <template v-if="row.soldInM"
              ><QuantityField
                :label="`Length of ${called(row)}`"
                kind="length"
                :value="row.soldInM"
                :set="soldInM => note(row.id, { soldInM })"
              /><span v-if="row.lengths > 1" class="soft"> × {{ row.lengths }}</span></template
            ><span v-else class="soft">one</span>
          </td>
          <td>
            <QuantityField
              :label="`Price of ${called(row)}`"
              kind="count"
              :value="round(row.price)"
              :set="price => note(row.id, { price })"
            /><button v-if="row.said" type="button" class="plain small" @click="note(row.id, { price: null })">
              guess
            </button>
          </td>
          <td>
            <QuantityField
              v-if="row.form === 'standpipe'"
              :label="`Price of the ends of ${called(row)}`"
              kind="count"
              :value="round(row.endsPrice)"
              :set="price => note(endsOf(row.id), { price })"
            />
          </td>
          <td :class="{ best: row.comesTo === cheapest }">{{ money(row.comesTo) }}</td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
}
.whole {
  white-space: nowrap;
}
.best {
  font-weight: 650;
}
</style>
