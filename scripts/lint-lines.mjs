/** A rule of oxlint's: words of comments end where Prettier ends lines, which lets comments run on. */
const COLUMNS = 120

const maxLength = {
  create: (context) => ({
    Program() {
      const { lines } = context.sourceCode
      for (const { loc } of context.sourceCode.getAllComments()) {
        for (let line = loc.start.line; line <= loc.end.line; line++) {
          const { length } = lines[line - 1]
          if (length > COLUMNS) {
            context.report({
              loc: { start: { line, column: COLUMNS }, end: { line, column: length } },
              message: `A comment's line has ${length} columns; ${COLUMNS} are room enough.`,
            })
          }
        }
      }
    },
  }),
}

const plugin = { meta: { name: 'comments' }, rules: { 'max-length': maxLength } }
export default plugin
