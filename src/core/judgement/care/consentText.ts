/**
 * What a client signs. A change of words needs a new version, because signatures name the version they were given to.
 */
export const CONSENT_TEXT = {
  version: '2026-11',
  paragraphs: [
    'I have told my colourist what was done to my hair before, which medicines and treatments may matter, and any reaction I have ever had to hair colour, a black tattoo or latex.',
    'I know that lightening and colouring can irritate skin and weaken or break hair, that a result is promised as a range and may take more than one visit, and that I may stop at any time.',
    'I agree to the tests the product instructions ask for. Salon, product and local rules come before any plan made with this record.',
    'My record and pictures may be kept by the salon for my appointments. I may ask to see or remove them.',
  ],
} as const
