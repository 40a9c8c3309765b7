import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { CARD_ASKS, EARS_SAID, FLEAS_SAID, MATS_PLACES, MATS_SAID, sayIn, SCRATCHING_SAID } from '@words'
import type { Units } from '@core/units'

/** For which dog's visit a card is. */
export interface CardFacts {
  dogId: string
  name: string
  house: string
  date: string
  kind: 'before' | 'after'
  /** How the house writes a date. */
  units: Units
}

const escaped = (text: string) =>
  text.replace(/[&<>"']/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;', "'": '&#39;' })[c]!)
/** As it stands in a script: nothing in it ends the script. */
const inScript = (value: unknown) => JSON.stringify(value).replace(/</g, '\\u003c')

const choice = (name: string, asks: string, options: Record<string, string>, first?: string, many = false) =>
  `<fieldset><legend>${escaped(asks)}</legend>${Object.entries(options)
    .map(
      ([value, text]) =>
        `<label><input type="${many ? 'checkbox' : 'radio'}" name="${name}" value="${value}"${value === first ? ' checked' : ''}> ${escaped(text)}</label>`,
    )
    .join('')}</fieldset>`
const field = (name: string, asks: string, more: string) =>
  `<label class="field">${escaped(asks)}<input name="${name}" ${more}></label>`
const YES_NO = { yes: 'yes', no: 'no' }

const BEFORE = [
  field('lastBathWeeks', CARD_ASKS.lastBathWeeks, 'type="number" min="0" max="260" inputmode="numeric"'),
  choice('mats', CARD_ASKS.mats, MATS_SAID, 'none'),
  choice('matsAt', CARD_ASKS.matsAt, MATS_PLACES, undefined, true),
  choice('shedding', CARD_ASKS.shedding, YES_NO, 'no'),
  choice('fleas', CARD_ASKS.fleas, FLEAS_SAID, 'no'),
  choice('ears', CARD_ASKS.ears, EARS_SAID, 'fine'),
  field('vet', CARD_ASKS.vet, 'maxlength="200"'),
  choice('walk', CARD_ASKS.walk, YES_NO),
  field('consent', CARD_ASKS.consent, 'maxlength="80"'),
  field('note', CARD_ASKS.note, 'maxlength="300"'),
]
const AFTER = [
  choice('scratching', CARD_ASKS.scratching, SCRATCHING_SAID, 'no'),
  choice('earShaking', CARD_ASKS.earShaking, YES_NO, 'no'),
  choice('dampSmell', CARD_ASKS.dampSmell, YES_NO, 'no'),
  field('note', CARD_ASKS.note, 'maxlength="300"'),
]

let drawer: string | undefined
/** What draws the code in the owner's browser, read once. */
const codeDrawer = () =>
  (drawer ??= readFileSync(createRequire(import.meta.url).resolve('qrcode-generator'), 'utf8').replace(
    /<\/script/gi,
    '<\\/script',
  ))

/** What runs in the owner's browser: the answers become a code, its picture and a file. Nothing is sent. */
const SCRIPT = `
const form = document.querySelector('form')
const one = (name) => form.elements[name] && (form.querySelector('[name=' + name + ']:checked') || form.elements[name]).value
const yes = (name) => (one(name) === 'yes' ? true : one(name) === 'no' ? false : null)
function answers() {
  if (CARD.kind === 'after')
    return { scratching: one('scratching'), earShaking: yes('earShaking'), dampSmell: yes('dampSmell'), note: form.elements.note.value.trim() }
  const weeks = form.elements.lastBathWeeks.value
  const walk = form.querySelector('[name=walk]:checked')
  return {
    lastBathWeeks: weeks === '' ? null : Math.max(0, Math.min(260, Math.round(Number(weeks)))),
    mats: one('mats'), matsAt: [...form.querySelectorAll('[name=matsAt]:checked')].map((b) => b.value),
    shedding: yes('shedding'), fleas: one('fleas'), ears: one('ears'), vet: form.elements.vet.value.trim(),
    walk: walk ? walk.value === 'yes' : null, consent: form.elements.consent.value.trim(), note: form.elements.note.value.trim(),
  }
}
form.addEventListener('submit', (event) => {
  event.preventDefault()
  const handed = { juvant: 'answers', dog: CARD.dog, said: { kind: CARD.kind, date: CARD.date, answers: answers() } }
  const text = JSON.stringify(handed)
  const bytes = new TextEncoder().encode(text)
  const code = 'JUVANT1:' + btoa(String.fromCharCode(...bytes)).replace(/\\+/g, '-').replace(/\\//g, '_').replace(/=+$/, '')
  const picture = qrcode(0, 'L')
  picture.addData(code, 'Byte')
  picture.make()
  document.querySelector('#picture').innerHTML = picture.createSvgTag({ cellSize: 5, margin: 20, scalable: true })
  document.querySelector('#code').value = code
  const file = document.querySelector('#file')
  file.href = URL.createObjectURL(new Blob([text], { type: 'application/json' }))
  document.querySelector('#done').hidden = false
  document.querySelector('#done').scrollIntoView()
})
document.querySelector('#share').addEventListener('click', () => {
  const code = document.querySelector('#code').value
  if (navigator.share) navigator.share({ text: code }).catch(() => {})
  else { document.querySelector('#code').select(); document.execCommand('copy'); document.querySelector('#share').textContent = 'Copied' }
})
`

const STYLE = `
body{font:18px/1.45 system-ui,sans-serif;color:#13242b;background:#dfe5e6;margin:0;padding:16px}
main{max-width:620px;margin:auto;background:#fafbf8;border-top:6px solid #1f3f94;border-radius:0 0 28px 28px;padding:16px 20px 24px}
fieldset{border:0;border-top:1px solid #b7c3c6;margin:0;padding:12px 0}legend{font-weight:700;padding:0}
fieldset label{display:inline-flex;gap:8px;align-items:center;min-height:44px;margin-right:18px}
input[type=radio],input[type=checkbox]{width:22px;height:22px}
.field{display:block;border-top:1px solid #b7c3c6;padding:12px 0;font-weight:700}
.field input,textarea{display:block;width:100%;box-sizing:border-box;min-height:44px;margin-top:6px;font:inherit;font-weight:400;border:1px solid #6f8086;border-radius:3px 3px 12px 12px;padding:6px 10px}
button,.button{font:700 18px/1 system-ui,sans-serif;min-height:52px;padding:0 22px;border:0;border-radius:4px 4px 18px 18px;background:#1f3f94;color:#fff;cursor:pointer;text-decoration:none;display:inline-flex;align-items:center}
#picture svg{width:100%;max-width:380px;background:#fff}@media print{button,#done{display:none}}
`

/** A page for an owner to fill in: opened from anywhere, without network; it hands back a file, a code and its picture. */
export function ownerCard({ dogId, name, house, date, kind, units }: CardFacts): string {
  const day = sayIn(units).date(date)
  const title = kind === 'before' ? `Before ${name} comes to ${house}` : `${name} since ${day}`
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width,initial-scale=1">
<title>${escaped(title)}</title><style>${STYLE}</style></head><body><main>
<h1>${escaped(title)}</h1>
<p>${kind === 'before' ? `${escaped(day)}. A minute of yours saves ${escaped(name)} many.` : 'Three short questions.'}${kind === 'before' ? ' Please don’t bathe it before: knots felt in water.' : ''} Nothing is sent from this page; you hand the answer back yourself.</p>
<form>${(kind === 'before' ? BEFORE : AFTER).join('\n')}<button>Make my answer</button></form>
<section id="done" hidden><h2>Your answer</h2>
<p>Show this code at the door, or send it, or the file, to ${escaped(house)}.</p>
<div id="picture"></div>
<label class="field">The same in letters<textarea id="code" rows="4" readonly></textarea></label>
<p><button type="button" id="share">Send the letters</button> <a class="button" id="file" download="${escaped(name.replace(/[^\p{L}\p{N} -]/gu, ''))} ${date}.json">Keep the file</a></p>
</section></main>
<script>${codeDrawer()}</script>
<script>const CARD = ${inScript({ dog: dogId, date, kind })};${SCRIPT}</script>
</body></html>
`
}
