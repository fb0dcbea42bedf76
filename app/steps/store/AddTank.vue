<script setup lang="ts">
import { choicesOf } from '~/fields/choices'
import ChoiceField from '~/fields/ChoiceField.vue'
import { useSite } from '~/stores/site'
import { useSelection } from '~/stores/useSelection'
import { poolsOf } from '#core/balance'
import { tanksOf } from '#core/site'
import { moveOf, spareLink } from '#core/moves'
import { TANK_KIND_IDS, TANK_KINDS, type TankKindId } from '#core/catalog'

/** Another tank, by each way of joining it; and two that stand already, joined. */
const store = useSite()
const { pickNode } = useSelection()
const kind = ref<TankKindId>('tote')
const to = ref('')
const other = ref('')
const kinds = choicesOf(TANK_KIND_IDS, TANK_KINDS)
const tanks = computed(() => tanksOf(store.site!))
const named = computed(() => tanks.value.map(tank => ({ value: tank.id, name: tank.name })))
const target = computed(
  () =>
    tanks.value.find(tank => tank.id === to.value) ??
    tanks.value.find(tank => spareLink(store.site!, tank)) ??
    tanks.value[0],
)
const second = computed(
  () =>
    tanks.value.find(tank => tank.id === other.value && tank !== target.value) ??
    tanks.value.find(tank => tank !== target.value),
)
const WAYS = [
  {
    how: 'joined' as const,
    name: 'Join at the bottom',
    says: 'They level out, and one overflow serves both if the tops are level.',
  },
  { how: 'spill' as const, name: 'Feed by the spill', says: 'It fills once the first is full.' },
  {
    how: 'stepped' as const,
    name: 'Step it down',
    says: 'It stands lower and is filled through a float valve, towards the point of use.',
  },
  {
    how: 'pump' as const,
    name: 'A pump tank beside it',
    says: 'A small one, filled through a float valve while the big one stands higher; the pump draws from it.',
  },
]
function add(how: 'alone' | (typeof WAYS)[number]['how']): void {
  const refused = store.make(
    moveOf('addTank', {
      kind: how === 'pump' ? 'pump' : kind.value,
      how,
      to: how === 'alone' ? undefined : target.value!.id,
    }),
  )
  if (!refused) pickNode(tanks.value.at(-1)!.id)
}
/** One tank of each group that stands apart from the others. */
const apart = computed(() => poolsOf(store.site!).map(pool => pool.id))
const boreMm = computed(() =>
  Math.min(
    ...[target.value, second.value].flatMap(tank =>
      tank ? [tank.ports.find(port => port.role === 'link')?.boreMm ?? 50] : [50],
    ),
  ),
)
const ends = computed(() => ({ from: target.value!.id, to: second.value!.id }))
</script>

<template>
  <section aria-labelledby="another">
    <h2 id="another">Another tank</h2>
    <div class="moves">
      <span>A <ChoiceField label="Kind of tank" :value="kind" :choices="kinds" :set="value => (kind = value)" /></span>
      <button type="button" class="move" @click="add('alone')">Stand it alone</button>
    </div>
    <template v-if="target">
      <p>
        Or by <ChoiceField label="Which tank" :value="target.id" :choices="named" :set="value => (to = value)" />,
        <span class="soft">{{
          spareLink(store.site!, target)
            ? 'which has a spare fitting for it'
            : 'which has no spare fitting: a new hole low down means emptying it first'
        }}</span>:
      </p>
      <dl>
        <template v-for="way in WAYS" :key="way.how"
          ><dt>
            <button type="button" class="move" @click="add(way.how)">{{ way.name }}</button>
          </dt>
          <dd class="small soft">{{ way.says }}</dd></template
        >
      </dl>
    </template>
    <p v-if="target && second">
      Or join {{ target.name }} to
      <ChoiceField
        label="Second tank"
        :value="second.id"
        :choices="named.filter(each => each.value !== target!.id)"
        :set="value => (other = value)"
      />, both standing already:
      <button
        type="button"
        class="plain"
        @click="store.make(moveOf('linkAtBottom', { a: target.id, b: second.id, boreMm }))"
      >
        at the bottom
      </button>
      · <button type="button" class="plain" @click="store.make(moveOf('spillInto', ends))">by the spill</button> ·
      <button type="button" class="plain" @click="store.make(moveOf('feedByFloat', ends))">
        through a float valve
      </button>
    </p>
    <p v-if="apart.length > 2">
      Or lead all {{ apart.length }} groups to
      <button type="button" class="plain" @click="store.make(moveOf('joinAtHub', { tanks: apart, boreMm: boreMm }))">
        one hub at the bottom</button
      >, each behind its valve.
    </p>
  </section>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: max-content 1fr;
  gap: 6px 12px;
  align-items: center;
  margin: 4px 0 8px;
}
dd {
  margin: 0;
}
@media (max-width: 700px) {
  dl {
    grid-template-columns: 1fr;
  }
}
</style>
