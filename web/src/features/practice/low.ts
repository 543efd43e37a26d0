/** A screen that is low: a phone lying on the stand. Everything gets smaller, so that the keys stay in sight. */
export const low = '@media (max-height: 31rem)'
