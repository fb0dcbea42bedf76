<script setup lang="ts">
import ChoiceField from '~/fields/ChoiceField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import ThingField from '~/fields/ThingField.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { suctionInput, type Suction } from '#core/network'
import { moveOf } from '#core/moves'
import { PUMPS, USUAL_BORE_MM } from '#core/catalog'

/** How a pump that stands outside its water draws it: the verdict in metres to spare, and what it wants. */
const props = defineProps<{ suction: Suction }>()
const store = useSite()
const { show } = useUnits()
const sum = computed(() =>
  suctionInput(
    store.site!.place.altitudeM,
    store.site!.place.waterTemperatureC,
    props.suction.npshRequiredM,
    props.suction.frictionM,
  ),
)
const FEET = [
  { value: true, name: 'a foot valve keeps its line full' },
  { value: false, name: 'no foot valve keeps its line full' },
]
/** Fitted where the line begins, or taken out. */
function setFoot(wanted: boolean): void {
  const { run, pump } = props.suction
  const first = run.parts.slice(0, run.parts.indexOf(pump)).find(part => part.kind === 'check')
  if (wanted === Boolean(first)) return
  const pipe = run.parts.find(part => part.kind === 'pipe')
  if (first) store.make(moveOf('remove', { id: first.id }))
  else
    store.make(
      moveOf('insertPart', {
        run: run.id,
        before: run.parts[0]!.id,
        part: { kind: 'check', boreMm: pipe?.innerDiameterMm ?? USUAL_BORE_MM },
      }),
    )
}
</script>

<template>
  <div class="suction" data-notes="suction">
    <p>
      <b :class="{ wrong: suction.spareM < 0 }" data-suction="spare">{{
        suction.spareM < 0
          ? `It cannot draw: ${show(-suction.spareM, 'length')} too much`
          : `${show(suction.spareM, 'length')} to spare`
      }}</b>. It stands {{ show(Math.abs(suction.pumpM - suction.waterM), 'length') }}
      {{ suction.pumpM >= suction.waterM ? 'above' : 'below' }} its water at the lowest, and here a pump may stand
      <SumFigure name="suction-lift" :input="sum">{{ show(suction.maxLiftM, 'length') }}</SumFigure> above it, at
      {{ show(suction.flowLps, 'flow') }}: the air at
      <ThingField id="" of="site" name="place.altitudeM" label="Altitude of the site" /> less
      {{ show(suction.frictionM, 'length') }} of friction and
      <ThingField
        :id="suction.pump.id"
        of="part"
        name="npshRequiredM"
        label="Head that the pump must find at its mouth"
        :empty="show(PUMPS[suction.pump.pump].npshRequiredM, 'length')"
      />
      that it wants at its mouth.
    </p>
    <p v-if="suction.lifts">
      It must be primed: fill the line and the pump before the first start, every joint tight, rising all the way;
      <ChoiceField label="Foot valve" :value="suction.footValve" :choices="FEET" :set="setFoot" />.
    </p>
    <p v-else class="soft">Water runs to it by itself, so that it needs no priming.</p>
  </div>
</template>
