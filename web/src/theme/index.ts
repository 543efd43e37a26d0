import { createSystem, defaultBaseConfig, defineConfig } from '@chakra-ui/react'
import { colours } from './colours'
import { recipes, slotRecipes } from './controls'

const body = "'Atkinson Hyperlegible Next Variable', sans-serif"
const display = "'Fraunces Variable', serif"

/** Steps of space and size, a quarter of the text size each. */
const steps = Object.fromEntries(
  [0, 0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4, 5, 6, 7, 8, 9, 10, 12, 14, 16, 20].map((step) => [
    step,
    { value: `${step / 4}rem` },
  ]),
)

const config = defineConfig({
  preflight: true,
  cssVarsPrefix: 'tf',
  globalCss: {
    // A little larger than usual, and in the measure of the reader's own text size.
    html: { fontSize: '106.25%' },
    'html, body': { bg: 'paper', color: 'ink', fontFamily: 'body', lineHeight: 1.4 },
    'h1, h2, h3': { fontFamily: 'heading', fontWeight: 600, lineHeight: 1.15 },
    '*:focus-visible': { outline: '3px solid {colors.focus}', outlineOffset: '2px' },
    // On the dark stage the blue ring would hardly be seen.
    '.stage *:focus-visible': { outlineColor: '{colors.stageAccent}' },
    'main p a': { textDecoration: 'underline', textUnderlineOffset: '3px' },
    '.no-print': { '@media print': { display: 'none !important' } },
    '.only-print': { display: 'none', '@media print': { display: 'block' } },
    // Paper is white, and a number on it is a number, not a field.
    'html, body, main': { '@media print': { bg: 'white', fontSize: '14px' } },
    input: {
      '@media print': { border: 'none !important', padding: '0 !important', background: 'none !important' },
    },
    '*, *::before, *::after': {
      borderColor: 'line',
      '@media (prefers-reduced-motion: reduce)': {
        animation: 'none !important',
        transition: 'none !important',
      },
    },
  },
  theme: {
    breakpoints: { sm: '30rem', md: '48rem', lg: '64rem', xl: '80rem' },
    tokens: {
      spacing: steps,
      sizes: steps,
      fonts: { body: { value: body }, heading: { value: display } },
      fontSizes: {
        lead: { value: '1.1rem' },
        subheading: { value: '1.25rem' },
        heading: { value: '1.5rem' },
        title: { value: '2.2rem' },
      },
      colors: Object.fromEntries(Object.entries(colours).map(([name, value]) => [name, { value }])),
    },
    recipes,
    slotRecipes,
  },
})

export const system = createSystem(defaultBaseConfig, config)
