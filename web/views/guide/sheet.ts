import type { Token, Tokens } from 'marked'
import { h, type VNode } from 'vue'

/** The element that each kind of text becomes; what isn't named is its words alone. */
const ELEMENTS: Record<string, string> = {
  paragraph: 'p',
  heading: 'h2',
  em: 'em',
  strong: 'strong',
  list_item: 'li',
  blockquote: 'blockquote',
}

/**
 * A sheet of the guide as nodes: nothing of it is ever read as HTML. The sheets come with the program, so pictures stay on
 * paper, and what leads out of the guide is only named.
 */
export function sheetOf(tokens: readonly Token[]): (VNode | string)[] {
  return tokens.flatMap((token): (VNode | string)[] => {
    if (token.type === 'space' || token.type === 'image') return []
    if (token.type === 'list') {
      const { ordered, items } = token as Tokens.List
      return [h(ordered ? 'ol' : 'ul', sheetOf(items))]
    }
    if (token.type === 'code' || token.type === 'codespan') {
      const code = h('code', (token as Tokens.Code).text)
      return [token.type === 'code' ? h('pre', code) : code]
    }
    const within = 'tokens' in token && token.tokens ? sheetOf(token.tokens) : [(token as Tokens.Text).text]
    const element = ELEMENTS[token.type]
    return element ? [h(element, within)] : within
  })
}
