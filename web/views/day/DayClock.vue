<script setup lang="ts">
import UiButton from '../../ui/UiButton.vue'
import { useElementSize } from '@vueuse/core'
import { computed, ref, useId, useTemplateRef } from 'vue'
import type { House } from '@core/house'
import { type DayFinding, type DayRun, type DayState, type Part, type WashDay } from '@core/washday'
import { pairOf } from '../../drawing/colours'
import { coatTile, TILE } from './coatTile'
import { layClock, movedBy, spanOf, type Path, type Ribbon } from './clock'
import { lens } from './clockShapes'
import DayGauges from './DayGauges.vue'
import { useRibbonMoves } from './useRibbonMoves'
import { PART_NAMES } from '@words'
import { useSay } from '../../say'

const say = useSay()

const { day, state, run, house, colours, selected, now, finding, moving, refused } = defineProps<{
  day: WashDay
  state: DayState
  /** The run under the clock: the state’s own, or one from a moment ago while a hand moves. */
  run?: DayRun
  house: House
  colours: Record<string, number>
  selected?: string
  /** The minute of the clock at which the day stands, when it is under way. */
  now?: number
  finding?: DayFinding
  /** Whether a hand is moving something: shown without the glide. */
  moving: boolean
  /** Why what is being moved can't be there. */
  refused?: string
}>()
const emit = defineEmits<{
  select: [seatId: string]
  hold: [seatId: string, part: string, at: number]
  drop: []
  drag: [seatId: string, part: string, at: number]
  letGo: [seatId: string]
}>()

const id = useId()
const scroller = useTemplateRef('scroller')
const { width: room } = useElementSize(scroller)
const zoom = ref(1)
const LABELS = 92
/** Never so narrow that an hour can't be told from the next. */
const HOUR_PX = 62
const hovered = ref<string>()
const lit = computed(() => hovered.value ?? selected)

const hours = computed(() => {
  const { from, to } = spanOf(day, state)
  return Math.max(4, (to - from) / 60)
})
const width = computed(() => Math.max(room.value - LABELS - 12, hours.value * HOUR_PX) * zoom.value)
const layout = computed(() => layClock(day, state, house, colours, width.value, say))
const right = computed(() => layout.value.width)
const xOf = (minute: number) => (minute - layout.value.from) * layout.value.pxPerMinute

const tileId = (path: Path) => `${id}-${path.seatId}`

function partWords(ribbon: Ribbon): string {
  if (ribbon.parts.length === 0) return 'waits'
  const words = ribbon.parts.map((p) => PART_NAMES[p.replace(/\d+$/, '') as Part])
  return [...new Set(words)].join(', ')
}
const labelOf = (path: Path, ribbon: Ribbon) =>
  `${path.name}, ${partWords(ribbon)}, ${say.clock(ribbon.from)} to ${say.clock(ribbon.to)}${ribbon.pinned ? ', held' : ''}`
const nameFits = (path: Path, ribbon: Ribbon) => ribbon.wide && ribbon.x2 - ribbon.x1 > path.name.length * 7.8 + 26

const { vGrip, keyed } = useRibbonMoves({
  minuteWide: () => layout.value.pxPerMinute,
  select: (seatId) => emit('select', seatId),
  hold: (seatId, part, at) => emit('hold', seatId, part, at),
  drop: () => emit('drop'),
  drag: (seatId, part, at) => emit('drag', seatId, part, at),
  letGo: (seatId) => emit('letGo', seatId),
  at(x, y) {
    const sheet = scroller.value?.getBoundingClientRect()
    if (sheet) pointer.value = { x: x - sheet.left, y: y - sheet.top }
  },
})
/** Where the hand was last, px of the drawing that is in sight; what it may not is said beside it. */
const pointer = ref({ x: LABELS, y: 30 })
const BESIDE = { width: 280, below: 26 }
const beside = computed(() => ({
  left: `${Math.max(0, Math.min(pointer.value.x, room.value - BESIDE.width))}px`,
  top: `${pointer.value.y + BESIDE.below}px`,
  maxWidth: `${BESIDE.width}px`,
}))
/** Whether a key stops at a ribbon: one that moves by itself, not with the bath it is tied to. */
function isStop(path: Path, ribbon: Ribbon): boolean {
  const moved = movedBy(ribbon, path.ribbons)
  return moved !== undefined && moved.part === ribbon.parts[0]
}
const cleanWords = computed(() => layout.value.cleaning.length > 0)
</script>

<template>
  <div class="clock">
    <p v-if="refused" class="beside" role="status" :style="beside">{{ refused }}</p>
    <div ref="scroller" class="scroller">
      <div class="sheet" :style="{ width: `${LABELS + width + 12}px` }">
        <div class="labels" aria-hidden="true">
          <div
            v-for="rail in layout.rails"
            :key="rail.key"
            class="rail-label"
            :style="{ top: `${rail.y}px`, height: `${rail.height}px` }"
          >
            <strong>{{ rail.label }}</strong>
            <strong v-if="rail.key === 'door'">Ready</strong>
            <span v-else>{{ rail.sub }}</span>
          </div>
        </div>
        <svg
          class="drawing"
          :class="{ still: moving }"
          :width="width + 12"
          :height="layout.height"
          role="group"
          aria-label="The day’s clock: every dog’s path. Arrow keys move a visit, Enter opens it."
        >
          <defs>
            <pattern
              v-for="path in layout.paths"
              :id="tileId(path)"
              :key="path.seatId"
              v-memo="[path.seatId, path.coat, path.colour, coatTile(path)]"
              :width="TILE.width"
              :height="TILE.height"
              patternUnits="userSpaceOnUse"
            >
              <rect :width="TILE.width" :height="TILE.height" :fill="pairOf(path).tint" />
              <image :href="coatTile(path)" :width="TILE.width" :height="TILE.height" />
            </pattern>
          </defs>
          <g>
            <template v-for="rail in layout.rails" :key="rail.key">
              <rect
                v-if="rail.key !== 'door'"
                x="0"
                :y="rail.y"
                :width="right"
                :height="rail.height"
                fill="var(--enamel)"
              />
              <path
                v-if="rail.key !== 'door'"
                :d="`M0 ${rail.y}H${right}`"
                stroke="var(--rim)"
                :stroke-width="rail.key === 'hands' ? 2.5 : 1.2"
              />
            </template>
            <template v-for="(hour, i) in layout.hours" :key="hour.text">
              <path :d="`M${hour.x} 22V${layout.height}`" class="hour" />
              <text
                :x="hour.x"
                y="15"
                class="tick"
                :text-anchor="i === 0 ? 'start' : i === layout.hours.length - 1 ? 'end' : 'middle'"
              >
                {{ hour.text }}
              </text>
            </template>
            <g v-if="layout.helper">
              <rect
                :x="layout.helper.x1"
                :y="layout.helper.y + 1"
                :width="Math.max(0, layout.helper.x2 - layout.helper.x1)"
                height="36"
                class="there"
              />
            </g>
            <g v-for="pause in layout.pauses" :key="pause.text">
              <rect :x="pause.x1" :y="pause.y" :width="pause.x2 - pause.x1" :height="pause.height" class="pause" />
              <text :x="(pause.x1 + pause.x2) / 2" :y="pause.y + 24" class="tick" text-anchor="middle">
                {{ pause.x2 - pause.x1 > pause.text.length * 7 ? pause.text : '' }}
              </text>
            </g>
          </g>

          <g
            v-for="path in layout.paths"
            :key="path.seatId"
            class="thread"
            :class="{ dim: lit && lit !== path.seatId }"
          >
            <path :d="path.thread" fill="none" stroke="var(--enamel)" stroke-width="9" />
            <path :d="path.thread" fill="none" :stroke="pairOf(path).stroke" stroke-width="5.2" />
            <path :d="path.thread" fill="none" :stroke="pairOf(path).tint" stroke-width="2" />
          </g>
          <g
            v-for="path in layout.paths"
            :key="`${path.seatId} ribbons`"
            class="dog"
            :class="{ dim: lit && lit !== path.seatId }"
            @pointerenter="hovered = path.seatId"
            @pointerleave="hovered = undefined"
          >
            <g v-for="(hand, i) in path.hands" :key="`hand ${i}`">
              <rect
                :x="hand.x1"
                :y="hand.y + 30"
                :width="Math.max(1, hand.x2 - hand.x1)"
                height="6"
                rx="3"
                :fill="pairOf(path).stroke"
              />
              <text :x="(hand.x1 + hand.x2) / 2" :y="hand.y + 23" class="hand-name" :fill="pairOf(path).stroke">
                {{ hand.label }}
              </text>
            </g>
            <g
              v-for="ribbon in path.ribbons"
              :key="ribbon.key"
              v-grip="{ path, ribbon }"
              class="ribbon"
              :class="{ fixed: ribbon.parts.length === 0, on: selected === path.seatId }"
              :tabindex="isStop(path, ribbon) ? 0 : undefined"
              :role="isStop(path, ribbon) ? 'button' : ribbon.parts.length > 0 ? 'img' : undefined"
              :aria-label="ribbon.parts.length > 0 ? labelOf(path, ribbon) : undefined"
              :data-ribbon="ribbon.key"
              @keydown="keyed($event, path, ribbon)"
            >
              <title>{{ labelOf(path, ribbon) }}</title>
              <rect
                :x="ribbon.x1 - 2"
                :y="ribbon.y - Math.max(22, ribbon.height / 2)"
                :width="ribbon.x2 - ribbon.x1 + 4"
                :height="Math.max(44, ribbon.height)"
                fill="transparent"
                :pointer-events="ribbon.wide ? 'all' : 'none'"
              />
              <g :transform="`translate(${ribbon.x1} ${ribbon.y - 26})`">
                <path
                  :d="lens(0, Math.max(5, ribbon.x2 - ribbon.x1), 26, ribbon.height)"
                  :fill="`url(#${tileId(path)})`"
                  :stroke="pairOf(path).stroke"
                  :stroke-width="ribbon.wide ? 1.8 : 1.5"
                  :opacity="ribbon.parts.length > 0 ? 1 : 0.75"
                />
                <g v-if="nameFits(path, ribbon)">
                  <rect
                    :x="(ribbon.x2 - ribbon.x1) / 2 - path.name.length * 3.9 - 5"
                    y="17"
                    :width="path.name.length * 7.8 + 10"
                    height="18"
                    rx="3"
                    fill="var(--enamel)"
                  />
                  <text :x="(ribbon.x2 - ribbon.x1) / 2" y="30.5" class="name" :fill="pairOf(path).stroke">
                    {{ path.name }}
                  </text>
                </g>
                <g v-if="ribbon.pinned" :transform="`translate(${Math.min(10, (ribbon.x2 - ribbon.x1) / 2)} 1)`">
                  <path d="M-6 -5H6V1.5Q6 6 0 6Q-6 6 -6 1.5Z" fill="var(--rim)" />
                  <path d="M0 6V13" stroke="var(--rim)" stroke-width="2" />
                </g>
              </g>
            </g>
            <circle :cx="path.inLabel.x" :cy="path.inLabel.y" r="3.6" :fill="pairOf(path).stroke" />
            <text
              :x="path.inLabel.textX"
              :y="path.inLabel.textY + 10"
              class="time"
              :text-anchor="path.inLabel.anchor"
              :fill="pairOf(path).stroke"
            >
              {{ path.inLabel.text }}
            </text>
            <path :d="`M${path.outLabel.x - 4.5} ${path.outLabel.y}h9l-4.5 7z`" :fill="pairOf(path).stroke" />
            <text
              :x="path.outLabel.textX"
              :y="path.outLabel.textY + 9"
              class="time"
              :text-anchor="path.outLabel.anchor"
              :fill="pairOf(path).stroke"
            >
              {{ path.outLabel.text }}
            </text>
          </g>
          <path
            v-for="(c, i) in layout.cleaning"
            :key="i"
            :d="`M${c.x1} ${c.y}H${c.x2}`"
            stroke="var(--ink2)"
            stroke-width="3"
            stroke-dasharray="3 3"
          />
          <g v-if="now !== undefined" class="now">
            <rect
              :x="xOf(now)"
              y="24"
              :width="Math.max(0, right - xOf(now))"
              :height="layout.height - 24"
              class="ahead"
            />
            <path :d="`M${xOf(now)} 20V${layout.height}`" stroke="var(--rim)" stroke-width="3" />
            <path :d="`M${xOf(now) - 27} 0h54v12q0 10 -10 10h-34q-10 0 -10 -10z`" fill="var(--rim)" />
            <text :x="xOf(now)" y="15" text-anchor="middle" class="now-text">{{ say.clock(now) }}</text>
          </g>
        </svg>
        <DayGauges
          v-if="run"
          :run="run"
          :house="house"
          :from="layout.from"
          :px="layout.pxPerMinute"
          :width="right"
          :labels="LABELS"
          :now="now"
          :finding="finding"
          :findings="state.findings"
        />
      </div>
    </div>
    <p class="key soft small">
      Wide ribbon: hands are on the dog. Narrow: it rests or dries alone.
      {{ cleanWords ? 'Dotted: the tub is cleaned.' : '' }}
      <span class="zooms">
        <UiButton kind="link" :disabled="zoom <= 1" @click="zoom = Math.max(1, zoom / 1.4)"> Narrower </UiButton>
        <UiButton kind="link" :disabled="zoom > 3" @click="zoom = zoom * 1.4">Wider</UiButton>
      </span>
    </p>
  </div>
</template>

<style scoped>
.clock {
  position: relative;
}
.beside {
  position: absolute;
  z-index: 3;
  padding: 6px 12px 8px;
  border-top: 3px solid var(--stop);
  border-radius: 0 0 14px 14px;
  background: var(--stop-tint);
  color: var(--stop);
  font-weight: 600;
  pointer-events: none;
}
.drawing {
  user-select: none;
}
.scroller {
  overflow-x: auto;
  overflow-y: hidden;
  padding-bottom: 4px;
}
.sheet {
  position: relative;
}
.labels {
  position: sticky;
  left: 0;
  z-index: 2;
  width: 92px;
  height: 0;
}
.rail-label {
  position: absolute;
  left: 0;
  display: flex;
  flex-direction: column;
  justify-content: center;
  width: 88px;
  background: var(--ground);
  font-size: 13px;
  line-height: 1.25;
}
.rail-label strong {
  font-size: 15px;
}
.rail-label span {
  color: var(--ink2);
}
.drawing {
  margin-left: 92px;
  overflow: visible;
  touch-action: pan-x pan-y;
}
.hour {
  stroke: var(--rule);
  stroke-dasharray: 1 5;
  stroke-linecap: round;
}
.tick {
  fill: var(--ink2);
  font-size: 13px;
  font-weight: 600;
}
.pause {
  fill: var(--ground);
}
.there {
  fill: none;
  stroke: var(--rule);
  stroke-width: 1.5;
}
.hand-name {
  font-size: 13.5px;
  font-weight: 700;
  text-anchor: middle;
}
.name {
  font-size: 13px;
  font-weight: 700;
  text-anchor: middle;
}
.time {
  paint-order: stroke;
  stroke: var(--ground);
  stroke-width: 4px;
  font-size: 12.8px;
  font-weight: 600;
}
.ribbon {
  cursor: grab;
  outline: none;
  touch-action: pan-y;
}
.ribbon.fixed {
  cursor: default;
  pointer-events: none;
}
.ribbon:focus-visible path:first-of-type {
  stroke: var(--rim);
  stroke-width: 4;
}
.ribbon.on path:first-of-type {
  stroke-width: 2.6;
}
.dim {
  opacity: 0.35;
}
.thread,
.dog {
  transition: opacity 160ms ease-out;
}
.drawing:not(.still) .ribbon > g {
  transition: transform 160ms ease-out;
}
.ahead {
  fill: var(--ground);
  opacity: 0.5;
  pointer-events: none;
}
.now-text {
  fill: var(--on-rim);
  font-size: 14px;
  font-weight: 700;
}
.key {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 2px 14px;
  margin-left: 92px;
}
.zooms {
  display: inline-flex;
  gap: 18px;
}
.zooms .link:disabled {
  color: var(--ink2);
  text-decoration: none;
  cursor: default;
}
@media (max-width: 640px) {
  .key {
    margin-left: 0;
  }
}
</style>
