<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import ChoiceField from '~/fields/ChoiceField.vue'
import NameField from '~/fields/NameField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useThing } from '~/fields/useThing'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { tankHeight } from '#core/sums'
import { tankNominalL } from '#core/site'
import { moveOf } from '#core/moves'
import type { Tank } from '#core/kinds'
import { guessedPrice, sizesSoldL, TANK_KIND_IDS, TANK_KINDS, type TankKindId } from '#core/catalog'

/** One tank in words, every figure a field: what it is, how it is fitted, how it stands. */
const props = defineProps<{ tank: Tank; spelt: boolean }>()
const store = useSite()
const { litres, money, show } = useUnits()
const { nodeId, pickNode } = useSelection()

const set = useThing('node', () => props.tank.id)
const resize = (field: string) => (value: number) =>
  store.make(moveOf('resizeTank', { tank: props.tank.id, shape: { [field]: value } }))
const shape = computed(() => props.tank.shape)
const volumeInput = computed(() => ({ ...shape.value, levelM: tankHeight(shape.value) }))
const kinds = choicesOf(TANK_KIND_IDS, TANK_KINDS)
const SHAPES = [
  { value: 'upright-cylinder' as const, name: 'round and upright' },
  { value: 'box' as const, name: 'a box' },
  { value: 'lying-cylinder' as const, name: 'a lying barrel' },
]
/** A volume that is typed sets the measure that is free: the width, or a lying one's length. */
const setVolume = (litres: number) =>
  litres > 0
    ? store.make(moveOf('widenTanks', { tanks: [props.tank.id], share: litres / tankNominalL(props.tank) }))
    : 'The volume must be more than nothing.'
const sizes = computed(() => sizesSoldL(props.tank.tankKind, store.system))
const take = (kind: TankKindId, volumeL?: number) =>
  store.make(moveOf('setKind', { tank: props.tank.id, kind, ...(volumeL ? { volumeL } : {}) }))
const price = computed(() => props.tank.price ?? guessedPrice(props.tank.tankKind, tankNominalL(props.tank)))
</script>

<template>
  <div
    class="tank"
    role="group"
    :aria-label="tank.name"
    :class="{ on: nodeId === tank.id }"
    :data-tank="tank.id"
    @focusin="pickNode(tank.id)"
  >
    <p v-if="!spelt">
      <button type="button" class="plain" :aria-label="`Open ${tank.name}`" @click="pickNode(tank.id)">
        {{ tank.name }}</button><span class="soft"
        >, {{ TANK_KINDS[tank.tankKind].name }}, {{ litres(tankNominalL(tank)) }} to the rim, its floor at
        {{ show(tank.baseM, 'length') }}</span
      >
    </p>
    <p v-else>
      <b><NameField :value="tank.name" label="Name of the tank" :set="set('name')" /></b> is a kind of
      <ChoiceField label="Kind of this tank" :value="tank.tankKind" :choices="kinds" :set="kind => take(kind)" />,
      <ChoiceField
        label="Shape of the tank"
        :value="shape.shape"
        :choices="SHAPES"
        :set="to => store.make(moveOf('reshapeTank', { tank: tank.id, shape: to }))"
      />,
      <template v-if="shape.shape !== 'box'"
        ><QuantityField label="Diameter" kind="length" :value="shape.diameterM" :set="resize('diameterM')" /> across
      </template>
      <template v-if="shape.shape === 'box'"
        ><QuantityField label="Length" kind="length" :value="shape.lengthM" :set="resize('lengthM')" /> by
        <QuantityField label="Width" kind="length" :value="shape.widthM" :set="resize('widthM')" />
      </template>
      <template v-if="shape.shape === 'lying-cylinder'"
        >and
        <QuantityField label="Length" kind="length" :value="shape.lengthM" :set="resize('lengthM')" /> long</template
      >
      <template v-else
        >and
        <QuantityField label="Height" kind="length" :value="shape.heightM" :set="resize('heightM')" /> tall</template
      >: <QuantityField label="Volume of the tank" kind="volume" :value="tankNominalL(tank)" :set="setVolume" /> to the
      rim (<SumFigure name="tank-volume" :input="volumeInput">worked</SumFigure>).
      <span class="small"
        >Sold in
        <template v-for="(size, at) in sizes" :key="size"
          >{{ at ? ', ' : ''
          }}<button
            type="button"
            class="plain small"
            :aria-label="`Take ${litres(size)} for ${tank.name}`"
            @click="take(tank.tankKind, size)"
          >
            {{ litres(size) }}
          </button></template
        >. It costs
        <QuantityField label="Price of the tank" kind="count" :value="Math.round(price)" :set="set('price')" /><span
          class="soft"
          >{{
            tank.price === undefined
              ? ` ${store.site!.standards.currency} (a guess; a quote beats it)`
              : ` ${store.site!.standards.currency}`
          }}</span
        ><template v-if="tank.price !== undefined">
          (<button type="button" class="plain small" @click="set('price')(undefined)">
            guess {{ money(guessedPrice(tank.tankKind, tankNominalL(tank))) }}</button
          >)</template
        >.</span
      >
    </p>
  </div>
</template>

<style scoped>
.tank {
  margin-bottom: 6px;
  line-height: 1.9;
  padding-left: 8px;
  border-left: 2px solid transparent;
}
.tank.on {
  border-left-color: var(--oak);
}
.tank :deep(p) {
  margin-bottom: 2px;
}
</style>
