const LETTERS = [...'ABCDEFGHIJKL']

/** The first letter that no formula has yet; a plan holds no more formulas than there are letters. */
export const freeLetter = (formulas: readonly { id: string }[]): string =>
  LETTERS.find((letter) => !formulas.some(({ id }) => id === letter))!
