// The page's words: a folder for each language, in it a file for each stage. No text stands in a
// component; another language is another folder of the same files.
import { createI18n } from 'vue-i18n'
import en from './en'

type Words = typeof en
type Text = { [Stage in keyof Words]: `${Stage}.${keyof Words[Stage] & string}` }[keyof Words]
type Named = Record<string, string | number | null | undefined>

const { global } = createI18n({ legacy: false, locale: 'en', messages: { en } })

/** How dates and numbers are written in this language. */
export const dateHabit = 'en-GB'

/** A text in the reader's language, with what it names. */
export const say = (text: Text, named: Named = {}): string => global.t(text, named)

/** The same where it depends on how many there are: "one | many", with the number as {n}. */
export const sayMany = (text: Text, n: number, named: Named = {}): string =>
  global.t(text, { ...named, n }, n)
