/** Light or dark: the person's choice, else the system's. */
const KEY = 'yew-theme'

function wanted(): 'light' | 'dark' {
  const chosen = localStorage.getItem(KEY)
  if (chosen === 'light' || chosen === 'dark') return chosen
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}

export function applyTheme() {
  document.documentElement.dataset.theme = wanted()
}

export function switchTheme() {
  localStorage.setItem(KEY, wanted() === 'dark' ? 'light' : 'dark')
  applyTheme()
}
