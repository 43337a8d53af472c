/** What a person does at the application, in whatever browser: things are looked up by role and name. */
export interface Person {
  /** Opens an address of the application. */
  goTo: (address: string) => Promise<void>;
  press: (role: Role, name: string) => Promise<void>;
  /** Types a text in the place of the one that stands in a field. */
  enter: (name: string, text: string) => Promise<void>;
  /** Presses one key after the other where the focus is. */
  keys: (...keys: readonly ('ArrowDown' | 'Enter')[]) => Promise<void>;
  /** Pastes what the clipboard holds in the place of the text that stands in a field. */
  pasteInto: (name: string) => Promise<void>;
  /** Gives a file to the file field behind the button with these words. */
  giveFile: (words: string, path: string) => Promise<void>;
  /** What an expression gives in the page. */
  read: <Seen>(expression: string) => Promise<Seen>;
  leave: () => Promise<void>;
}

/** A browser, and those who come with it. */
export interface People {
  /** Somebody whose store is empty. */
  visitor: () => Promise<Person>;
  close: () => Promise<void>;
}

/** Roles that the flows ask for, with the elements that can have them. */
export const ROLES = {
  button: 'button, [role="button"]',
  link: 'a[href]',
  textbox: 'textarea, input, [role="textbox"]',
  checkbox: 'input[type="checkbox"]',
} as const;
export type Role = keyof typeof ROLES;
