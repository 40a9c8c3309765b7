import type { AfterAnswers, BeforeAnswers } from '@core/owner'
import { zonesListed } from './names'
import { capital, type Say } from './say'

/** Questions of an owner's card, in the owner's words. */
export const CARD_ASKS = {
  lastBathWeeks: 'How many weeks since the last bath?',
  mats: 'Knots or mats?',
  matsAt: 'Where?',
  shedding: 'Does it shed a lot now?',
  fleas: 'Fleas, or their black crumbs?',
  ears: 'How are the ears?',
  vet: 'Anything a vet found or gives at the moment?',
  walk: 'Does it have a walk before it comes?',
  consent: 'Your name, if you agree to mats cut out, a muzzle, your vet called',
  note: 'Anything else we should know?',
  scratching: 'Does it scratch since?',
  earShaking: 'Does it shake its ears or head?',
  dampSmell: 'Does it smell damp?',
} as const

export const MATS_SAID: Record<BeforeAnswers['mats'], string> = { none: 'none', few: 'a few', many: 'many' }
export const FLEAS_SAID: Record<BeforeAnswers['fleas'], string> = { no: 'no', maybe: 'not sure', yes: 'yes' }
export const EARS_SAID: Record<BeforeAnswers['ears'], string> = {
  fine: 'fine',
  scratches: 'it scratches or shakes them',
  smells: 'they smell',
}
export const SCRATCHING_SAID: Record<AfterAnswers['scratching'], string> = {
  no: 'no',
  little: 'a little',
  much: 'a lot',
}

/** Where owners find mats, in their words. */
export const MATS_PLACES = {
  ears: 'behind the ears',
  neck: 'neck and chest',
  forelegs: 'forelegs and armpits',
  belly: 'belly',
  hindlegs: 'hindlegs',
  tail: 'tail',
  back: 'back',
} as const

/** What an owner said before a visit, a line for each thing; only what says something. */
export function beforeWords(a: BeforeAnswers, say: Say): string[] {
  return [
    ...(a.lastBathWeeks === null ? [] : [`Last bath ${say.count(a.lastBathWeeks, 'week')} ago`]),
    ...(a.mats === 'none'
      ? []
      : [`Mats: ${MATS_SAID[a.mats]}${a.matsAt.length > 0 ? `, ${zonesListed(a.matsAt)}` : ''}`]),
    ...(a.shedding ? ['Sheds a lot now'] : []),
    ...(a.fleas === 'no' ? [] : [a.fleas === 'yes' ? 'Has fleas' : 'Perhaps fleas: look at the tail root']),
    ...(a.ears === 'fine' ? [] : [`Ears: ${EARS_SAID[a.ears]}`]),
    ...(a.vet === '' ? [] : [`Vet: ${a.vet}`]),
    ...(a.walk === null ? [] : [a.walk ? 'Has a walk before' : 'No walk before: let it relieve itself first']),
    ...(a.consent === '' ? [] : [`Agreed: ${a.consent}`]),
    ...(a.note === '' ? [] : [a.note]),
  ]
}

/** What an owner said two days after a visit, in one line. */
export function afterWords(a: AfterAnswers): string {
  const parts = [
    a.scratching === 'no' ? 'no scratching' : `scratches ${SCRATCHING_SAID[a.scratching]}`,
    a.earShaking ? 'shakes its ears' : 'ears quiet',
    a.dampSmell ? 'smelled damp' : 'no damp smell',
    ...(a.note === '' ? [] : [a.note]),
  ]
  return `${capital(parts.join(', '))}.`
}

/** What an owner is asked two days after, to copy or share. */
export const askAfterMessage = ({ name, date }: { name: string; date: string }, say: Say): string =>
  `How has ${name} been since ${say.date(date)}? Three short questions: does ${name} scratch (no, a little, a lot)? Shake the ears or head? Smell damp? It helps us to do the next visit better.`
