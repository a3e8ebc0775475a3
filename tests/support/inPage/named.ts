import { computeAccessibleName, getRole, isInaccessible } from 'dom-accessibility-api'

/** What may have a role, by its own kind or by its word; narrows down what has to be asked for its name. */
const CANDIDATES: Record<string, string> = {
  button: 'button, [role=button]',
  combobox: 'select, input, [role=combobox]',
  group: 'fieldset, [role=group]',
  link: 'a',
  textbox: 'input, textarea, [role=textbox]',
}

/** What a browser holds an element for; by the letter of the standard a password has no role. */
const roleOf = (element: Element) => (element.matches('input[type=password]') ? 'textbox' : getRole(element))

/** Elements that those who hear or feel the page know by a role and a name: `button Begin`. */
export function* namedIn(root: ParentNode, selector: string): Generator<Element> {
  const [, role, name] = /^(\w+) (.+)$/s.exec(selector)!
  for (const element of root.querySelectorAll(CANDIDATES[role!] ?? `[role=${role}]`))
    if (roleOf(element) === role && computeAccessibleName(element) === name && !isInaccessible(element)) yield element
}
