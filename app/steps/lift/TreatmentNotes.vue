<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import ThingField from '~/fields/ThingField.vue'
import { choicesOf } from '~/fields/choices'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { feedsOf, type Site } from '#core/site'
import { poolsOf } from '#core/balance'
import { chlorineDose } from '#core/sums'
import { partWords, type NodeOf, type Tank } from '#core/kinds'
import { trainsOf } from '#core/network'
import { moveOf, setField } from '#core/moves'
import { TAP_LABEL_WORDS, TAP_LABELS, TREATMENT_MONTHS } from '#core/catalog'

/** What treats a tap's water: each stage against the flow that comes, clean and due; and what its plate may say. */
const props = defineProps<{ tap: NodeOf<'tap'> }>()
const store = useSite()
const { show, phrase, litres } = useUnits()
const set = useThing('node', () => props.tap.id)
const train = computed(() => trainsOf(store.site!).find(each => each.tap.id === props.tap.id))
const labels = [{ value: 'none' as const, name: 'nothing' }, ...choicesOf(TAP_LABELS, TAP_LABEL_WORDS)]
const setLabel = (value: string) => set('label')(value === 'none' ? undefined : value)
const months = (part: { kind: string; medium?: 'sediment' | 'carbon' }) =>
  part.kind === 'lamp' ? TREATMENT_MONTHS.lamp : TREATMENT_MONTHS[part.medium ?? 'sediment']
/** The tank that the tap hangs on, full, and a usual dose after work in it. */
const tank = computed(() => {
  const feed = feedsOf(store.site!).find(({ taps }) => taps.some(({ id }) => id === props.tap.id))
  return feed?.source.kind === 'tank' ? feed.source : undefined
})
const dose = computed(() => ({
  volumeL: Math.round(poolOf(store.site!, tank.value!)),
  doseMgPerL: 5,
  availableShare: 0.05,
}))
const poolOf = (site: Site, { id }: Tank) =>
  poolsOf(site).find(({ tanks }) => tanks.some(each => each.id === id))?.capL ?? 0
const SENSORS = [
  { value: true, name: 'a sensor that shuts the water off' },
  { value: false, name: 'no sensor' },
]
</script>

<template>
  <div class="treatment" data-notes="treatment">
    <template v-if="train">
      <table class="compare">
        <thead>
          <tr>
            <th scope="col">in order</th>
            <th scope="col">made for</th>
            <th scope="col">takes clean</th>
            <th scope="col">takes when due</th>
            <th scope="col">changed</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="stage in train.stages" :key="stage.part.id" :data-stage="stage.part.id">
            <th scope="row">{{ phrase(partWords(stage.part)) }}</th>
            <td :class="{ wrong: train.flowLps > stage.ratedLps * 1.05 }">
              <ThingField
                :id="stage.part.id"
                of="part"
                name="ratedLps"
                label="Flow it is made for"
                :empty="show(stage.ratedLps, 'flow')"
              />
            </td>
            <td>{{ show(stage.cleanKPa, 'pressure') }}</td>
            <td>{{ show(stage.dueKPa, 'pressure') }}</td>
            <td>
              {{
                stage.part.kind === 'lamp'
                  ? 'lamp yearly, its quartz wiped'
                  : `by pressure drop, or ${months(stage.part)} months`
              }}
            </td>
          </tr>
        </tbody>
      </table>
      <p>
        At {{ show(train.flowLps, 'flow') }} the train takes {{ show(train.cleanKPa, 'pressure') }} clean and
        {{ show(train.dueKPa, 'pressure') }} when all is due.
        <template v-if="train.lamp">
          The lamp has
          <ChoiceField
            label="Sensor of the lamp"
            :value="train.lamp.sensor"
            :choices="SENSORS"
            :set="value => store.make(setField('part', train!.lamp!.id, 'sensor', value))"
          />.
          {{
            train.lamp.sensor
              ? 'Let the first water after a start run off: it passed before the lamp was warm.'
              : 'Without one it may be called a polish, and no drinking-water treatment.'
          }}
        </template>
      </p>
    </template>
    <p v-else>
      Nothing treats its water.
      <button type="button" class="plain small" @click="store.make(moveOf('fitTreatment', { tap: tap.id }))">
        Fit filters of 20 and 5 µm, carbon and a lamp
      </button>
    </p>
    <p>
      A plate beside it says
      <ChoiceField label="Plate beside the tap" :value="tap.label ?? 'none'" :choices="labels" :set="setLabel" />.
      <span v-if="!train?.forDrinking && tap.label !== 'not-for-drinking'" class="soft">
        Untreated rain or well water wants “not for drinking” at every tap.
      </span>
    </p>
    <p v-if="tank">
      After work in {{ tank.name }}, disinfect it:
      <SumFigure name="chlorine-dose" :input="dose">{{ Math.round(chlorineDose(dose).productMl) }} ml</SumFigure> of
      plain bleach of 5 % give its {{ litres(dose.volumeL) }} {{ dose.doseMgPerL }} mg/L. Let it stand a day, then run
      it off at every tap; never mix it with anything.
    </p>
    <p class="soft small">Have the water tested. Local code and a licensed trade decide what may be drunk.</p>
  </div>
</template>
