import { onScopeDispose, ref } from 'vue'

interface Heard {
  results: ArrayLike<ArrayLike<{ transcript: string }> & { isFinal: boolean }>
}
interface Recognition {
  lang: string
  continuous: boolean
  interimResults: boolean
  processLocally: boolean
  onresult: ((event: Heard) => void) | null
  onend: (() => void) | null
  onerror: (() => void) | null
  start(): void
  stop(): void
}
interface RecognitionKind {
  new (): Recognition
  /** Whether a language is understood on the device itself, without sending the voice anywhere. */
  available?: (of: { langs: string[]; processLocally: boolean }) => Promise<string>
}

/**
 * Dictation by the device itself: only where it understands speech without sending it anywhere; elsewhere the
 * microphone of the keyboard does. `said` gets what was understood.
 */
export function useDictation(said: (text: string) => void) {
  const Kind = (window as unknown as { SpeechRecognition?: RecognitionKind }).SpeechRecognition
  const there = ref(false)
  const listens = ref(false)
  let recognition: Recognition | undefined
  const lang = navigator.language
  Kind?.available?.({ langs: [lang], processLocally: true })
    .then((how) => (there.value = how === 'available'))
    .catch(() => undefined)

  function toggle() {
    if (listens.value) return recognition?.stop()
    if (!Kind) return
    recognition = new Kind()
    Object.assign(recognition, { lang, continuous: true, interimResults: false, processLocally: true })
    recognition.onresult = ({ results }) => {
      const last = results[results.length - 1]
      if (last?.isFinal) said(last[0]!.transcript.trim())
    }
    recognition.onend = () => (listens.value = false)
    recognition.onerror = () => (listens.value = false)
    listens.value = true
    recognition.start()
  }
  onScopeDispose(() => recognition?.stop())
  return { there, listens, toggle }
}
