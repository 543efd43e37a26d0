/** A window that is not high: a small laptop. What is read once gets smaller, so that the music is not cut off. */
export const lower = '@media (max-height: 48rem)'

/** A screen that is low: a phone lying on the stand. Everything gets smaller, so that the keys stay in sight. */
export const low = '@media (max-height: 31rem)'
