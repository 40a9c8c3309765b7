import { useLocalStorage } from '@vueuse/core'
import { ref } from 'vue'

/** What may be heard and seen beside the words: sound, a flash, and steps spoken aloud. Each can be turned off. */
export function useAlarm() {
  const sound = useLocalStorage('juvant.tub.sound', 'off')
  const flashes = useLocalStorage('juvant.tub.flash', 'on')
  const speech = useLocalStorage('juvant.tub.speech', 'off')
  const flash = ref(false)

  function beep() {
    const context = new AudioContext()
    const tone = context.createOscillator()
    tone.frequency.value = 880
    tone.connect(context.destination)
    tone.start()
    tone.stop(context.currentTime + 0.5)
    tone.addEventListener('ended', () => void context.close())
  }
  /** Says aloud what is to do, in the browser's own voice. */
  function speak(text: string) {
    if (speech.value !== 'on' || !('speechSynthesis' in window)) return
    speechSynthesis.cancel()
    speechSynthesis.speak(new SpeechSynthesisUtterance(text))
  }
  function alarm(text: string) {
    if (sound.value === 'on') beep()
    if (flashes.value === 'on') flash.value = true
    speak(text)
  }
  const switches = { sound, flashes, speech }
  function flip(key: keyof typeof switches) {
    switches[key].value = switches[key].value === 'on' ? 'off' : 'on'
  }
  return { ...switches, flip, flash, alarm, speak }
}
export type Alarm = ReturnType<typeof useAlarm>
