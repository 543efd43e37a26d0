import { Box } from '@chakra-ui/react'
import { useEffect, useRef } from 'react'
import { colours } from '../theme/colours'

/** Below this width, in pixels, music of several bars does not fit on one line. */
const SMALL = 520

interface Props {
  abc: string
  /** What it shows, for those who do not see it. */
  label: string
  /** Wider staves for small screens and the stage. */
  staffWidth?: number
  /** Breaks lines where they would be too narrow, whatever the text says. */
  wrap?: boolean
  dark?: boolean
}

/**
 * The page's policy forbids style attributes and style sheets without its nonce, and the engraver writes both; while it
 * draws, attributes are set as properties and sheets carry the nonce, which the policy allows.
 */
function withinThePolicy(draw: () => void) {
  const { setAttribute, setAttributeNS } = Element.prototype
  const { createElementNS } = Document.prototype
  const nonce = document.querySelector<HTMLMetaElement>('meta[name="csp-nonce"]')?.content ?? ''
  Element.prototype.setAttribute = function (name: string, value: string) {
    if (name === 'style') (this as SVGElement).style.cssText = value
    else setAttribute.call(this, name, value)
  }
  Element.prototype.setAttributeNS = function (space: string | null, name: string, value: string) {
    if (name === 'style') (this as SVGElement).style.cssText = value
    else setAttributeNS.call(this, space, name, value)
  }
  Document.prototype.createElementNS = function (this: Document, space: string | null, name: string) {
    const element = createElementNS.call(this, space, name)
    if (name === 'style') setAttribute.call(element, 'nonce', nonce)
    return element
  } as typeof createElementNS
  try {
    draw()
  } finally {
    Object.assign(Element.prototype, { setAttribute, setAttributeNS })
    Document.prototype.createElementNS = createElementNS
  }
}

/** Music engraved from ABC, sharp at any size. */
export function Engraving({ abc, label, staffWidth = 760, wrap = false, dark = false }: Props) {
  const place = useRef<HTMLDivElement>(null)
  useEffect(() => {
    let gone = false
    void import('abcjs').then(({ default: abcjs }) => {
      if (gone || !place.current) return
      const box = place.current
      // On a phone a long line would be drawn too small to be read: shorter lines, and more of them.
      const isSmall = box.clientWidth > 0 && box.clientWidth < SMALL && staffWidth > SMALL
      withinThePolicy(() =>
        abcjs.renderAbc(box, abc, {
          responsive: 'resize',
          add_classes: true,
          staffwidth: isSmall ? box.clientWidth : staffWidth,
          ...((wrap || isSmall) && {
            wrap: { minSpacing: 1.4, maxSpacing: 2.4, preferredMeasuresPerLine: 4 },
          }),
          paddingtop: 4,
          paddingbottom: 4,
          paddingleft: 0,
          paddingright: 0,
          foregroundColor: dark ? colours.stageText : colours.ink,
        }),
      )
    })
    return () => {
      gone = true
    }
  }, [abc, staffWidth, wrap, dark])
  return (
    <Box ref={place} role="img" aria-label={label} data-testid="engraving" width="100%" overflow="hidden" />
  )
}
