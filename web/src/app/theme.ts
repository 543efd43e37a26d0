import { createSystem, defaultConfig, defineConfig } from '@chakra-ui/react'

const body = "'Atkinson Hyperlegible Next Variable', sans-serif"
const display = "'Fraunces Variable', serif"

const config = defineConfig({
  globalCss: {
    'html, body': { bg: 'paper', color: 'ink', fontFamily: 'body', fontSize: '17px', lineHeight: 1.4 },
    'h1, h2, h3': { fontFamily: 'heading', fontWeight: 600, lineHeight: 1.15 },
    '*:focus-visible': { outline: '3px solid {colors.focus}', outlineOffset: '2px' },
    'main p a': { textDecoration: 'underline', textUnderlineOffset: '3px' },
    '.no-print': { '@media print': { display: 'none !important' } },
    '.only-print': { display: 'none', '@media print': { display: 'block' } },
    // Paper is white, and a number on it is a number, not a field.
    'html, body, main': { '@media print': { bg: 'white', fontSize: '14px' } },
    input: {
      '@media print': { border: 'none !important', padding: '0 !important', background: 'none !important' },
    },
    '*, *::before, *::after': {
      '@media (prefers-reduced-motion: reduce)': {
        animation: 'none !important',
        transition: 'none !important',
      },
    },
  },
  theme: {
    tokens: {
      fonts: { body: { value: body }, heading: { value: display } },
      colors: {
        paper: { value: '#f5f0e4' },
        sheet: { value: '#fbf8f0' },
        ink: { value: '#1e2230' },
        faded: { value: '#5d594e' },
        line: { value: '#d8cfb9' },
        edge: { value: '#8b8371' },
        accent: { value: '#9a5d10' },
        focus: { value: '#2b57a8' },
        wrong: { value: '#a32a1a' },
        stage: { value: '#181c26' },
        stageLine: { value: '#3a404e' },
        stageEdge: { value: '#5d6475' },
        stageHover: { value: '#262c3a' },
        stageText: { value: '#f4efe3' },
        stageFaded: { value: '#b9bec9' },
        stageAccent: { value: '#f2c868' },
        stageWrong: { value: '#5a2018' },
      },
    },
  },
})

export const system = createSystem(defaultConfig, config)
