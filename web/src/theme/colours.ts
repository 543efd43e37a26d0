/** Ink on paper, and the dark stage. Every colour of the program is here. */
export const colours = {
  paper: '#f5f0e4',
  sheet: '#fbf8f0',
  chosen: '#efe4c4',
  ink: '#1e2230',
  inkHover: '#33394d',
  faded: '#5d594e',
  line: '#d8cfb9',
  edge: '#8b8371',
  accent: '#9a5d10',
  focus: '#2b57a8',
  wrong: '#a32a1a',
  marked: '#f3d5cc',
  white: '#ffffff',
  stage: '#181c26',
  stageLine: '#3a404e',
  stageEdge: '#8a91a3',
  stageRest: '#12332f',
  stageHover: '#262c3a',
  stageChosen: '#2b3346',
  stageText: '#f4efe3',
  stageFaded: '#b9bec9',
  stageAccent: '#f2c868',
  stageWrong: '#5a2018',
} as const

export type Colour = keyof typeof colours

/** Each area in a colour of its own, on paper and on the stage. */
export const areaColours = {
  Play: { colour: '#b83f27', onDark: '#f08a74' },
  WarmUp: { colour: '#945f08', onDark: '#e6b04f' },
  SightReading: { colour: '#2b57a8', onDark: '#8db4f5' },
  Technique: { colour: '#0b6b6b', onDark: '#5cc7c2' },
  Repertoire: { colour: '#74366b', onDark: '#e0a2d6' },
  Ear: { colour: '#4a6c10', onDark: '#b0d364' },
} as const
