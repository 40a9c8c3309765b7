import type { Happening } from '@core/handling'

/** Safe actions for something that happened, in order, and when a vet is called. Common practice, no source; the vet's word goes before. */
export interface FirstSteps {
  actions: string[]
  vet: string
  /** Whether it can't wait until the visit is over. */
  now?: true
}

/** What to do first. Rinsing is never dropped: soap left in is a harm of its own. */
export const FIRST_STEPS: Record<Happening, FirstSteps> = {
  'soap in the eye': {
    actions: ['Lukewarm clean water over the eye from the inner corner, 5 minutes.', 'No rubbing: hold the forelegs.'],
    vet: 'Still red, shut or watering after an hour: the vet today.',
  },
  'soap swallowed': {
    actions: ['Wipe the mouth out, offer water to drink.', 'Keep the label at hand. Do not make it vomit.'],
    vet: 'Vomiting, drooling or a medicated product: call the vet now with the label.',
  },
  'water too hot or cold': {
    actions: [
      'Water off, away from the dog.',
      'Too hot: cool running water, not ice, over the place for 10 minutes.',
      'Too cold: towel round, warm room.',
    ],
    vet: 'Skin red, wet or sore, or hair coming off: the vet today.',
  },
  'slip or jump': {
    actions: ['Hold still, let it stand by itself.', 'Feel legs and back; watch a few steps on the floor.'],
    vet: 'Limping, crying out or not standing: stop here, the vet today.',
  },
  panic: {
    actions: [
      'Water and dryer off, one hand on the chest, quiet.',
      'Free of the loop, never alone.',
      'Go on only when it breathes calmly; rinse first, the rest can wait.',
    ],
    vet: 'Not calm after 10 minutes: end the visit.',
  },
  'ear hurts or bleeds': {
    actions: ['Hands off the ear; nothing goes in.', 'Plugs out, gently, and count them.'],
    vet: 'The vet today, and no ear cleaning until then.',
  },
  'nail cut to the quick': {
    actions: ['Press a clean cloth on for 5 minutes without looking.', 'Keep the foot dry.'],
    vet: 'Still bleeding after 15 minutes: the vet.',
  },
  'nail torn': {
    actions: [
      'Press a clean cloth on for 10 minutes.',
      'Pull at nothing that hangs.',
      'Keep the foot dry and wrapped.',
    ],
    vet: 'Hanging, or torn into the quick: the vet today.',
  },
  'skin nicked or mat pulled': {
    actions: ['Press a clean cloth on.', 'Rinse the place with clean water; no shampoo, no warm air on it.'],
    vet: 'Gaping, deep or still bleeding after 10 minutes: the vet today.',
  },
  'clipper burn': {
    actions: [
      'Clipper off. A cool, damp cloth on the place for 10 minutes.',
      'No shampoo, no scent, no warm air on it.',
    ],
    vet: 'Raw, wet, or licked without end: the vet today.',
  },
  'a person bitten': {
    actions: [
      'Dog behind a door first.',
      'Wash the wound with soap under running water, 5 minutes.',
      'Clean bandage. Write down how it came about.',
      'Report it where local rules ask for that.',
    ],
    vet: 'A doctor today, for every bite through the skin.',
  },
  'a dog bitten': {
    actions: [
      'Apart, with no hand between them.',
      'Clean water over the wound, a clean cloth on it.',
      'Tell both owners; report it where local rules ask.',
    ],
    vet: 'The vet today: a bite closes over what is deep.',
  },
  'dog got away': {
    actions: [
      'Doors and gate shut first.',
      'Sit down, call low, treats; never run after it.',
      'Out of sight: the owner told at once.',
      'Back again: feel it over before going on.',
    ],
    vet: 'Limping, hit, or something swallowed: the vet today.',
  },
  'chilled, shivering': {
    actions: ['Warm rinse to get the soap out, then water off.', 'Dry towels round, warm room, no draught.'],
    vet: 'Weak, or still shivering after 20 minutes: call the vet.',
  },
  'overheated, breathing hard': {
    actions: ['Dryer and heat off, door open, off the table.', 'Cool (not cold) water on belly and legs; small sips.'],
    vet: 'Heavy panting after 5 minutes, dark gums or staggering: the vet now.',
  },
  'belly swelling, retching': {
    actions: [
      'Stop everything; dry enough to carry.',
      'No food, no water, no waiting to see.',
      'Someone calls while you go.',
    ],
    vet: 'Now: a belly that swells and retching with nothing coming.',
    now: true,
  },
  seizure: {
    actions: [
      'Out of the water, away from edges, something soft underneath.',
      'Nothing into the mouth; hold nothing down.',
      'Light and noise down. Look at the clock.',
    ],
    vet: 'Call the vet now; longer than 5 minutes, or a second one: drive.',
    now: true,
  },
  collapse: {
    actions: ['Out of the water, on its side, airway clear.', 'Call the vet now; someone else drives.'],
    vet: 'Now.',
    now: true,
  },
}
