/** A rule of oxlint's: no line is longer than Prettier would set it, but for what holds a text or a pattern. */
const COLUMNS = 120

const length = {
  create: (context) => {
    const { lines } = context.sourceCode
    const long = new Set(lines.flatMap((line, i) => (line.length > COLUMNS ? [i + 1] : [])))
    if (long.size === 0) return {}
    const leave = ({ start, end }) => {
      for (let line = start.line; line <= end.line; line++) long.delete(line)
    }
    return {
      Literal: ({ value, regex, loc }) => (typeof value === 'string' || regex) && leave(loc),
      TemplateLiteral: ({ loc }) => leave(loc),
      'Program:exit': () => {
        for (const line of long) {
          const { length } = lines[line - 1]
          const loc = { start: { line, column: COLUMNS }, end: { line, column: length } }
          context.report({ loc, message: `This line has ${length} columns; ${COLUMNS} are room enough.` })
        }
      },
    }
  },
}

const plugin = { meta: { name: 'lines' }, rules: { length } }
export default plugin
