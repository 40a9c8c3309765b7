<script setup lang="ts">
import { scaleLinear } from 'd3-scale'
import { area, curveLinear, curveStepAfter, line } from 'd3-shape'
import { unitFor } from '@core/units'
import { computed, ref } from 'vue'
import type { House } from '@core/house'
import { DAMP_LIMITS, WATER_LIMITS, type DayFinding, type DayRun } from '@core/washday'
import { useSay } from '../../say'
import { capital, foundTitle } from '@words'
import StateMark from '../../parts/StateMark.vue'
import UiTap from '../../ui/UiTap.vue'

const say = useSay()

const { run, house, from, px, width, labels, now, finding, findings } = defineProps<{
  run: DayRun
  house: House
  from: number
  px: number
  width: number
  labels: number
  now?: number
  finding?: DayFinding
  /** What is wrong with the day: a gauge that has a part in it is drawn, the others are a line. */
  findings: readonly DayFinding[]
}>()

interface Gauge {
  key: string
  label: string
  sub: string
  height: number
  colour: string
  tint: string
  line: string
  area: string
  limit?: { y: number; text: string; stop: boolean }
  said: { x: number; y: number; text: string; anchor: 'start' | 'middle' | 'end' }[]
  worst?: { x: number; y: number; stop: boolean; text: string }
  words: string
  /** The same in few words, for the line of what is fine. */
  brief: string
  /** The findings that it shows. */
  kinds: readonly string[]
}

/** The index of a minute of the run, px. */
const x = computed(() => scaleLinear([from - run.from, from - run.from + 1], [0, px]))
const clampX = (at: number) => Math.min(width - 4, Math.max(4, at))

/** A gauge's values over its height, from `floor` at the bottom to `most` at the top. */
const upright = (most: number, height: number, head: number, foot = 1, floor = 0) =>
  scaleLinear([floor, most], [height - foot, head])

type Upright = ReturnType<typeof upright>

/** Less than that can't be seen, px. */
const UNSEEN = 0.2

/** The points of a line that can be told from the one before. */
function seen(all: [number, number][]): [number, number][] {
  let last = NaN
  return all.filter(([, at], i) => {
    if (i < all.length - 1 && Math.abs(at - last) < UNSEEN) return false
    last = at
    return true
  })
}

/** A line over the day and what lies under it. */
function trace(values: readonly number[], y: Upright, height: number, stepped: boolean) {
  // a minute's value stands until the next one; the last until the end
  const points = seen([...values, values.at(-1) ?? 0].map((value, i) => [x.value(i), y(value)]))
  const curve = stepped ? curveStepAfter : curveLinear
  return {
    line: line().digits(1).curve(curve)(points) ?? '',
    area: area().digits(1).curve(curve).y0(height)(points) ?? '',
  }
}

/** Where the day's trouble shows on a gauge. */
function mark(kinds: readonly string[], values: readonly number[], y: Upright): Gauge['worst'] {
  if (!finding || !kinds.includes(finding.kind) || finding.at === undefined) return undefined
  const index = Math.min(values.length - 1, Math.max(0, finding.at - run.from))
  return { x: x.value(index), y: y(values[index]!), stop: finding.level === 'stop', text: foundTitle(finding, say) }
}

const flowUnit = computed(() => unitFor('flow', say.units).sign)
const litreUnit = computed(() => (say.units.volume === 'us' ? 'gallons' : 'litres'))

const water = computed((): Gauge => {
  const height = 74
  const tankless = house.water.heater === 'tankless'
  const most = Math.max(1, run.hotFull)
  const y = upright(most, height, 10, 2)
  const { litres, at } = run.lowest
  return {
    key: 'water',
    label: 'Hot water',
    sub: tankless ? `${flowUnit.value} to spare` : `${litreUnit.value} left`,
    height,
    colour: 'var(--water)',
    tint: 'var(--water-tint)',
    ...trace(run.hot, y, height, tankless),
    limit: tankless
      ? undefined
      : {
          y: y(WATER_LIMITS.tankLow.value * most),
          text: `Low ${say.litres(WATER_LIMITS.tankLow.value * most, 0)}`,
          stop: true,
        },
    said: tankless ? [] : waterSaid(run.hot[0] ?? 0, litres, at, y, height),
    kinds: ['water', 'low water'],
    worst: mark(['water', 'low water'], run.hot, y),
    brief: tankless ? `${say.flow(run.hotFull)} of hot water` : `${say.litres(litres, 0)} hot water at the lowest`,
    words: tankless
      ? `The heater makes ${say.flow(run.hotFull)} of hot water.`
      : `Lowest ${say.litres(litres, 0)} at ${say.clock(at)}, of ${say.litres(run.hotFull, 0)}.`,
  }
})

/** Litres at the opening, and the lowest where that is another moment. */
function waterSaid(first: number, litres: number, at: number, y: Upright, height: number): Gauge['said'] {
  const low = at - run.from
  const beside = (text: string, index: number, value: number): Gauge['said'][number] => ({
    x: index < 40 ? x.value(index) + 6 : clampX(x.value(index)),
    y: Math.min(height - 6, y(value) + 16),
    text,
    anchor: index < 40 ? 'start' : index > run.length * 0.85 ? 'end' : 'middle',
  })
  const lowest = beside(`${say.litres(litres, 0)} at ${say.clock(at)}`, low, litres)
  return low * px < 110 ? [lowest] : [beside(`${say.litres(first, 0)}`, 0, first), lowest]
}

const circuits = computed(() =>
  run.circuits.map(({ name, limit, watts }, i): Gauge => {
    const height = 42
    const most = Math.max(limit * 1.12, ...watts)
    const y = upright(most, height, 3)
    const peak = Math.max(...watts)
    const at = watts.indexOf(peak)
    return {
      key: `circuit ${i}`,
      label: run.circuits.length > 1 ? name : 'Circuit',
      sub: 'watts drawn',
      height,
      colour: 'var(--volt)',
      tint: 'var(--volt-tint)',
      ...trace(watts, y, height, true),
      limit: { y: y(limit), text: `${say.number(limit, 0)} W`, stop: false },
      said:
        peak > 0
          ? [
              {
                x: clampX(x.value(at) + 4),
                y: Math.max(14, y(peak) + 13),
                text: `${say.number(peak, 0)} W`,
                anchor: 'start',
              },
            ]
          : [],
      kinds: ['circuit', 'load'],
      worst: mark(['circuit', 'load'], watts, y),
      brief: `${say.number(peak, 0)} of ${say.number(limit, 0)} W`,
      words: `${name}: at most ${say.number(peak, 0)} of ${say.number(limit, 0)} watts.`,
    }
  }),
)

const noise = computed((): Gauge => {
  const height = 42
  const total = run.dose.at(-1) ?? 0
  const most = Math.max(115, total * 1.05)
  const y = upright(most, height, 3)
  return {
    key: 'noise',
    label: 'Noise',
    sub: 'your dose',
    height,
    colour: 'var(--noise)',
    tint: 'var(--noise-tint)',
    ...trace(run.dose, y, height, false),
    limit: { y: y(100), text: '100 % of a day', stop: false },
    said: [
      {
        x: Math.min(width - 4, x.value(run.dose.length)),
        y: height - 6,
        text: `${say.number(total, 0)} %`,
        anchor: 'end',
      },
    ],
    kinds: ['noise'],
    worst: mark(['noise'], run.dose, y),
    brief: `${say.number(total, 0)} % of the noise dose`,
    words: `${say.number(total, 0)} percent of a day’s noise dose.`,
  }
})

const air = computed((): Gauge => {
  const height = 42
  const y = upright(95, height, 3, 1, 30)
  const peak = Math.max(...run.humidity)
  const at = run.humidity.indexOf(peak)
  return {
    key: 'air',
    label: 'Room air',
    sub: 'humidity',
    height,
    colour: 'var(--ok)',
    tint: 'var(--ok-tint)',
    ...trace(run.humidity, y, height, false),
    limit: { y: y(DAMP_LIMITS.humid.value), text: `${DAMP_LIMITS.humid.value} %`, stop: false },
    said: [
      {
        x: clampX(x.value(at)),
        y: Math.min(height - 4, y(peak) + 15),
        text: `${say.number(peak, 0)} %`,
        anchor: at > run.length * 0.85 ? 'end' : at < run.length * 0.05 ? 'start' : 'middle',
      },
    ],
    kinds: ['humid', 'dry longer'],
    worst: mark(['humid', 'dry longer'], run.humidity, y),
    brief: `air at most ${say.number(peak, 0)} %`,
    words: `At most ${say.number(peak, 0)} percent, ${say.temperature(Math.max(...run.celsius))}.`,
  }
})

const gauges = computed(() => [water.value, ...circuits.value, noise.value, air.value])
/** Whether those that are fine are drawn as well. */
const all = ref(false)
const wrong = (g: Gauge) => findings.some((f) => g.kinds.includes(f.kind))
const drawn = computed(() => gauges.value.filter((g) => all.value || wrong(g)))
const fine = computed(() => gauges.value.filter((g) => !wrong(g)))
</script>

<template>
  <div class="gauges">
    <div v-for="g in drawn" :key="g.key" class="gauge">
      <div class="side" :style="{ width: `${labels - 4}px` }" aria-hidden="true">
        <strong>{{ g.label }}</strong>
        <span>{{ g.sub }}</span>
      </div>
      <svg :width="width + 12" :height="g.height" role="img" :aria-label="`${g.label}: ${g.words}`" :data-gauge="g.key">
        <rect :width="width" :height="g.height" fill="var(--enamel)" />
        <path :d="g.area" :fill="g.tint" />
        <path :d="g.line" fill="none" :stroke="g.colour" stroke-width="2.2" stroke-linejoin="round" />
        <path :d="`M0 0H${width}`" stroke="var(--rim)" stroke-width="3" />
        <template v-if="g.limit">
          <path
            :d="`M0 ${g.limit.y}H${width}`"
            :stroke="g.limit.stop ? 'var(--stop)' : 'var(--ink)'"
            stroke-width="1.3"
            stroke-dasharray="7 4"
          />
          <text
            :x="g.key === 'water' ? width - 6 : 6"
            :y="g.key === 'water' ? g.limit.y - 4 : g.limit.y + 13"
            class="limit"
            stroke="var(--enamel)"
            stroke-width="3"
            paint-order="stroke"
            :text-anchor="g.key === 'water' ? 'end' : 'start'"
            :fill="g.limit.stop ? 'var(--stop)' : 'var(--ink)'"
          >
            {{ g.limit.text }}
          </text>
        </template>
        <text
          v-for="(t, i) in g.said"
          :key="i"
          :x="t.x"
          :y="t.y"
          :text-anchor="t.anchor"
          class="said"
          :fill="g.colour"
          stroke="var(--enamel)"
          stroke-width="3"
          paint-order="stroke"
        >
          {{ t.text }}
        </text>
        <circle
          v-if="g.worst"
          :cx="g.worst.x"
          :cy="g.worst.y"
          r="5.5"
          fill="var(--enamel)"
          :stroke="g.worst.stop ? 'var(--stop)' : 'var(--watch)'"
          stroke-width="2.6"
        />
        <rect
          v-if="now !== undefined"
          :x="(now - from) * px"
          y="2"
          :width="Math.max(0, width - (now - from) * px)"
          :height="g.height - 2"
          fill="var(--enamel)"
          opacity="0.5"
        />
      </svg>
    </div>
    <UiTap v-if="fine.length > 0" class="fine" :aria-expanded="all" @click="all = !all">
      <StateMark state="ok" :size="18" />
      <strong>{{ fine.length === gauges.length ? 'The room is fine' : 'The rest is fine' }}</strong>
      <span>{{ capital(fine.map((g) => g.brief).join(', ')) }}</span>
      <span class="more">{{ all ? 'Less' : 'Show' }}</span>
    </UiTap>
  </div>
</template>

<style scoped>
.gauges {
  display: grid;
  gap: 8px;
}
.gauge {
  display: flex;
}
.side {
  position: sticky;
  left: 0;
  z-index: 2;
  flex: none;
  margin-right: 4px;
  background: var(--ground);
  font-size: 13px;
  line-height: 1.25;
}
.side strong {
  display: block;
  font-size: 15px;
}
.side span {
  color: var(--ink2);
}
.fine {
  position: sticky;
  left: 0;
  display: flex;
  flex-wrap: wrap;
  gap: 2px 10px;
  align-items: center;
  width: fit-content;
  /* the clock may be wider than the screen; this line isn't */
  max-width: min(100%, calc(100vw - 40px));
  min-height: 44px;
  padding: 4px 0;
  border: 0;
  background: none;
  color: var(--ink2);
  font: 500 14.5px/1.3 var(--text);
  text-align: left;
  cursor: pointer;
}
.fine strong {
  color: var(--ink);
}
.fine svg {
  flex: none;
}
.more {
  color: var(--rim);
  font-weight: 600;
  text-decoration: underline;
  text-underline-offset: 3px;
}
.limit,
.said {
  font-size: 12.8px;
  font-weight: 600;
}
</style>
