import { computed, onScopeDispose, ref, watch } from 'vue'
import { INSTRUMENTS, meanLevel, waterState } from '@core/instruments'
import { dryerUse } from '@core/visit'
import type { Alarm } from './useAlarm'
import { useReadings } from '../../parts/useReadings'
import type { Tub } from './useTub'
import { useSay } from '../../say'

/** Readings a minute: one comes every second. */
const SECONDS = 60

/**
 * What the instruments say at a visit's step: water while the shower runs, watts and sound while a dryer
 * does, the scale at the towels. Water out of its band holds the step up; over the alarm it is written down
 * as something that happened. The sound of a dryer's run goes into the record when it ends.
 */
export function useMeasured(tub: Tub, alarm: Alarm) {
  const say = useSay()
  const { visit, record, step, started } = tub
  const atWater = computed(() => step.value?.place === 'tub' && visit.value?.plan.go === true)
  /** The clock was stopped because the water was out of its band; the shower still runs. */
  const waterPaused = ref(false)
  const showerRuns = computed(
    () => /^(wet|rinse)/.test(step.value?.id ?? '') && started.value && (!record.value.paused || waterPaused.value),
  )
  const driesByHand = computed(
    () => ['dry', 'dry-fast', 'blow-out'].includes(step.value?.id ?? '') && step.value?.hands === true,
  )
  const dryers = computed(() => (visit.value ? dryerUse(visit.value.plan.drying) : []))
  const dryerRuns = computed(() => driesByHand.value && started.value && !record.value.paused)
  const circuit = computed(
    () => visit.value?.inputs.house.dryers.find((d) => d.name === dryers.value[0]?.name)?.circuit ?? '',
  )
  const scene = computed(() => {
    if (showerRuns.value) return { target: visit.value!.plan.water.target.value }
    if (driesByHand.value && started.value) {
      const most = (of: (d: (typeof dryers.value)[number]) => number) => Math.max(0, ...dryers.value.map(of))
      return dryerRuns.value ? { watts: most((d) => d.watts), level: most((d) => d.level) } : {}
    }
    return step.value?.id === 'towel' && started.value ? {} : undefined
  })
  const readings = useReadings(
    () => visit.value?.inputs.house.instruments ?? [],
    () => scene.value,
    tub.now,
  )

  /** The thermometer was said to be wrong: the wrist tells from then on. */
  const mistrusted = ref(false)
  const water = computed(() => (mistrusted.value ? undefined : readings.of('thermometer')))
  const tooWarm = computed(() => {
    if (!atWater.value || water.value?.state !== 'live') return undefined
    const state = waterState(water.value.value, visit.value!.plan.water)
    return state === 'stop' || state === 'warm' ? state : undefined
  })
  const warmFor = ref(0)
  watch(tub.now, () => (warmFor.value = tooWarm.value ? warmFor.value + 1 : 0))
  const blocked = computed(
    () => tooWarm.value !== undefined && (tooWarm.value === 'stop' || warmFor.value > INSTRUMENTS.warmFor.value),
  )
  watch(blocked, (wait) => {
    if (wait && !record.value.paused) {
      waterPaused.value = true
      tub.tap({ kind: 'pause' })
    } else if (!wait && waterPaused.value) {
      waterPaused.value = false
      if (record.value.paused) tub.tap({ kind: 'resume' })
    }
  })
  watch(tooWarm, (state, before) => {
    if (state !== 'stop' || before === 'stop' || water.value?.state !== 'live') return
    const text = `${say.temperature(water.value.value)} at the nozzle`
    tub.tap({ kind: 'happened', what: 'water too hot or cold', text })
    alarm.alarm('Stop. Water too hot.')
  })

  const heard = ref<number[]>([])
  watch(
    () => readings.readings.value.sound?.at(-1)?.at,
    () => {
      const level = readings.readings.value.sound?.at(-1)?.value
      if (dryerRuns.value && level !== undefined && readings.of('sound')?.state === 'live') heard.value.push(level)
    },
  )
  function writeNoise() {
    const level = meanLevel(heard.value)
    if (level !== undefined)
      tub.tap({ kind: 'noise', level: Math.min(140, Math.max(20, level)), minutes: heard.value.length / SECONDS })
    heard.value = []
  }
  watch(dryerRuns, (on) => !on && writeNoise())
  onScopeDispose(writeNoise)

  /** The run that goes on, as it was heard so far. */
  const running = computed(() => {
    const level = meanLevel(heard.value)
    return level === undefined ? [] : [{ level, minutes: heard.value.length / SECONDS }]
  })

  const mistrust = () => (mistrusted.value = true)

  return { readings, water, atWater, driesByHand, circuit, blocked, running, mistrust }
}
