/** @jest-environment jsdom */
import { effectScope, nextTick, ref } from 'vue'
import { closeDevice, device } from '../device/device'
import { copyOf, useEdits } from './useEdits'

interface Record {
  name: string
  litres: number
}
const KEY = 'juvant.test.edits'
beforeEach(closeDevice)

/** A view that edits a record, opened on what is stored. */
function opened(stored: Record, version = 1) {
  const scope = effectScope()
  const draft = ref<Record>(copyOf(stored))
  const edits = scope.run(() =>
    useEdits<Record>(
      () => KEY,
      () => draft.value,
    ),
  )!
  const before = edits.before()
  edits.begin(version, stored)
  return { draft, edits, before, leave: () => scope.stop() }
}
const stored = { name: 'Room', litres: 200 }

test('what was changed and not saved is there again after leaving, with the version it was begun on', async () => {
  const first = opened(stored, 3)
  expect(first.edits.unsaved.value).toBe(false)
  first.draft.value.litres = 180
  await nextTick()
  expect(first.edits.unsaved.value).toBe(true)
  first.leave()
  expect(opened(stored, 4).before).toEqual({ version: 3, base: stored, draft: { name: 'Room', litres: 180 } })
})

test('what is typed and can’t be read yet is kept as such', async () => {
  const first = opened(stored)
  first.draft.value.litres = NaN
  await nextTick()
  expect(opened(stored).before!.draft.litres).toBeNaN()
})

test('changed back, saved or given up: nothing is left to take up', async () => {
  const view = opened(stored)
  view.draft.value.name = 'Shed'
  await nextTick()
  view.draft.value.name = 'Room'
  await nextTick()
  expect(opened(stored).before).toBeUndefined()
  view.draft.value.name = 'Shed'
  await nextTick()
  view.edits.begin(2, copyOf(view.draft.value))
  await nextTick()
  expect([view.edits.unsaved.value, opened(stored).before]).toEqual([false, undefined])
  view.draft.value.name = 'Barn'
  await nextTick()
  view.edits.forget()
  expect(opened(stored).before).toBeUndefined()
})

test('something else under that key is left alone', () => {
  device.write(KEY, 'not of ours')
  expect(opened(stored).before).toBeUndefined()
})
