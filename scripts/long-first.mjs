import Sequencer from '@jest/test-sequencer'

/** What takes long and is short to read: where nothing is known of earlier runs, Jest would leave these for the end. */
const LONG = /[.]proof[.]test[.]ts$|server\/db\/(db|durable)[.]test[.]ts$/

/** Long tests first, so that no core waits at the end of a run for one that was begun last. */
export default class LongFirst extends Sequencer {
  sort(tests) {
    const sorted = super.sort(tests)
    const early = (test) => test.duration === undefined && LONG.test(test.path)
    return [...sorted.filter(early), ...sorted.filter((test) => !early(test))]
  }
}
