<script setup lang="ts">
import { useClipboard, useShare } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { mailOf, telOf } from '@core/dog'
import { useAsk } from '../api/queries'
import { useRoom } from '../stores/room'
import UiButton from '../ui/UiButton.vue'
import UiText from '../ui/UiText.vue'
import { signed } from '@words'

const {
  message,
  label = 'Message to the owner',
  dogId,
  noted = false,
} = defineProps<{
  message: string
  label?: string
  /** The dog whose owner it goes to: by the ways that its record knows. */
  dogId?: string
  /** That it was sent is noted by whoever shows it. */
  noted?: boolean
}>()
const emit = defineEmits<{ close: []; sent: [] }>()
const room = useRoom()
const whole = computed(() => signed(message, room.house?.name ?? ''))
const text = ref(whole.value)
watch(whole, (now) => (text.value = now))

const { answer: dogs } = useAsk('GET /dogs', () => (dogId ? {} : undefined))
const contact = computed(() => dogs.value?.find((d) => d.id === dogId)?.record.ownerContact ?? '')
const body = computed(() => encodeURIComponent(text.value))
const sms = computed(() => {
  const tel = telOf(contact.value)
  return tel && `sms:${tel}?&body=${body.value}`
})
const mail = computed(() => {
  const to = mailOf(contact.value)
  return to && `mailto:${to}?subject=${encodeURIComponent(room.house?.name ?? '')}&body=${body.value}`
})
const { copy, copied } = useClipboard({ legacy: true })
const { share, isSupported } = useShare()
/** Whoever shares may change their mind. */
const send = () =>
  share({ text: text.value }).then(
    () => emit('sent'),
    () => undefined,
  )
</script>

<template>
  <div class="message basin">
    <UiText v-model="text" :label="label" :rows="2" :most="700" />
    <div class="buttons">
      <a v-if="sms" class="button" :href="sms" @click="emit('sent')">Text message</a>
      <a v-if="mail" class="button" :href="mail" @click="emit('sent')">Mail</a>
      <UiButton v-if="isSupported" @click="send">Share</UiButton>
      <UiButton @click="copy(text)">{{ copied ? 'Copied' : 'Copy' }}</UiButton>
      <UiButton v-if="noted" kind="link" @click="(emit('sent'), emit('close'))">It is sent</UiButton>
      <UiButton kind="link" @click="emit('close')">Close</UiButton>
    </div>
  </div>
</template>

<style scoped>
.buttons {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 18px;
  align-items: center;
  margin-top: 8px;
}
</style>
