/** Forms over the server's own entries (`src/dto`): fields, the dialog around them, how they are checked and sent. */
export { CheckEntry, ChoiceEntry, DateEntry, NumberEntry, SelectEntry, TextEntry } from './fields'
export { FormDialog } from './FormDialog'
export { NewPasswordEntry, PasswordEntry } from './PasswordEntry'
export { useEntryForm } from './useEntryForm'
