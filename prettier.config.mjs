export default {
  semi: false,
  singleQuote: true,
  printWidth: 120,
  vueIndentScriptAndStyle: false,
}
