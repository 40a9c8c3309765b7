/** What stands on the help sheet of a view: what the view is for, line by line, and its keys. */
export interface Help {
  title: string
  lines: readonly string[]
  keys: readonly (readonly [key: string, does: string])[]
}

/** Views that have a sheet of their own, by their place in the menu. */
export type HelpOf = 'day' | 'tub' | 'dogs' | 'recipes' | 'shelf' | 'logbook' | 'house'

/** The guide: a sheet for each task, by the name of its file in docs/guide. */
export const GUIDE = {
  'plan-a-day': 'Plan a day',
  'check-in': 'Check a dog in',
  recipe: 'A dog’s recipe',
  'at-the-tub': 'At the tub',
  dogs: 'Dogs and their records',
  shelf: 'The shelf',
  logbook: 'The logbook',
  money: 'What it costs and earns',
  house: 'The house',
  devices: 'More devices',
  backups: 'Backups',
} as const
export type GuideSheet = keyof typeof GUIDE

/** The sheets of the guide that belong to each view. */
export const GUIDE_OF: Record<HelpOf, readonly GuideSheet[]> = {
  day: ['plan-a-day', 'check-in'],
  tub: ['at-the-tub'],
  dogs: ['dogs', 'check-in'],
  recipes: ['recipe', 'check-in'],
  shelf: ['shelf'],
  logbook: ['logbook', 'money'],
  house: ['house', 'money', 'devices', 'backups'],
}

/** Said on every sheet. */
export const HELP_LAST =
  'The vet, the product’s label and local rules go before anything said here. Water that is right for you can scald a dog: the thermometer decides.'

/** The help sheet of each view. */
export const HELP: Record<HelpOf, Help> = {
  day: {
    title: 'The day',
    lines: [
      'Each dog’s path runs from the door to the door. Wide: your hands are on the dog. Narrow: it rests or dries alone.',
      'A dog that joins is offered times that fit; “Any time” leaves it open. “Arrange again” looks for the best order of all.',
      'Drag a wide ribbon to hold that part at a time. What is held stays where it is when you arrange again.',
      'What is wrong is above the list, with ways out that were tried.',
      '“Where they are” says who is here, in hand, ready or late. It writes the message for the owner.',
      '“Evening” says what differed, and what is for next time. It lists what is left to do before the light goes out.',
      '“What another order would change” says what would be better, and at what cost; House says what counts how much.',
      '“Messages” tells each owner when to come. It finds times for those who can come whenever it suits.',
      '“Mix and lay out” is what to have ready before the first dog. “Another day” on a dog moves it with its hours.',
    ],
    keys: [
      ['Tab', 'from ribbon to ribbon'],
      ['← →', 'the part begins 5 minutes earlier or later; with Shift, 15'],
      ['P', 'pins the part where it is, or lets it go'],
      ['Enter', 'opens the dog'],
      ['Ctrl Z, Ctrl Y', 'undo and redo'],
    ],
  },
  tub: {
    title: 'At the tub',
    lines: [
      'One step at a time. The large button ends it and begins the next; what it still waits for is beside it.',
      'The clock goes on while you look elsewhere. Another dog taken in hand stops the clock of this one.',
      'What the hands do is shown at the zone in hand; “Why” has the reasons and every caution of the step.',
      '“More” has notes, photographs, findings, own steps, and whose hands the dog is in.',
      'Every tap is saved on this device at once. It is sent when the server can be reached.',
      'What you found, used and how long it took teaches the next visit. A step ticked off too quickly isn’t learned from.',
    ],
    keys: [
      ['Space, Enter, Page Down, →', 'this step is done; a foot pedal that sends these works too'],
      ['Page Up, Backspace, ←', 'takes the last tap back'],
      ['1 to 9', 'the choices on the screen'],
      ['P', 'pause'],
      ['H', 'something happened'],
      ['N', 'a note'],
    ],
  },
  dogs: {
    title: 'The dogs',
    lines: [
      'A breed fills in coat, ears and usual weight; a mix is blended from two. Correct what this dog has otherwise.',
      'The record says how the dog usually comes. Each visit’s check-in says how it comes that day.',
      '“Due” is reckoned from the last visit that ended: by coat, shortened by grease and mats.',
      'What was found on the body is followed from visit to visit. What grew is for the vet.',
    ],
    keys: [],
  },
  recipes: {
    title: 'The recipe',
    lines: [
      'Five answers from coat, size and skin: mix, water, rinse, ears, drying. Each number unfolds its reasons.',
      'Tap how the dog comes today, and every answer follows; what changed against its record is listed.',
      'A number of your own goes before the reckoned one. “Put back” undoes it. The label’s limits stay.',
      'Tap a step to leave it out, halve it or do it elsewhere; add your own below. “Your way” lists what you changed, and for how long it goes.',
      '“Take another product” puts any product on any zones of a wash. It says what that changes before you take it.',
      'A stop line means: don’t go on before a vet has said so. Or go only as far as it says.',
    ],
    keys: [['Alt ↑, Alt ↓', 'on a step: earlier or later']],
  },
  shelf: {
    title: 'The shelf',
    lines: [
      'A bottle needs three things: what it is for, a name, and the ratio as its label prints it. How that reads is beside it.',
      'What the label says rules: contact time, age limit, contents, the day until which it is good.',
      'A medicated product isn’t used before the vet’s written instruction is with it.',
      'Open a bottle or count what is left once: visits then take away what they used, and the list to buy makes itself.',
      'Of several of one kind the first is taken. What is used up is retired: visits that were planned with it stay as they are.',
    ],
    keys: [],
  },
  logbook: {
    title: 'The logbook',
    lines: [
      'Every visit that ended, as it went: minutes, products, what was damp, what happened.',
      'What the log taught is only said where it goes beyond chance. It names how many visits speak for it.',
      'Numbers too far from the others are set aside; a forgotten tap can be put right in its visit.',
      '“Money” adds up what was taken, what is owed, and what an hour earned.',
    ],
    keys: [],
  },
  house: {
    title: 'The house',
    lines: [
      'Hours, taps, heater and dryers are what every plan is reckoned from: measure rather than guess.',
      'A dryer’s heat and motor are on its plate, in watts; its air on the box, in litres a second or cubic feet a minute.',
      'House rules say how things are done here. A dog’s own rule goes before them.',
    ],
    keys: [],
  },
}
