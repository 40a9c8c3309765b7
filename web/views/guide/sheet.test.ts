/** @jest-environment jsdom */
import { readdirSync, readFileSync } from 'node:fs'
import { mount } from '@vue/test-utils'
import { marked } from 'marked'
import { h } from 'vue'
import { sheetOf } from './sheet'

const shown = (text: string) => mount(() => h('div', sheetOf(marked.lexer(text))))

test('words, emphasis, lists and commands stand as they are written', () => {
  const sheet = shown('## First\n\nTap _Done_ **twice**, or `npm start`.\n\n1. One\n2. Two\n\n```\nnpm test\n```')
  expect(sheet.html().replace(/\s*\n\s*/g, '')).toBe(
    '<div><h2>First</h2><p>Tap <em>Done</em> <strong>twice</strong>, or <code>npm start</code>.</p>' +
      '<ol><li>One</li><li>Two</li></ol><pre><code>npm test</code></pre></div>',
  )
})

test('a picture is left out, a link is named, and nothing is read as HTML', () => {
  const sheet = shown('![Day](day.png)\n\nSee [how](../security.md) <b>now</b> <img src=x onerror=alert(1)>')
  expect(sheet.find('img, b, a').exists()).toBe(false)
  expect(sheet.text()).toContain('See how')
  expect(sheet.text()).toContain('<b>')
})

test.each(readdirSync('docs/guide'))('%s has words for every part of it', (page) => {
  const text = readFileSync(`docs/guide/${page}`, 'utf8')
  const sheet = shown(text)
  expect(sheet.findAll('ol > li').length).toBeGreaterThanOrEqual(3)
  expect(sheet.text()).not.toMatch(/\[object|undefined|\]\(|!\[/)
})
