/** @jest-environment jsdom */
import { ref } from 'vue'
import { createPinia, setActivePinia } from 'pinia'
import { emptyDay, type HoldWish, type WashDay } from '@core/washday'
import { roomWith } from '@core/fixtures'
import type { useDay } from './useDay'
import { useMoves } from './useMoves'

type Book = ReturnType<typeof useDay>
const empty = emptyDay('2026-11-28', roomWith())

beforeEach(() => {
  setActivePinia(createPinia())
  globalThis.requestAnimationFrame = (drawn) => {
    queueMicrotask(() => drawn(0))
    return 0
  }
})

/** A day as a hand meets it; `answers` says whether the worker’s answer still is about it. */
function bookOf(answers: boolean) {
  const day = ref<WashDay>(empty)
  const preview = ref<{ day: WashDay }>()
  const ended: string[] = []
  const at = (wish: HoldWish) => ({ day: { ...day.value, heaterFrom: wish.at } })
  const book = {
    day,
    preview,
    facts: ref(undefined),
    heldTo: at,
    askHeld: async (wish: HoldWish) => (answers ? at(wish) : undefined),
    show: (held?: { day: WashDay }) => (preview.value = held),
    change: (next: WashDay) => (day.value = next),
    stopArranging: (keep: boolean) => {
      ended.push(keep ? 'kept' : 'dropped')
      preview.value = undefined
    },
  }
  return { book: book as unknown as Book, day, preview, ended }
}

test('a hand ends a search that is under way and keeps what it had found: it takes hold of what is seen', async () => {
  const { book, day, preview, ended } = bookOf(true)
  preview.value = { day: { ...empty, heaterFrom: 480 } }
  const { drag, drop } = useMoves(book)
  drag('a', 'wash', 600)
  drag('a', 'wash', 605)
  await drop()
  expect(ended).toEqual(['kept'])
  expect(day.value.heaterFrom).toBe(605)
})

test('a place let go of while the day changed is held in the day as it is now', async () => {
  const { book, day } = bookOf(false)
  const { drag, drop } = useMoves(book)
  drag('a', 'dry', 700)
  await drop()
  expect(day.value.heaterFrom).toBe(700)
})

test('a hand that moved nothing takes nothing over', async () => {
  const { book, day, preview } = bookOf(true)
  preview.value = { day: { ...empty, heaterFrom: 480 } }
  await useMoves(book).drop()
  expect(day.value.heaterFrom).toBeNull()
})
