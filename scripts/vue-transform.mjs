import { createHash } from 'node:crypto'
import { transformSync } from '@swc/core'
import { compileScript, compileTemplate, parse } from 'vue/compiler-sfc'

// Makes a component of a .vue file for Jest: its script with the template compiled into it; styles are left out.
function componentOf(source, filename) {
  const id = createHash('sha256').update(filename).digest('hex').slice(0, 8)
  const { descriptor, errors } = parse(source, { filename })
  if (errors.length > 0) throw errors[0]
  if (descriptor.script || descriptor.scriptSetup)
    return compileScript(descriptor, { id, inlineTemplate: true }).content
  const { code } = compileTemplate({ id, filename, source: descriptor.template.content })
  return `${code}\nexport default { render }`
}

export default {
  process: (source, filename) =>
    transformSync(componentOf(source, filename), {
      filename: `${filename}.ts`,
      sourceMaps: 'inline',
      jsc: { target: 'es2022', parser: { syntax: 'typescript' } },
      module: { type: 'es6' },
    }),
}
