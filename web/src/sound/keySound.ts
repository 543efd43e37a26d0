const seconds = 0.6

/** A key that is touched sounds at once; without its samples it stays silent. */
export function soundKey(midi: number) {
  void import('./piano')
    .then((piano) => piano.play([{ midi, at: 0, length: seconds }], 60, 440, 0))
    .catch(() => {})
}
