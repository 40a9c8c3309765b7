<script setup lang="ts">
import type { Notice } from '@core/caution'
import { noticeNext, noticeTitle } from '@words'
import { useSay } from '../say'
import StateMark from './StateMark.vue'

const { notice } = defineProps<{ notice: Notice }>()
const say = useSay()
</script>

<template>
  <div class="notice" :class="notice.level" :role="notice.level === 'stop' ? 'alert' : undefined">
    <StateMark :state="notice.level === 'stop' ? 'stop' : 'watch'" :size="notice.level === 'stop' ? 34 : 22" />
    <div>
      <p class="title">
        <span v-if="notice.level === 'stop'">Stop.</span>
        {{ noticeTitle(notice, say) }}
      </p>
      <p class="next">{{ noticeNext(notice, say) }}</p>
    </div>
  </div>
</template>

<style scoped>
.notice {
  display: flex;
  gap: 12px;
  align-items: flex-start;
}
.stop {
  padding: 12px 16px 14px;
  background: var(--stop-tint);
  border-top: 5px solid var(--stop);
  border-radius: 0 0 18px 18px;
  color: var(--ink);
}
.stop .title {
  color: var(--stop);
  font: 700 19px/1.25 var(--text);
}
.stop .next {
  font-size: 16px;
}
.caution .title {
  font-weight: 600;
}
.caution .next {
  color: var(--ink2);
  font-size: 14px;
}
svg {
  flex: none;
}
</style>
