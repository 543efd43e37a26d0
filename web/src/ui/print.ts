/** Prints one part of a page and nothing else. */
export function printOnly(part: string) {
  const rules = new CSSStyleSheet()
  rules.replaceSync(
    `@media print { body * { visibility: hidden } ${part}, ${part} * { visibility: visible } ${part} { position: absolute; inset: 0 auto auto 0; border: none } }`,
  )
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, rules]
  window.print()
  document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== rules)
}
