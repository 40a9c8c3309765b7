/** @jest-environment jsdom */
import { flushPromises, mount } from '@vue/test-utils'
import { defineComponent, h, ref } from 'vue'
import type { Change } from '@contract'

let stream: EventSource & { closed?: boolean }
const opened: EventSource[] = []
let asked: string[]
let answers: Record<string, unknown>
/** Until this has come, no answer does. */
let hold: Promise<void> = Promise.resolve()
let queries: typeof import('./queries')
let client: typeof import('./client')

class FakeStream {
  readyState = 1
  closed = false
  constructor(readonly url: string) {
    stream = this as never
    opened.push(stream)
  }
  addEventListener() {}
  close() {
    this.closed = true
  }
}

beforeAll(async () => {
  Object.assign(globalThis, {
    EventSource: FakeStream,
    fetch: (url: string, { method }: { method: string }) => {
      asked.push(`${method} ${url}`)
      const answer = answers[url]
      const held = hold
      const status = answer === undefined ? 404 : 200
      const body = answer ?? { title: 'Not found', status, detail: 'There is no such dog.', errors: [] }
      return held.then(() => ({
        status,
        ok: status === 200,
        headers: new Headers(),
        json: () => Promise.resolve(body),
      }))
    },
  })
  Object.defineProperty(document, 'visibilityState', { value: 'visible', configurable: true })
  const live = await import('./live')
  queries = await import('./queries')
  client = await import('./client')
  queries.keepInStep()
  live.followServer()
})
beforeEach(() => {
  asked = []
  queries.kept.clear()
  stream.onopen!({} as Event)
})

const tell = async (change: Change) => {
  stream.onmessage!({ data: JSON.stringify(change) } as MessageEvent)
  await flushPromises()
}

/** A view that shows a dog's name, or what went wrong. */
const shows = (id = ref('a')) => {
  const view = defineComponent(() => {
    const { answer, problem, loading } = queries.useAsk('GET /dogs/{id}', () => ({ params: { id: id.value } }))
    return () => h('p', loading.value ? 'loading' : (problem.value?.detail ?? answer.value?.record.name))
  })
  return mount(view)
}
const dog = (name: string, version = 1) => ({ id: name, version, changedAt: '', record: { name } })

test('loading, then what was answered; two views that ask the same ask once', async () => {
  answers = { '/api/dogs/a': dog('Fig') }
  const [one, two] = [shows(), shows()]
  expect(one.text()).toBe('loading')
  await flushPromises()
  expect([one.text(), two.text(), asked]).toEqual(['Fig', 'Fig', ['GET /api/dogs/a']])
  one.unmount()
  two.unmount()
  // shown again while changes are told of: nothing is asked
  const again = shows()
  expect(again.text()).toBe('Fig')
  await flushPromises()
  expect(asked).toEqual(['GET /api/dogs/a'])
  again.unmount()
})

test('an answer that a change overtook on its way is asked again, for whoever waits for it and from then on', async () => {
  let arrive = () => {}
  hold = new Promise((resolve) => (arrive = resolve))
  answers = { '/api/dogs/a': dog('Fig') }
  const first = queries.askKept('GET /dogs/{id}', { params: { id: 'a' } })
  await flushPromises()
  answers = { '/api/dogs/a': dog('Fig the Second', 2) }
  await tell({ what: 'dogs', id: 'a' })
  const second = queries.askKept('GET /dogs/{id}', { params: { id: 'a' } })
  arrive()
  hold = Promise.resolve()
  expect((await first).record.name).toBe('Fig the Second')
  expect((await second).record.name).toBe('Fig the Second')
  expect((await queries.askKept('GET /dogs/{id}', { params: { id: 'a' } })).record.name).toBe('Fig the Second')
  expect(asked).toEqual(['GET /api/dogs/a', 'GET /api/dogs/a'])
})

test('a change of this dog is asked for at once, one of another isn’t', async () => {
  answers = { '/api/dogs/a': dog('Fig') }
  const view = shows()
  await flushPromises()
  answers = { '/api/dogs/a': dog('Figaro', 2) }
  await tell({ what: 'dogs', id: 'b' })
  await tell({ what: 'days', date: '2026-11-28' })
  expect(view.text()).toBe('Fig')
  await tell({ what: 'dogs', id: 'a' })
  expect(view.text()).toBe('Figaro')
  view.unmount()
})

test('what is gone, and what is refused, is told in words; the last answer stays until another is there', async () => {
  answers = { '/api/dogs/a': dog('Fig'), '/api/dogs/b': dog('Moss') }
  const id = ref('a')
  const view = shows(id)
  await flushPromises()
  id.value = 'b'
  await view.vm.$nextTick()
  expect(view.text()).toBe('Fig')
  await flushPromises()
  expect(view.text()).toBe('Moss')
  answers = {}
  await tell({ what: 'dogs', id: 'b' })
  expect(view.text()).toBe('There is no such dog.')
  view.unmount()
})

test('after the stream was cut everything in sight is asked again', async () => {
  answers = { '/api/dogs/a': dog('Fig') }
  const view = shows()
  await flushPromises()
  answers = { '/api/dogs/a': dog('Figaro', 2) }
  stream.onerror!({} as Event)
  stream.onopen!({} as Event)
  await flushPromises()
  expect(view.text()).toBe('Figaro')
  view.unmount()
})

test('without the stream every view asks again, and what this window writes is asked for anew', async () => {
  answers = { '/api/dogs/a': dog('Fig') }
  stream.onerror!({} as Event)
  shows().unmount()
  await flushPromises()
  const view = shows()
  await flushPromises()
  expect(asked).toEqual(['GET /api/dogs/a', 'GET /api/dogs/a'])
  await client.ask('DELETE /dogs/{id}', { params: { id: 'a' } })
  await flushPromises()
  expect(asked.slice(2)).toEqual(['DELETE /api/dogs/a', 'GET /api/dogs/a'])
  view.unmount()
})

test('a hidden window holds no connection, and catches up when it is shown', async () => {
  const show = async (state: string) => {
    Object.defineProperty(document, 'visibilityState', { value: state, configurable: true })
    document.dispatchEvent(new Event('visibilitychange'))
    await flushPromises()
  }
  const before = opened.length
  const old = stream as unknown as FakeStream
  await show('hidden')
  expect(old.closed).toBe(true)
  await show('visible')
  expect(opened.length).toBe(before + 1)
})

test('addresses are filled in and what isn’t asked is left out', () => {
  const { urlOf } = client
  expect(urlOf('GET /dogs/{id}', { params: { id: 'a b' } })).toBe('/api/dogs/a%20b')
  expect(urlOf('GET /days', { query: { from: undefined, limit: 3 } })).toBe('/api/days?limit=3')
})
