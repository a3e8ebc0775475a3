import { MESSAGE_KINDS, messageFrom, STARTING_TEMPLATES, unknownWords } from '.'

const WORDS = { name: 'Maren', salon: 'The Slack Tide Room', last: '1 March', from: '1 May', to: '8 May' }

describe('messages', () => {
  it('puts every word of a template in its place, as often as it is named', () => {
    expect(messageFrom('{name}, {name}: {from} to {to}, {last}, {salon}.', WORDS)).toBe(
      'Maren, Maren: 1 May to 8 May, 1 March, The Slack Tide Room.',
    )
  })

  it('leaves what it does not know, and says so', () => {
    expect(messageFrom('Dear {nmae} {constructor}', WORDS)).toBe('Dear {nmae} {constructor}')
    expect(unknownWords('Dear {nmae} of {salon}, {}')).toEqual(['nmae', ''])
    expect(unknownWords('no braces')).toEqual([])
  })

  it.each(MESSAGE_KINDS)('begins with a text for %s that names only what there is', (kind) => {
    expect(unknownWords(STARTING_TEMPLATES[kind])).toEqual([])
    expect(messageFrom(STARTING_TEMPLATES[kind], WORDS)).toMatch(/^Dear Maren,.*The Slack Tide Room$/)
  })
})
