/** Prints the music that is shown, under a heading where it has none of its own, and nothing else of the page. */
export function printMusic(heading?: string) {
  const music = document.querySelector('.sheet')
  if (!music) return
  const paper = document.createElement('div')
  paper.className = 'on-paper'
  if (heading) {
    const title = document.createElement('h1')
    title.textContent = heading
    paper.append(title)
  }
  paper.append(music.cloneNode(true))
  const rules = new CSSStyleSheet()
  rules.replaceSync(`
    @media screen { .on-paper { display: none } }
    @media print {
      body > :not(.on-paper) { display: none !important }
      .on-paper h1 { font-size: 18pt; margin-bottom: 8pt }
      .on-paper .sheet { border: none; background: none; padding: 0 }
    }`)
  document.body.append(paper)
  document.adoptedStyleSheets = [...document.adoptedStyleSheets, rules]
  const done = () => {
    paper.remove()
    document.adoptedStyleSheets = document.adoptedStyleSheets.filter((one) => one !== rules)
  }
  // A browser on a tablet goes on while it still asks for the printer.
  addEventListener('afterprint', done, { once: true })
  window.print()
}
