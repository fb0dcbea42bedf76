<script setup lang="ts">
import AnswerFailure from '~/fields/AnswerFailure.vue'
import ChoiceField from '~/fields/ChoiceField.vue'
import QuantityField from '~/fields/QuantityField.vue'
import SumFigure from '~/fields/SumFigure.vue'
import { useUnits } from '~/fields/useUnits'
import { useSite } from '~/stores/site'
import { useAnswer } from '~/stores/useAnswer'
import { counted, listed } from '#core/words'
import { nodeById, runsFrom, type Run, runName, nameOf, roleOf } from '#core/site'
import { moveOf, spareLink } from '#core/moves'
import {
  compiledOf,
  keptBackL,
  linksOf,
  lostIfBurstL,
  type NowAndThen,
  type Pool,
  type ShutEffect,
} from '#core/balance'

/**
 * How the tanks of a group are joined: what of it can be used, what overflows first, how fast levels even out, what a
 * burst loses, what a valve does.
 */
const props = defineProps<{ pool: Pool }>()
const store = useSite()
const { litres, show, span } = useUnits()
const compiled = computed(() => compiledOf(store.site!))
const own = computed(() =>
  compiled.value.pools.findIndex(pool => pool.tanks.some(tank => tank.id === props.pool.tanks[0]!.id)),
)
const deadL = computed(() => Math.min(props.pool.capL, keptBackL(compiled.value, own.value)))
const links = computed(() => linksOf(store.site!, [props.pool]))
const feeds = computed(() =>
  compiled.value.transfers
    .filter(line => line.to === own.value)
    .map(line => ({
      name: compiled.value.pools[line.from]!.name,
      run: feedRun(compiled.value.pools[line.from]!, props.pool),
      litres: Math.max(0, compiled.value.pools[line.from]!.capL - line.keepL),
      keepL: line.keepL,
      pumped: line.pumped,
      floats: line.stopL !== Infinity,
    })),
)
/** The line by which one group feeds another, where it is one run. */
const feedRun = (from: Pool, to: Pool) =>
  store.site!.runs.find(
    run =>
      from.tanks.some(tank => tank.id === run.from.node) &&
      to.tanks.some(tank => tank.id === run.to.node) &&
      roleOf(store.site!, run.from) !== 'overflow',
  )
const bursts = computed(() =>
  props.pool.tanks.map(tank => ({
    tank,
    ...lostIfBurstL(
      compiled.value,
      own.value,
      compiled.value.pools[own.value]!.tanks.find(each => each.id === tank.id)!,
    ),
  })),
)
const worst = computed(() => bursts.value.reduce((most, each) => (each.lostL > most.lostL ? each : most)))
const needLine = computed(() => props.pool.tanks.length > 1 || feeds.value.length > 0)

function valveName(run: Run, at: number): string {
  if (run.parts.filter(each => each.kind === 'valve').length < 2) return runName(store.site!, run)
  return `${runName(store.site!, run)}, at ${nameOf(store.site!, at < run.parts.length / 2 ? run.from.node : run.to.node)}`
}

/** Every valve at a tank of this group, with what shutting it does. */
const valves = computed(() =>
  store.site!.runs.flatMap(run => {
    const ends = [run.from.node, run.to.node].map(id => nodeById(store.site!, id))
    if (!ends.some(end => props.pool.tanks.some(tank => tank.id === end.id))) return []
    return run.parts.flatMap((part, at) =>
      part.kind === 'valve'
        ? [
            {
              id: part.id,
              run,
              open: part.open,
              name: valveName(run, at),
            },
          ]
        : [],
    )
  }),
)
const picked = ref('')
const valve = computed(() => valves.value.find(each => each.id === picked.value) ?? valves.value[0])
/** Both are answered by running the years so, away from the page. */
const {
  answer: effect,
  fresh: effectKnown,
  failure,
  again,
} = useAnswer('shut', () => (valve.value?.open ? { part: valve.value.id } : undefined))
const { answer: burst, fresh: burstKnown } = useAnswer('burst', () => ({ pool: props.pool.id }))
/** Which uses water still reaches; those whose tank nothing fills any more draw what stands there, and no more. */
function reachesWords({ cutOff, runsDry }: ShutEffect): string {
  const words = [
    cutOff.length ? `no water reaches ${listed(cutOff)}` : '',
    runsDry.length
      ? `${listed(runsDry)} ${runsDry.length > 1 ? 'draw' : 'draws'} what stands there, and no more comes`
      : '',
  ].filter(Boolean)
  return words.length ? words.join('; ') : 'water still reaches every use'
}
const days = ([now, then]: NowAndThen) => `${counted(Math.round(then), 'day')} short a year, ${Math.round(now)} now`
const spare = computed(() => props.pool.tanks.find(tank => spareLink(store.site!, tank)))
const spillTo = computed(() => {
  const { tank, port } = props.pool.spillsAt
  const run = port ? runsFrom(store.site!, tank.id, port)[0] : undefined
  return run ? nameOf(store.site!, run.to.node) : undefined
})
</script>

<template>
  <div class="joins">
    <AnswerFailure :failure="failure" what="What a shut valve does" :again="again" />
    <p>
      <template v-if="pool.tanks.length > 1"
        >{{ pool.tanks.length }} tanks joined at the bottom stand at one level.
      </template>
      Of {{ litres(pool.nominalL) }} nominal {{ pool.tanks.length > 1 ? 'they hold' : 'it holds' }}
      <b class="figure">{{ litres(pool.capL) }}</b> up to where {{ pool.spillsAt.tank.name }}
      {{ pool.spillsAt.port ? `spills${spillTo ? ` to ${spillTo}` : ''}` : 'runs over its rim' }}, and
      <template v-if="pool.capL - deadL < 0.5"
        ><b>none of it</b> can be drawn: nothing draws from {{ pool.tanks.length > 1 ? 'them' : 'it' }} yet</template
      ><template v-else
        ><b class="figure">{{ litres(pool.capL - deadL) }}</b> can be drawn; {{ litres(deadL) }} stay below the
        draw-off</template
      >.
      <template v-for="feed in feeds" :key="feed.name">
        It is filled from {{ feed.name
        }}{{ feed.pumped ? ' by a pump' : feed.floats ? ' through a float valve' : ', and nothing stops that' }}:
        {{ feed.litres < 0.5 ? 'none of it reaches here' : `${litres(feed.litres)} of it reach here`
        }}<template v-if="!feed.pumped && feed.keepL > 0.5">, {{ litres(feed.keepL) }} stand too low</template>.
        <button
          v-if="feed.run"
          type="button"
          class="plain small"
          @click="store.make(moveOf('remove', { id: feed.run.id }))"
        >
          Take that line out
        </button></template
      >
      {{ spare ? `A capped valve on ${spare.name} waits for the next tank.` : 'No fitting is left for the next tank.' }}
      <button
        v-if="!spare"
        type="button"
        class="plain small"
        @click="store.make(moveOf('fitSpare', { tank: pool.tanks.at(-1)!.id }))"
      >
        Leave a capped valve on {{ pool.tanks.at(-1)!.name }}
      </button>
    </p>
    <p v-for="link in links" :key="link.run.id">
      {{ link.a.name }} and {{ link.b.name }} are joined by
      <QuantityField
        label="Bore of the link"
        kind="pipe"
        :value="link.boreMm"
        :set="boreMm => store.make(moveOf('widenLink', { run: link.run.id, boreMm }))"
      />
      pipe: with one full and the other half so it passes
      <SumFigure name="gravity-flow" :input="{ ...link.flow }">{{ show(link.passesLps, 'flow') }}</SumFigure><template
        v-if="link.wantedLps !== undefined && link.wantedLps > 0.005"
        >, and the storm wants {{ show(link.wantedLps, 'flow') }} through it<b
          v-if="link.wantedLps > link.passesLps"
          class="wrong"
          >: one overflows while the other is half full</b
        ></template
      >. They are level again after
      <SumFigure name="level-together" :input="{ ...link.level }">{{ span(link.minutes() / 60) }}</SumFigure>.
      <button type="button" class="plain small" @click="store.make(moveOf('remove', { id: link.run.id }))">
        Take this join out
      </button>
    </p>
    <p v-if="needLine || valves.length">
      <template v-if="needLine"
        >If {{ worst.tank.name }} bursts with the valves as they stand, <b class="figure">{{ litres(worst.lostL) }}</b>
        {{
          worst.lostL > worst.ownL * 1.01
            ? `run out, its own ${litres(worst.ownL)} and what follows from the others`
            : 'run out, its own alone'
        }}<template v-if="burst && burstKnown && store.site!.uses.length"
          >; until it is mended, {{ days(burst) }}</template
        >.
      </template>
      <template v-if="valve">
        With the valve of
        <ChoiceField
          label="Which valve"
          :value="valve.id"
          :choices="valves.map(each => ({ value: each.id, name: each.name }))"
          :set="id => (picked = id)"
        />
        {{ ' ' }}<template v-if="!valve.open">shut, as it is now.{{ ' ' }}</template
        ><template v-else-if="!effect || !effectKnown">shut … working it out.{{ ' ' }}</template
        ><template v-else
          >shut, {{ reachesWords(effect)
          }}<template v-for="use in effect.shorter" :key="use.name"
            >; {{ use.name }}: <b class="figure">{{ days(use.shortDays) }}</b></template
          ><template v-if="effect.apart.length > 1">; {{ effect.apart.join(' and ') }} stand apart</template
          ><template v-if="effect.runOver.length"
            >; <b class="wrong">{{ listed(effect.runOver) }} would run over the rim</b></template
          >; {{ litres(effect.usableL[1]) }} could be drawn, {{ litres(effect.usableL[0]) }} now.{{ ' ' }}</template
        >
        <button
          type="button"
          class="plain small"
          @click="store.make(moveOf('turnValve', { part: valve.id, open: !valve.open }))"
        >
          {{ valve.open ? 'Shut it' : 'Open it' }}
        </button>
      </template>
    </p>
  </div>
</template>

<style scoped>
.joins {
  line-height: 1.85;
}
.joins p {
  margin-bottom: 2px;
}
.wrong {
  color: var(--rust);
}
</style>
