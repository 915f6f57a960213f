import views from './views.json'
import words from './words.json'

/** What a view is for, told to whoever opens it for the first time. The guide is made of the same. */
export interface ViewHelp {
  /** Its address; with a slash at its end, of what stands below. */
  path: string
  name: string
  what: string
  /** What to do first. */
  first: string
  /** The words to know in it. */
  words: string[]
  /** Its picture in the guide. */
  picture?: string
}

export interface Word {
  word: string
  means: string
}

export const allViews: ViewHelp[] = views
export const allWords: Word[] = words

/** The help of the view at an address: its own, or that of the nearest view above it. */
export function helpAt(pathname: string): ViewHelp | undefined {
  const fits = (path: string) =>
    pathname === path || (path !== '/' && pathname.startsWith(path.endsWith('/') ? path : `${path}/`))
  return allViews.filter((view) => fits(view.path)).toSorted((one, other) => other.path.length - one.path.length)[0]
}

export const meaningsOf = (view: ViewHelp): Word[] => allWords.filter((one) => view.words.includes(one.word))
