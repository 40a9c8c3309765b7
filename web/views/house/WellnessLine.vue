<script setup lang="ts">
import { computed } from 'vue'
import { onWritten } from '../../api/client'
import { useAsk } from '../../api/queries'
import { useSay } from '../../say'

/** Whether all is well with how the room is kept, in one line; what isn't, and what to do, in one line each. */
const say = useSay()
const { answer: health, again } = useAsk('GET /health', {})
onWritten(({ address }) => {
  if (address.includes('/backups')) again()
})
const well = computed(() => health.value?.well)
const [GB, HOUR, DAY] = [1000, 60, 1440]
const backup = computed(() => {
  if (well.value?.keptBy === 'server') return 'backups are the database server’s'
  const age = well.value?.backup?.ageMin
  if (age === undefined) return 'the first backup comes in a minute'
  if (age < HOUR) return `a backup ${say.count(age, 'minute')} old`
  return age < 2 * DAY
    ? `a backup ${say.count(Math.floor(age / HOUR), 'hour')} old`
    : `a backup ${Math.floor(age / DAY)} days old`
})
const free = computed(() => {
  const mb = health.value?.freeMb
  return mb === null || mb === undefined ? '' : `, ${mb < GB ? `${mb} MB` : `${Math.floor(mb / GB)} GB`} free`
})
const urgent = computed(() => well.value?.troubles.filter((t) => t.what !== 'practise') ?? [])
const later = computed(() => well.value?.troubles.filter((t) => t.what === 'practise') ?? [])
</script>

<template>
  <div v-if="well" data-testid="wellness">
    <p v-for="trouble in urgent" :key="trouble.says" class="field-error" role="alert">{{ trouble.says }}</p>
    <p v-if="urgent.length === 0" class="soft">All is well: {{ backup }}{{ free }}.</p>
    <p v-for="trouble in later" :key="trouble.says" class="soft">
      {{ trouble.says }} <a class="link" href="#backups">Backups</a>
    </p>
  </div>
</template>
